import type { Sample } from './sample';

/**
 * Keeps a running response in constant memory: when it is full, neighbours are averaged in pairs, so the whole curve stays at half the detail.
 * Unit: that of the values; time in s, rising. Errors: RangeError for a capacity under 16.
 *
 * @example
 * const recorder = new ResponseRecorder(256); recorder.push(0, 12); recorder.samples() // [{ seconds: 0, value: 12 }]
 */
export class ResponseRecorder {
  // Figures side by side: a line says ten readings a second for each channel, and no reading should cost an object.
  private times: Float64Array;
  private values: Float64Array;
  private kept = 0;
  private pendingTime = 0;
  private pendingValue = 0;
  private pendingCount = 0;
  private perEntry = 1;

  constructor(private readonly capacity = 256) {
    if (!(capacity >= 16)) throw new RangeError(`capacity must be at least 16, got ${capacity}`);
    this.times = new Float64Array(capacity);
    this.values = new Float64Array(capacity);
  }

  push(seconds: number, value: number | null): void {
    if (value === null) return;
    this.pendingTime += seconds;
    this.pendingValue += value;
    this.pendingCount += 1;
    if (this.pendingCount < this.perEntry) return;
    this.times[this.kept] = this.pendingTime / this.pendingCount;
    this.values[this.kept] = this.pendingValue / this.pendingCount;
    this.kept += 1;
    this.pendingTime = this.pendingValue = this.pendingCount = 0;
    if (this.kept >= this.capacity) this.halve();
  }

  /** Forgets everything: another response begins. */
  clear(): void {
    this.kept = this.pendingTime = this.pendingValue = this.pendingCount = 0;
    this.perEntry = 1;
  }

  get length(): number {
    return this.kept;
  }

  /** One of those kept, the first is 0. */
  at(index: number): { seconds: number; value: number } {
    return { seconds: this.times[index]!, value: this.values[index]! };
  }

  samples(): Sample[] {
    return Array.from({ length: this.kept }, (_one, index) => this.at(index));
  }

  private halve(): void {
    const { times, values } = this;
    const half = this.kept >> 1;
    for (let i = 0; i < half; i += 1) {
      times[i] = (times[2 * i]! + times[2 * i + 1]!) / 2;
      values[i] = (values[2 * i]! + values[2 * i + 1]!) / 2;
    }
    this.kept = half;
    this.perEntry *= 2;
  }
}
