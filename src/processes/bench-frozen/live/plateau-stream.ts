import { requireAbove, requireRange } from '@/core/range-error';
import { mostShown } from '@/core/stability/most-shown';
import { SlidingExtreme } from '@/core/stability/sliding-extreme';

export interface PlateauRule {
  /** How long the signal has to stay quiet. */
  windowSeconds: number;
  maxSlopePerMinute: number;
  /** Highest less lowest reading inside the window. */
  maxSpread: number;
}
export interface Plateau {
  seconds: number;
  value: number;
}

/** More readings inside one window than this are refused: memory stays bounded. */
const CAPACITY = 8192;
/** Readings between two renewals of the running sums. */
const REBASE_AFTER = 8192;

/**
 * Watches readings as they arrive and says when they have settled: over the last window the fitted slope and the spread both keep their limits, and no gap longer than half a window
 * lies in it. The value is what the display showed for most of the window, so a flicker between 99 and 100 gives one of the two.
 * Unit: that of the values; time in s, rising. Constant memory, constant time a reading. Errors: RangeError (time that does not rise, limits out of range, over 8192 readings a window).
 * Source: least squares over a moving window; the criterion is common practice (drift and spread).
 *
 * @example
 * const plateau = new PlateauStream({ windowSeconds: 20, maxSlopePerMinute: 1, maxSpread: 1 });
 * plateau.push(0, 12); // false until it has settled, then plateau.present() is { seconds, value }
 */
export class PlateauStream {
  private times = new Float64Array(256);
  private values = new Float64Array(256);
  private mask = 255;
  private readonly highest = new SlidingExtreme(1);
  private readonly lowest = new SlidingExtreme(-1);
  /** Running numbers of the oldest reading kept and of the next one. */
  private first = 0;
  private next = 0;
  private since = 0;
  private last = -Infinity;
  private quiet = false;
  private baseTime = 0;
  private baseValue = 0;
  private rebased = 0;
  private sumT = 0;
  private sumV = 0;
  private sumTT = 0;
  private sumTV = 0;

  constructor(private readonly rule: PlateauRule) {
    requireAbove('windowSeconds', rule.windowSeconds, 0, 86_400);
    requireRange('maxSlopePerMinute', rule.maxSlopePerMinute, 0, Infinity);
    requireRange('maxSpread', rule.maxSpread, 0, Infinity);
  }

  /** Takes one reading (null: missing) and says whether it ends a plateau. */
  push(seconds: number, value: number | null): boolean {
    if (!(seconds > this.last) || seconds === Infinity)
      throw new RangeError(`seconds must rise from ${this.last}, got ${seconds}`);
    if (value === null) return false;
    if (!Number.isFinite(value)) throw new RangeError(`value must be finite or null, got ${value}`);
    const { windowSeconds } = this.rule;
    if (seconds - this.last > windowSeconds / 2) this.startAgain(seconds, value);
    this.last = seconds;
    this.dropBefore(seconds - windowSeconds);
    this.add(seconds, value);
    this.quiet = this.settled(seconds);
    return this.quiet;
  }

  /** The plateau that the last reading ended, or null. Its value is looked for only when asked. */
  present(): Plateau | null {
    return this.quiet ? { seconds: this.last, value: mostShown(this.window()) } : null;
  }

  private settled(seconds: number): boolean {
    const n = this.next - this.first;
    if (n < 3 || seconds - this.since < this.rule.windowSeconds) return false;
    if (this.highest.value() - this.lowest.value() > this.rule.maxSpread) return false;
    const slope = (n * this.sumTV - this.sumT * this.sumV) / (n * this.sumTT - this.sumT * this.sumT);
    return Math.abs(slope) * 60 <= this.rule.maxSlopePerMinute;
  }

  private add(seconds: number, value: number): void {
    if (this.next - this.first > this.mask) this.grow();
    const at = this.next & this.mask;
    this.times[at] = seconds;
    this.values[at] = value;
    this.highest.add(this.next, value);
    this.lowest.add(this.next, value);
    this.next += 1;
    const t = seconds - this.baseTime;
    const v = value - this.baseValue;
    this.sumT += t;
    this.sumV += v;
    this.sumTT += t * t;
    this.sumTV += t * v;
    if (this.next - this.rebased >= REBASE_AFTER) this.rebase();
  }

  private dropBefore(edge: number): void {
    const { times, values, mask, next } = this;
    let first = this.first;
    while (first < next && times[first & mask]! < edge) {
      const t = times[first & mask]! - this.baseTime;
      const v = values[first & mask]! - this.baseValue;
      this.sumT -= t;
      this.sumV -= v;
      this.sumTT -= t * t;
      this.sumTV -= t * v;
      first += 1;
    }
    if (first === this.first) return;
    this.first = first;
    this.highest.dropBefore(first);
    this.lowest.dropBefore(first);
  }

  private startAgain(seconds: number, value: number): void {
    this.first = this.next;
    this.highest.clear();
    this.lowest.clear();
    this.since = seconds;
    this.setBase(seconds, value);
  }

  /** Sums that are added to and taken from lose digits: now and then they are made anew about the present reading. */
  private rebase(): void {
    const at = (this.next - 1) & this.mask;
    this.setBase(this.times[at]!, this.values[at]!);
    for (let i = this.first; i < this.next; i += 1) {
      const t = this.times[i & this.mask]! - this.baseTime;
      const v = this.values[i & this.mask]! - this.baseValue;
      this.sumT += t;
      this.sumV += v;
      this.sumTT += t * t;
      this.sumTV += t * v;
    }
  }

  private setBase(seconds: number, value: number): void {
    this.baseTime = seconds;
    this.baseValue = value;
    this.rebased = this.next;
    this.sumT = this.sumV = this.sumTT = this.sumTV = 0;
  }

  private grow(): void {
    const size = this.times.length * 2;
    if (size > CAPACITY) throw new RangeError(`windowSeconds must hold at most ${CAPACITY} readings, got more`);
    const [times, values] = [new Float64Array(size), new Float64Array(size)];
    for (let i = this.first; i < this.next; i += 1) {
      times[i & (size - 1)] = this.times[i & this.mask]!;
      values[i & (size - 1)] = this.values[i & this.mask]!;
    }
    Object.assign(this, { times, values, mask: size - 1 });
  }

  private window(): { seconds: number; value: number }[] {
    const out = [];
    for (let i = this.first; i < this.next; i += 1)
      out.push({ seconds: this.times[i & this.mask]!, value: this.values[i & this.mask]! });
    return out;
  }
}
