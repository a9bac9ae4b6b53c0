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
  const times = new Float64Array(count + 1);
  const dose = new Float64Array(count + 1);
  for (let i = 0; i < count; i += 1) {
    const { seconds, value } = samples[i]!;
    if (!Number.isFinite(seconds) || !Number.isFinite(value) || (i > 0 && seconds <= times[i - 1]!)) {
      throw new RangeError(`samples must rise in time and be finite, got ${value} at ${seconds} s (reading ${i + 1})`);
    }
    times[i] = seconds;
    if (i > 0) dose[i] = dose[i - 1]! + samples[i - 1]!.value * (seconds - times[i - 1]!);
  }
  times[count] = last;
  dose[count] = dose[count - 1]! + samples[count - 1]!.value * (last - times[count - 1]!);
  return highestWindow(times, dose, windowSeconds);
}

/** The dose inside a sliding window is straight between the moments at which one of its ends meets a reading, so only those are looked at. */
function highestWindow(times: Float64Array, dose: Float64Array, window: number) {
  const count = times.length;
  let best = { dose: -Infinity, end: 0 };
  let behind = 0;
  let ahead = 0;
  for (let i = 0; i < count; i += 1) {
    const start = times[i]! - window;
    while (behind < count - 1 && times[behind + 1]! <= start) behind += 1;
    const here = dose[i]! - doseAt(times, dose, behind, start);
    if (here > best.dose) best = { dose: here, end: times[i]! };
    const finish = times[i]! + window;
    while (ahead < count - 1 && times[ahead + 1]! <= finish) ahead += 1;
    const there = doseAt(times, dose, ahead, finish) - dose[i]!;
    if (there > best.dose) best = { dose: there, end: finish };
  }
  return { level: best.dose / window, fromSeconds: best.end - window, toSeconds: best.end };
}

/** Dose up to a moment, `index` being the last reading not after it (or the first). */
function doseAt(times: Float64Array, dose: Float64Array, index: number, moment: number): number {
  if (moment <= times[0]!) return 0;
  if (index >= times.length - 1) return dose[times.length - 1]!;
  const step = times[index + 1]! - times[index]!;
  return step > 0 ? dose[index]! + ((dose[index + 1]! - dose[index]!) * (moment - times[index]!)) / step : dose[index]!;
}
