import { Dec, decimalPlaces } from '@/core/quantity/decimal';
import { readingNumber, type Reading } from '@/core/quantity/reading';
import { roundHalfEven } from '@/core/quantity/round-half-even';
import { combine } from '@/core/uncertainty/combine';
import { decide, type DecisionRule } from '@/core/uncertainty/decide';
import type { TargetUsed } from '@/core/record/event';

/** The bare judgement of before budgets (reference and resolution alone), kept as it was: the peer that the whole budget is timed against, and nothing else. */
export function bareJudgement({
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
}) {
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
  const half = new Dec(resolution).div(2).div(new Dec(3).sqrt());
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
