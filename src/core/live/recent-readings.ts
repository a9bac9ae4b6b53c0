const CAPACITY = 4096;
/** Half a minute at eighty readings a second. */
const MOST = 2400;
const DROPPED = 1200;
const BATCH = 32;

/**
 * The last half minute of readings, side by side in two arrays: a push costs no object, and memory is bounded whatever the rate. Time in s, rising; values in the channel's unit.
 *
 * @example
 * const recent = new RecentReadings(30); recent.push(0.25, 20.9); recent.valuesSince(0) // [20.9]
 */
export class RecentReadings {
  readonly times = new Float64Array(CAPACITY);
  readonly values = new Float64Array(CAPACITY);
  /** Those kept now stand from `start` up to and without `end`. */
  start = 0;
  end = 0;

  /** Seconds that are kept at least. */
  constructor(private readonly kept: number) {}

  push(seconds: number, value: number): void {
    if (this.end === CAPACITY) this.moveToFront();
    this.times[this.end] = seconds;
    this.values[this.end] = value;
    this.end += 1;
    const length = this.end - this.start;
    // Let go in batches, so that not each reading looks for what is old.
    if (length > 2 * BATCH && this.times[this.start + BATCH]! < seconds - this.kept) this.start += BATCH;
    if (length > MOST) this.start += DROPPED;
  }

  clear(): void {
    this.start = this.end = 0;
  }

  /** In their order. */
  each(work: (seconds: number, value: number) => void): void {
    for (let i = this.start; i < this.end; i += 1) work(this.times[i]!, this.values[i]!);
  }

  /** The last value at or before a time; the first of all where there is none, null without any. */
  valueAt(seconds: number): number | null {
    if (this.start === this.end) return null;
    for (let i = this.end - 1; i >= this.start; i -= 1) if (this.times[i]! <= seconds) return this.values[i]!;
    return this.values[this.start]!;
  }

  /** Values after a time. */
  valuesSince(seconds: number): number[] {
    return Array.from(this.values.subarray(this.firstAfter(seconds), this.end));
  }

  /** The time of the first reading after a time, and of the last; null where there is none. */
  spanSince(seconds: number): { first: number; last: number } | null {
    const first = this.firstAfter(seconds);
    return first < this.end ? { first: this.times[first]!, last: this.times[this.end - 1]! } : null;
  }

  /** Place of the first reading after a time; `end` where there is none. */
  firstAfter(seconds: number): number {
    let i = this.end;
    while (i > this.start && this.times[i - 1]! > seconds) i -= 1;
    return i;
  }

  private moveToFront(): void {
    this.times.copyWithin(0, this.start, this.end);
    this.values.copyWithin(0, this.start, this.end);
    this.end -= this.start;
    this.start = 0;
  }
}
