import type { Sample } from '@/core/stability/sample';

/**
 * Keeps a running response in constant memory: when it is full, neighbours are averaged in pairs, so the whole curve stays at half the detail.
 * Unit: that of the values; time in s, rising. Errors: RangeError for a capacity under 16.
 *
 * @example
 * const recorder = new ResponseRecorder(256); recorder.push(0, 12); recorder.samples() // [{ seconds: 0, value: 12 }]
 */
export class ResponseRecorder {
  private kept: { seconds: number; value: number }[] = [];
  private pending: { seconds: number; value: number; count: number } = { seconds: 0, value: 0, count: 0 };
  private perEntry = 1;

  constructor(private readonly capacity = 256) {
    if (!(capacity >= 16)) throw new RangeError(`capacity must be at least 16, got ${capacity}`);
  }

  push(seconds: number, value: number | null): void {
    if (value === null) return;
    const { pending } = this;
    pending.seconds += seconds;
    pending.value += value;
    pending.count += 1;
    if (pending.count < this.perEntry) return;
    this.kept.push({ seconds: pending.seconds / pending.count, value: pending.value / pending.count });
    this.pending = { seconds: 0, value: 0, count: 0 };
    if (this.kept.length >= this.capacity) this.halve();
  }

  samples(): readonly Sample[] {
    return this.kept;
  }

  private halve(): void {
    const half = [];
    for (let i = 0; i + 1 < this.kept.length; i += 2) {
      const [a, b] = [this.kept[i]!, this.kept[i + 1]!];
      half.push({ seconds: (a.seconds + b.seconds) / 2, value: (a.value + b.value) / 2 });
    }
    this.kept = half;
    this.perEntry *= 2;
  }
}
