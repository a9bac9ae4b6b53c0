import { requireAbove } from '../range-error';

export interface TraceSample {
  seconds: number;
  value: number;
}

/**
 * Short-term exposure: the highest average over any window of 15 minutes within a trace. A reading holds until the next one; before the first and after the last it counts as none,
 * so a shorter exposure is still averaged over the whole window. Takes linear time, whatever the spacing.
 * Quantity: the unit of the values; arguments: samples in rising time (s), `end` when the last reading stopped holding (its own time by default), window in s (900 by default, above 0).
 * Errors: RangeError; no sample, time that does not rise, values that are not finite. Source: 15-minute short-term limit of 29 CFR 1910.1000 (a running maximum: common practice).
 *
 * @example
 * shortTermExposure({ samples: [{ seconds: 0, value: 100 }, { seconds: 450, value: 0 }] }) // { level: 50, fromSeconds: -450, toSeconds: 450 }
 */
export function shortTermExposure({
  samples,
  windowSeconds = 900,
  end,
}: {
  samples: readonly TraceSample[];
  windowSeconds?: number;
  end?: number;
}): { level: number; fromSeconds: number; toSeconds: number } {
  const count = samples.length;
  if (count === 0) throw new RangeError('samples must hold at least one reading, got 0');
  requireAbove('windowSeconds', windowSeconds, 0, 86_400);
  const last = end ?? samples[count - 1]!.seconds;
  if (!(last >= samples[count - 1]!.seconds)) throw new RangeError(`end must not lie before the last reading, got ${last}`);
  // Dose up to each reading, and up to the end.
  const dose = new Float64Array(count + 1);
  const step = count > 1 ? samples[1]!.seconds - samples[0]!.seconds : 0;
  // Readings evenly apart, the window a multiple of it, as in most logs: both ends of a window meet readings together, so one look a reading will do.
  let even = step > 0 && windowSeconds % step === 0;
  const reach = even ? windowSeconds / step : 0;
  let best = -Infinity;
  let bestAt = 0;
  let before = -Infinity;
  let level = 0;
  let total = 0;
  for (let i = 0; i < count; i += 1) {
    const { seconds, value } = samples[i]!;
    if (!(seconds > before && seconds < Infinity) || !Number.isFinite(value)) {
      throw new RangeError(`samples must rise in time and be finite, got ${value} at ${seconds} s (reading ${i + 1})`);
    }
    if (i > 0) {
      const held = seconds - before;
      if (held !== step) even = false;
      total += level * held;
    }
    dose[i] = total;
    const closing = i > reach ? total - dose[i - reach]! : total;
    if (closing > best) {
      best = closing;
      bestAt = seconds;
    }
    before = seconds;
    level = value;
  }
  dose[count] = total + level * (last - before);
  const open =
    even && last === before ? openAtTheEnd(samples, dose, windowSeconds, reach) : anyWindow(samples, dose, windowSeconds, last);
  const highest = even && last === before && best >= open.best ? { best, end: bestAt } : open;
  return { level: highest.best / windowSeconds, fromSeconds: highest.end - windowSeconds, toSeconds: highest.end };
}

interface Highest {
  best: number;
  end: number;
}

/** Windows that are still open at the end of an even trace. */
function openAtTheEnd(samples: readonly TraceSample[], dose: Float64Array, window: number, reach: number): Highest {
  const count = samples.length;
  const found: Highest = { best: -Infinity, end: 0 };
  for (let i = Math.max(0, count - reach); i < count; i += 1) {
    const left = dose[count]! - dose[i]!;
    if (left > found.best) Object.assign(found, { best: left, end: samples[i]!.seconds + window });
  }
  return found;
}

/** The dose inside a sliding window is straight between the moments at which one of its ends meets a reading, so only those are looked at. */
function anyWindow(samples: readonly TraceSample[], dose: Float64Array, window: number, last: number): Highest {
  const end = samples.length;
  const times = Float64Array.from({ length: end + 1 }, (_unused, i) => (i < end ? samples[i]!.seconds : last));
  const [first, all] = [times[0]!, dose[end]!];
  let best = -Infinity;
  let bestEnd = 0;
  // Readings that the window's start has passed, and that its end has reached.
  let behind = 0;
  let ahead = 0;
  for (let i = 0; i <= end; i += 1) {
    const here = times[i]!;
    const start = here - window;
    while (behind < end && times[behind + 1]! <= start) behind += 1;
    const closing = dose[i]! - (start <= first ? 0 : dose[behind]! + samples[behind]!.value * (start - times[behind]!));
    if (closing > best) {
      best = closing;
      bestEnd = here;
    }
    const finish = here + window;
    while (ahead < end && times[ahead + 1]! <= finish) ahead += 1;
    const opening = (ahead >= end ? all : dose[ahead]! + samples[ahead]!.value * (finish - times[ahead]!)) - dose[i]!;
    if (opening > best) {
      best = opening;
      bestEnd = finish;
    }
  }
  return { best, end: bestEnd };
}
