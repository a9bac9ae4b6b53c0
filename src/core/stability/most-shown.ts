/**
 * The value on which half of the time had been spent: the time-weighted median. Of a flicker between two digits it is the one that was shown longer.
 * Each reading holds until the next; the last one as long as the mean of the others. Unit: that of the values. Errors: RangeError without a reading.
 * Source: common practice (a flickering reading is judged by where it spends most of its time).
 *
 * @example
 * mostShown([{ seconds: 0, value: 99 }, { seconds: 1, value: 100 }, { seconds: 2, value: 99 }]) // 99
 */
export function mostShown(readings: readonly { seconds: number; value: number }[]): number {
  const n = readings.length;
  if (n === 0) throw new RangeError('readings must hold at least one reading, got 0');
  const span = readings[n - 1]!.seconds - readings[0]!.seconds;
  const typical = n > 1 ? span / (n - 1) : 1;
  const held = readings.map(({ value, seconds }, i) => ({
    value,
    time: i < n - 1 ? readings[i + 1]!.seconds - seconds : typical,
  }));
  held.sort((a, b) => a.value - b.value);
  let sum = 0;
  for (const { value, time } of held) {
    sum += time;
    if (sum >= (span + typical) / 2) return value;
  }
  return held[n - 1]!.value;
}
