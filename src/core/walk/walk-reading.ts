import { Dec, decimalPlaces } from '../quantity/decimal';
import type { Point, Procedure } from '../procedure/procedure';
import type { RunChannel } from '../record/event';
import type { RunState } from '../record/state';
import { toleranceAt } from '../record/tolerance';
import { inputsOfPoint } from '../run/inputs-of-point';
import { resolveTarget } from '../run/resolve-target';
import { isRefusal } from '../words/refusal';

/** A slope that a good electrode has at 25 °C, mV a pH step (Nernst). */
const SLOPE_MV = 59.16;
/** How far beyond its tolerance a reading of a bad way lies. */
const BEYOND = 3;

interface Context {
  procedure: Procedure;
  state: RunState;
  point: Point;
  channel: RunChannel;
}

function inputFor(name: string, { point, channel, state }: Context): string | null {
  if (name === 'temperatureC' || name === 'comparison') return '25.0';
  if (name === 'before') return channel.cleanAir ?? '0';
  if (name === 'low') return '6.5';
  if (name === 'high') return '7.5';
  if (name !== 'millivolts') return null;
  const { target } = point;
  const slot = 'slot' in target ? target.slot : undefined;
  const bound = state.bindings.findLast((one) => !one.struck && one.reference.kind === 'buffer' && (!slot || one.slot === slot));
  const value = Number(bound?.reference.components.find((one) => one.unit === 'pH')?.value ?? 7);
  return ((7 - value) * SLOPE_MV).toFixed(1);
}

/**
 * A reading as a good instrument, or one that is off, would show it at a point; what has to be known beside it; null where nothing can be shown there.
 * Errors: none.
 *
 * @example
 * walkReading({ procedure, state, point, channel }, 'good') // { text: '20.9', inputs: {} }
 */
export function walkReading(context: Context, how: 'good' | 'off'): { text: string; inputs: Record<string, string> } | null {
  const { point, channel, state, procedure } = context;
  const inputs = Object.fromEntries(
    inputsOfPoint(point, channel).flatMap(({ name }) => {
      const value = inputFor(name, context);
      return value === null ? [] : [[name, value] as const];
    }),
  );
  const places = decimalPlaces(channel.resolution);
  if (point.target.kind === 'observe') {
    const before = new Dec(inputs.before ?? '0');
    const half = new Dec(channel.highest).div(2);
    const risen = point.target.direction === 'rise' ? before.plus(half) : before.div(2);
    return { text: (how === 'good' ? risen : before).toFixed(places), inputs };
  }
  const target = resolveTarget({ point, channel, state, inputs, procedure });
  if (target === null || isRefusal(target)) return null;
  const value = new Dec(target.value);
  if (how === 'good') return { text: value.toFixed(places), inputs };
  const limit =
    typeof point.tolerance === 'object'
      ? point.tolerance.limit
      : toleranceAt({ tolerance: channel.tolerance, target: target.value, zero: point.tolerance === 'zero' });
  const off = new Dec(limit ?? channel.resolution).plus(channel.resolution).times(BEYOND);
  // Downwards where there is room: a display that runs over is another matter.
  const below = value.minus(off);
  return { text: (below.lt(channel.lowest) ? value.plus(off) : below).toFixed(places), inputs };
}
