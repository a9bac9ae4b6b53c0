import { convert, unitOf } from '../quantity/unit';
import type { RunChannel } from '../record/event';
import { bounded, certified, observed, type Component, type InfluenceId } from '../uncertainty/component';
import { say, type Fact } from '../words/say';
import type { InfluenceContext, Measurand } from './measurand';
import { sourceFact, standingFor, type StandingDefault, type StandingId } from '../uncertainty/standing';

const PPM_A_PERCENT = 10_000;

/** A figure in parts per million or another unit as this channel shows it; null where the units have nothing to do with each other. */
export function inChannelUnit(value: number, unit: string | undefined, channel: RunChannel): number | null {
  if (!unit || unit === channel.unit) return value;
  if (channel.unit === '%LEL') {
    const percent = inChannelUnit(value, unit, { ...channel, unit: '%vol' });
    return percent === null || !channel.scale
      ? null
      : (percent / Number(channel.scale.lelVolPercent)) * 100 * Number(channel.scale.relativeResponse);
  }
  if (unit === 'ppm' && channel.unit === '%vol') return value / PPM_A_PERCENT;
  try {
    return unitOf(unit).dimension === unitOf(channel.unit).dimension ? convert({ value, from: unit, to: channel.unit }) : null;
  } catch {
    return null;
  }
}

/** The standing value of this run at this point. */
export const standingOf = (context: InfluenceContext, measurand: Measurand, id: StandingId): StandingDefault | null =>
  standingFor({
    frozen: context.state.started?.standing ?? [],
    defaults: measurand.standing,
    id,
    measurand: context.channel.measurand,
    procedure: context.procedure.id,
    point: context.point.id,
  });

/** A standing value as a component: bounds of a rectangle, or (`asU`) an expanded uncertainty with k = 2. Null where there is none, or it is nothing here. */
export function standingComponent(
  context: InfluenceContext,
  measurand: Measurand,
  standing: StandingId,
  id: InfluenceId,
  { asU = false, sensitivity = 1 }: { asU?: boolean; sensitivity?: number } = {},
): Component | null {
  const given = standingOf(context, measurand, standing);
  if (!given || given.value === 0) return null;
  const { channel, target } = context;
  const value = Math.abs(Number(target.value));
  const source = say(sourceFact(given.source));
  const size =
    given.form === 'percent'
      ? (given.value / 100) * value
      : given.form === 'steps'
        ? given.value * Number(channel.resolution)
        : sensitivity === 1
          ? inChannelUnit(given.value, given.unit, channel)
          : given.value;
  if (size === null || size === 0) return null;
  const unit = given.form === 'percent' || sensitivity === 1 ? channel.unit : (given.unit ?? '');
  const basis: Fact =
    given.source.kind === 'study'
      ? { code: 'basis.study', numbers: { n: given.source.n, source } }
      : given.form === 'percent'
        ? { code: 'basis.percent', numbers: { percent: given.value, value: target.value, unit, source } }
        : { code: 'basis.absolute', numbers: { value: String(Number(size.toPrecision(6))), unit, source } };
  if (given.source.kind === 'study') return observed({ id, s: size, n: 1, dof: given.source.dof, sensitivity, basis });
  const component = asU
    ? certified({ id, expanded: size, k: 2, sensitivity, basis })
    : bounded({ id, half: size, sensitivity, basis });
  return given.source.kind === 'memory'
    ? { ...component, unconfirmed: { standing, measurand: channel.measurand, value: given.value } }
    : component;
}

/** What every point has: this material, its stability, both resolutions, repeatability, and what was captured with the reading. */
export function commonInfluences(context: InfluenceContext, measurand: Measurand): Component[] {
  const { target, channel, capture, state } = context;
  const binding = target.binding === null ? null : (state.bindings.find((one) => one.seq === target.binding) ?? null);
  const list: (Component | null)[] = [];
  if (target.expanded !== null && Number(target.expanded) > 0)
    list.push(
      certified({
        id: 'reference',
        expanded: Number(target.expanded),
        k: target.k,
        basis: {
          code: 'basis.certificate',
          numbers: {
            name: binding?.reference.name ?? '',
            lot: binding?.reference.lot ?? '',
            expanded: target.expanded,
            unit: channel.unit,
            k: target.k,
          },
        },
      }),
    );
  // A certificate that vouches for the whole shelf life says so; else what may have faded since is open.
  if (binding && ['gas', 'buffer', 'standard'].includes(binding.reference.kind) && !binding.reference.stabilityIncluded)
    list.push(standingComponent(context, measurand, 'stability', 'referenceStability'));
  list.push(
    bounded({
      id: 'resolution',
      half: Number(channel.resolution) / 2,
      basis: { code: 'basis.step', numbers: { step: channel.resolution, unit: channel.unit } },
    }),
  );
  if (target.rounded)
    list.push(
      bounded({
        id: 'targetRounding',
        half: Number(target.rounded) / 2,
        basis: { code: 'basis.targetStep', numbers: { step: target.rounded, unit: channel.unit } },
      }),
    );
  list.push(standingComponent(context, measurand, 'repeatability', 'repeatability', { asU: true }));
  if (capture) list.push(unrest(context), settling(context));
  return list.filter((one): one is Component => one !== null);
}

/** From the window in which it was read: half the spread as U, or what its own samples say once their correlation is counted, whichever is more. */
function unrest({ capture, channel }: InfluenceContext): Component | null {
  const { spread, windowSeconds, samples } = capture!;
  const half = Number(spread) / 2;
  if (samples && samples.worth > 2 && samples.s > half / 2)
    return observed({
      id: 'unrest',
      s: samples.s,
      n: 1,
      dof: samples.worth - 1,
      basis: {
        code: 'basis.window',
        numbers: {
          n: samples.n,
          seconds: windowSeconds,
          correlation: samples.correlation.toFixed(2),
          worth: samples.worth.toFixed(1),
        },
      },
    });
  return half > 0
    ? certified({
        id: 'unrest',
        expanded: half,
        k: 2,
        basis: { code: 'basis.spread', numbers: { spread, unit: channel.unit, seconds: windowSeconds } },
      })
    : null;
}

function settling({ capture, channel }: InfluenceContext): Component | null {
  const left = Number(capture!.settling ?? 0);
  return left > 0
    ? bounded({
        id: 'settling',
        half: left,
        basis: { code: 'basis.settling', numbers: { settling: capture!.settling!, unit: channel.unit } },
      })
    : null;
}
