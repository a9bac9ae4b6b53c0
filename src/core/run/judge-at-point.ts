import { Dec, decimalPlaces, parseDecimal } from '../quantity/decimal';
import type { Reading } from '../quantity/reading';
import { commonInfluences } from '../measurand/common-influences';
import { scopeAt } from '../uncertainty/scope';
import { tidy } from '../uncertainty/component';
import { measurandOf } from '../measurand';
import type { InfluenceContext } from '../measurand/measurand';
import type { Point } from '../procedure/procedure';
import type { TargetUsed } from '../record/event';
import { judgeReading } from './judge';
import { toleranceAt } from '../record/tolerance';
import { nothingJudged, type Judgement } from '../record/judgement';

/** Judges a reading at a point: target and budget by the measurand, limits by point and channel, gates and cautions by the point. */
export function judgeAtPoint(reading: Reading, target: TargetUsed | null, context: Omit<InfluenceContext, 'target'>): Judgement {
  const { point, channel, state, inputs, capture } = context;
  const { rule, coverage } = state.started!;
  if (target === null) return observed(reading, point, inputs, { rule, coverage });
  if (point.judge === 'gate') return gateOnly(reading, target, { rule, coverage });
  const within = { ...context, target };
  const measurand = measurandOf(channel.measurand);
  const { measurand: quantity, unit } = channel;
  const scope = scopeAt({ scope: state.started!.scope ?? [], measurand: quantity, unit, value: target.value });
  const judged = judgeReading({
    reading,
    target: target.value,
    limitAt: (reference) =>
      point.target.kind === 'strip'
        ? new Dec(target.value).minus(inputs.low!).toFixed()
        : typeof point.tolerance === 'object'
          ? point.tolerance.limit
          : toleranceAt({ tolerance: channel.tolerance, target: reference, zero: point.tolerance === 'zero' }),
    resolution: channel.resolution,
    budget: [...commonInfluences(within, measurand), ...measurand.influences(within)],
    rule,
    coverage,
    ...(capture ? { spread: capture.spread } : {}),
    ...(scope && scope !== 'outside'
      ? {
          claimed: {
            least: scope.smallest,
            basis: { code: 'basis.scope' as const, numbers: { smallest: String(tidy(scope.smallest)), unit: channel.unit } },
          },
        }
      : {}),
  });
  const placed: Judgement = scope === 'outside' ? { ...judged, outsideScope: true } : judged;
  const judgement = withCaution(placed, point, channel.unit);
  const gate = point.gate && (point.gate.ofTarget ? gateAbout(target.value, point.gate, channel.resolution) : point.gate);
  const outsideGate =
    gate &&
    reading.status === 'value' &&
    (parseDecimal('reading', reading.text).lt(gate.lowest) || parseDecimal('reading', reading.text).gt(gate.highest));
  if (!outsideGate) return judgement;
  const { reason, lowest, highest } = gate;
  return {
    ...nothingJudged({
      code: 'implausible',
      rule,
      coverage,
      why: { code: 'judged.implausible', numbers: { reason, lowest, highest } },
    }),
    reference: judgement.reference,
  };
}

/** A band in parts of the target, as figures that the display could show. */
function gateAbout(target: string, gate: NonNullable<Point['gate']>, resolution: string): NonNullable<Point['gate']> {
  const at = (share: string) => new Dec(target).times(share).toFixed(decimalPlaces(resolution));
  return { ...gate, lowest: at(gate.lowest), highest: at(gate.highest) };
}

/** Inside the limit, but past the caution: it passes, and says so. */
function withCaution(judgement: Judgement, point: Point, unit: string): Judgement {
  const caution = typeof point.tolerance === 'object' ? point.tolerance.caution : undefined;
  if (!caution || judgement.state !== 'within' || judgement.error === null || !new Dec(judgement.error).abs().gt(caution))
    return judgement;
  return { ...judgement, code: 'caution', why: { code: 'judged.cautionBeyond', numbers: { caution, unit } } };
}

type Terms = Pick<Judgement, 'rule' | 'coverage'>;

/** Something that has to be so before anything counts (an air blank of .000): open or shut, no result of a calibration. */
function gateOnly(reading: Reading, target: TargetUsed, terms: Terms): Judgement {
  const open = reading.status === 'value' && parseDecimal('reading', reading.text).eq(target.value);
  const numbers = { reading: reading.text, expected: target.value, unit: reading.unit };
  return {
    ...nothingJudged({
      code: 'gate',
      ...terms,
      why: open ? { code: 'judged.gate', numbers } : { code: 'judged.gateShut', numbers },
    }),
    // A shut one says nothing of the instrument: it is waited for.
    state: open ? 'within' : 'notMeasured',
  };
}

/** A point that is only watched: did it move the right way from what it showed before. */
function observed(reading: Reading, point: Point, inputs: Record<string, string>, terms: Terms): Judgement {
  const up = point.target.kind === 'observe' && point.target.direction === 'rise';
  const moved =
    reading.status === 'value' && inputs.before !== undefined ? parseDecimal('reading', reading.text).minus(inputs.before) : null;
  if (moved === null) return nothingJudged({ code: 'watched', ...terms, why: { code: 'judged.watched' } });
  const right = up ? moved.gt(0) : moved.lt(0);
  const numbers = { before: inputs.before!, after: reading.text, unit: reading.unit };
  return nothingJudged({
    code: right ? 'moved' : 'notMoved',
    ...terms,
    state: right ? 'within' : 'outside',
    why: right ? { code: 'judged.moved', numbers } : { code: 'judged.notMoved', numbers },
  });
}
