import { requireRange } from '../range-error';
import type { Sample } from './sample';

/**
 * Time at which a recorded response first passed a share of its change, read off the trace itself, without a model: what a T90 verdict is based on.
 * Quantity: s from gas on (0 s); arguments: samples in time order, value before gas, settled value, share in (0, 1), 0.9 by default. Null when it never got there or nothing changed.
 * Errors: RangeError. Source: definition of T50 and T90; straight lines between readings.
 *
 * @example
 * timeToShare({ samples: [{ seconds: 0, value: 0 }, { seconds: 10, value: 50 }, { seconds: 20, value: 100 }], initial: 0, final: 100, share: 0.9 }) // 18
 */
export function timeToShare({
  samples,
  initial,
  final,
  share = 0.9,
}: {
  samples: readonly Sample[];
  initial: number;
  final: number;
  share?: number;
}): number | null {
  requireRange('initial', initial, -Infinity, Infinity);
  requireRange('final', final, -Infinity, Infinity);
  requireRange('share', share, 0.01, 0.99);
  if (final === initial) return null;
  const progress = (value: number) => (value - initial) / (final - initial);
  let before: { seconds: number; done: number } | null = null;
  for (const { seconds, value } of samples) {
    if (value === null) continue;
    const done = progress(value);
    if (done >= share) {
      if (!before || done === before.done) return seconds;
      return before.seconds + ((share - before.done) / (done - before.done)) * (seconds - before.seconds);
    }
    before = { seconds, done };
  }
  return null;
}
