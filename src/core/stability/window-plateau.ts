import { mostShown } from './most-shown';
import type { Plateau, PlateauRule } from './plateau-stream';

/** Readings side by side, oldest first: those from `start` up to and without `end`. Time in s, rising; values in one unit. */
export interface Readings {
  times: ArrayLike<number>;
  values: ArrayLike<number>;
  start: number;
  end: number;
}

/**
 * The plateau that the last of some readings ends, or null: what PlateauStream says when it is given each of them, worked out from the last window only when somebody looks. `wasQuiet`: the look before said so; then the limits
 * are those that hold a plateau. Unit: that of the values. Source: as PlateauStream (least squares over the window; drift and spread are common practice).
 *
 * @example
 * windowPlateau({ times: [0, 1, 2], values: [5, 5, 5], start: 0, end: 3 }, { windowSeconds: 2, maxSpread: 0, maxSlopePerMinute: 1 }, false) // { seconds: 2, value: 5 }
 */
export function windowPlateau({ times, values, start, end }: Readings, rule: PlateauRule, wasQuiet: boolean): Plateau | null {
  if (end - start < 3) return null;
  const last = times[end - 1]!;
  const edge = last - rule.windowSeconds;
  const longest = rule.windowSeconds / 2;
  const base = values[end - 1]!;
  let [highest, lowest] = [base, base];
  let [sumT, sumV, sumTT, sumTV] = [0, 0, 0, 0];
  let first = end;
  for (; first > start && times[first - 1]! >= edge; first -= 1) {
    // A gap of over half a window: the plateau begins anew after it.
    if (first < end && times[first]! - times[first - 1]! > longest) return null;
    const value = values[first - 1]!;
    if (value > highest) highest = value;
    else if (value < lowest) lowest = value;
    const t = times[first - 1]! - last;
    const v = value - base;
    sumT += t;
    sumV += v;
    sumTT += t * t;
    sumTV += t * v;
  }
  const n = end - first;
  // The whole window has to be seen: up to a reading at its edge, or to one before it that is not too far off.
  if (n < 3 || (times[first]! > edge && (first === start || times[first]! - times[first - 1]! > longest))) return null;
  const { maxSpread, maxSlopePerMinute, hold } = rule;
  const [wider, steeper] = wasQuiet && hold ? [hold.spread, hold.slope] : [1, 1];
  if (highest - lowest > wider * maxSpread) return null;
  const slope = (n * sumTV - sumT * sumV) / (n * sumTT - sumT * sumT);
  if (!(Math.abs(slope) * 60 <= steeper * maxSlopePerMinute)) return null;
  const window = Array.from({ length: n }, (_one, i) => ({ seconds: times[first + i]!, value: values[first + i]! }));
  return { seconds: last, value: mostShown(window) };
}
