import { Dec, decimalPlaces } from '../quantity/decimal';
import { readingNumber, type Reading } from '../quantity/reading';
import { roundHalfEven } from '../quantity/round-half-even';
import { combine } from '../uncertainty/combine';
import { decide, type DecisionRule } from '../uncertainty/decide';
import type { TargetUsed, Tolerance } from './event';

export type VerdictState = 'within' | 'outside' | 'cannotTell' | 'notMeasured';

/** A verdict that explains itself: the numbers it rests on, the rule, a sentence. All figures are decimal texts. */
export interface Judgement {
  code: 'within' | 'outside' | 'guardBand' | 'noNumber' | 'observed' | 'implausible' | 'caution';
  state: VerdictState;
  error: string | null;
  lower: string | null;
  upper: string | null;
  standard: string | null;
  k: number | null;
  expanded: string | null;
  components: { name: string; standard: string; basis: string }[];
  rule: DecisionRule;
  sentence: string;
}

/**
 * Half-width of the tolerance at a target: the greater of the absolute and the relative part, or the zero's own.
 * Source: common practice ("± 2 ppm or ± 10 %, whichever is greater").
 *
 * @example
 * toleranceAt({ tolerance: { absolute: '2', percentOfTarget: '10' }, target: '25', zero: false }) // '2.5'
 */
export function toleranceAt({ tolerance, target, zero }: { tolerance: Tolerance; target: string; zero: boolean }): string {
  if (zero && tolerance.zero !== undefined) return tolerance.zero;
  const absolute = new Dec(tolerance.absolute ?? 0);
  const relative = new Dec(target)
    .abs()
    .times(tolerance.percentOfTarget ?? 0)
    .div(100);
  return Dec.max(absolute, relative).toFixed();
}

/**
 * Judges one displayed reading against its target: error, budget of reference and resolution, limits, verdict.
 * Units: all in the target's unit. Errors: RangeError for texts that are no decimals.
 * Sources: JCGM 100:2008 4.3.7 and F.2.2.1 (resolution as a rectangle of half a step); ILAC-G8:09/2019 (rule).
 */
export function judgeReading({
  reading,
  target,
  tolerance,
  resolution,
  rule,
  coverage,
  extra = [],
}: {
  reading: Reading;
  target: TargetUsed;
  tolerance: string;
  resolution: string;
  rule: DecisionRule;
  coverage: number;
  extra?: { name: string; standard: number; basis: string }[];
}): Judgement {
  const number = readingNumber(reading);
  const unit = target.unit;
  if (number === null) {
    return {
      ...NOTHING,
      rule,
      code: 'noNumber',
      state: reading.status === 'fault' ? 'notMeasured' : 'outside',
      sentence:
        reading.status === 'fault'
          ? 'The display shows a fault instead of a number.'
          : `The display ran ${reading.status} its range: outside ± ${tolerance} ${unit}.`,
    };
  }
  const half = new Dec(resolution).div(2).div(Dec.sqrt(3));
  const components = [
    { name: 'resolution', standard: half.toNumber(), basis: `step ${resolution} ${unit}, rectangular` },
    ...extra,
  ];
  if (target.expanded !== null && new Dec(target.expanded).gt(0)) {
    components.unshift({
      name: 'reference',
      standard: new Dec(target.expanded).div(target.k).toNumber(),
      basis: `U = ${target.expanded} ${unit}, k = ${target.k}`,
    });
  }
  const { standard, k, expanded } = combine({
    components: components.map((component) => ({ standard: component.standard })),
    coverage,
  });
  const error = number.minus(target.value);
  const limits = { lower: new Dec(tolerance).neg().toFixed(), upper: new Dec(tolerance).toFixed() };
  const decision = decide({ error: error.toFixed(), ...limits, expanded, rule });
  const places = Math.max(decimalPlaces(resolution), decimalPlaces(target.value));
  const errorText = signed(roundHalfEven({ value: error.toFixed(), places }));
  const figures = `${errorText} ${unit} against ± ${tolerance} ${unit}`;
  return {
    code: decision === 'pass' ? 'within' : decision === 'fail' ? 'outside' : 'guardBand',
    state: decision === 'pass' ? 'within' : decision === 'fail' ? 'outside' : 'cannotTell',
    error: roundHalfEven({ value: error.toFixed(), places }),
    ...limits,
    standard: String(Number(standard.toPrecision(6))),
    k: Number(k.toPrecision(4)),
    expanded: String(Number(expanded.toPrecision(6))),
    components: components.map((component) => ({ ...component, standard: String(Number(component.standard.toPrecision(6))) })),
    rule,
    sentence:
      decision === 'pass'
        ? `Within: ${figures}.`
        : decision === 'fail'
          ? `Outside: ${figures}.`
          : `Cannot tell: ${figures} is nearer to the limit than the uncertainty of ${expanded.toPrecision(2)} ${unit}.`,
  };
}

const NOTHING = { error: null, lower: null, upper: null, standard: null, k: null, expanded: null, components: [] };

function signed(text: string): string {
  if (text.startsWith('-')) return `−${text.slice(1)}`;
  return /^0(\.0*)?$/.test(text) ? text : `+${text}`;
}
