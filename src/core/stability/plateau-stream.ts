import { requireAbove, requireRange } from '../range-error';
import { mostShown } from './most-shown';
import { SlidingExtreme } from './sliding-extreme';

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

/**
 * Watches readings as they arrive and says when they have settled: over the last window the fitted slope and the spread both keep their limits, and no gap longer than half a window
 * lies in it. The value is what the display showed for most of the window, so a flicker between 99 and 100 gives one of the two.
 * Unit: that of the values; time in s, rising. Constant memory, constant time a reading. Errors: RangeError (time that does not rise, limits out of range, over 8192 readings a window).
 * Source: least squares over a moving window; the criterion is common practice (drift and spread).
 *
 * @example
 * const plateau = new PlateauStream({ windowSeconds: 20, maxSlopePerMinute: 1, maxSpread: 1 });
 * plateau.push(0, 12); // null until it has settled, then { seconds, value }
 */
export class PlateauStream {
  private readonly times = new Float64Array(CAPACITY);
  private readonly values = new Float64Array(CAPACITY);
  private readonly highest = new SlidingExtreme(CAPACITY, 1);
  private readonly lowest = new SlidingExtreme(CAPACITY, -1);
  /** Running numbers of the oldest reading kept and of the next one. */
  private first = 0;
  private next = 0;
  private since = 0;
  private last = -Infinity;
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

  /** Takes one reading (null: missing) and answers the plateau that it ends, or null. */
  push(seconds: number, value: number | null): Plateau | null {
    if (!(seconds > this.last) || seconds === Infinity)
      throw new RangeError(`seconds must rise from ${this.last}, got ${seconds}`);
    if (value === null) return null;
    if (!Number.isFinite(value)) throw new RangeError(`value must be finite or null, got ${value}`);
    const { windowSeconds } = this.rule;
    if (seconds - this.last > windowSeconds / 2) this.startAgain(seconds, value);
    this.last = seconds;
    this.add(seconds, value);
    const edge = seconds - windowSeconds;
    while (this.times[this.first % CAPACITY]! < edge) this.drop();
    if (this.next - this.rebased >= CAPACITY) this.rebase();
    return this.settled(seconds) ? { seconds, value: mostShown(this.window()) } : null;
  }

  private settled(seconds: number): boolean {
    const n = this.next - this.first;
    if (n < 3 || seconds - this.since < this.rule.windowSeconds) return false;
    if (this.highest.value(this.values) - this.lowest.value(this.values) > this.rule.maxSpread) return false;
    const slope = (n * this.sumTV - this.sumT * this.sumV) / (n * this.sumTT - this.sumT * this.sumT);
    return Math.abs(slope) * 60 <= this.rule.maxSlopePerMinute;
  }

  private add(seconds: number, value: number): void {
    if (this.next - this.first >= CAPACITY)
      throw new RangeError(`windowSeconds must hold at most ${CAPACITY} readings, got more`);
    const at = this.next % CAPACITY;
    this.times[at] = seconds;
    this.values[at] = value;
    this.highest.add(this.next, this.values);
    this.lowest.add(this.next, this.values);
    this.next += 1;
    this.count(seconds, value, 1);
  }

  private drop(): void {
    const at = this.first % CAPACITY;
    this.count(this.times[at]!, this.values[at]!, -1);
    this.highest.drop(this.first);
    this.lowest.drop(this.first);
    this.first += 1;
  }

  private count(seconds: number, value: number, sign: number): void {
    const t = seconds - this.baseTime;
    const v = value - this.baseValue;
    this.sumT += sign * t;
    this.sumV += sign * v;
    this.sumTT += sign * t * t;
    this.sumTV += sign * t * v;
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
    const at = (this.next - 1) % CAPACITY;
    this.setBase(this.times[at]!, this.values[at]!);
    for (let i = this.first; i < this.next; i += 1) this.count(this.times[i % CAPACITY]!, this.values[i % CAPACITY]!, 1);
  }

  private setBase(seconds: number, value: number): void {
    this.baseTime = seconds;
    this.baseValue = value;
    this.rebased = this.next;
    this.sumT = this.sumV = this.sumTT = this.sumTV = 0;
  }

  private window(): { seconds: number; value: number }[] {
    const out = [];
    for (let i = this.first; i < this.next; i += 1)
      out.push({ seconds: this.times[i % CAPACITY]!, value: this.values[i % CAPACITY]! });
    return out;
  }
}
