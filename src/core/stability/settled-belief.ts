import { requireAbove } from '../range-error';
import { effectiveNumber, softened } from '../uncertainty/effective-number';
import { normalCdf } from '../uncertainty/normal';
import { redrawShapes } from './redraw-shapes';
import { shapesOf, type ResponseCard } from './response-card';
import { reached, type ResponseShape } from './response-shape';

/** One figure of the display, so many seconds after gas came. */
interface Seen {
  seconds: number;
  value: number;
}

/** A belief of 0.86 holds in at least 95 of 100 readings (populations of `npm run bench`): it counts one figure a second and leaves the others out. */
export const SURE = 0.86;
/** So many shapes are weighed: fewer lie too far apart, and a wrong tail wins by chance. */
export const SHAPES = 1000;

/** What may still come, as believed now. */
export interface StillToCome {
  /** With this probability the final value lies within `within` of what is displayed. */
  probability: number;
  /** Distance that holds the final value with the asked confidence. */
  bound: number;
  /** Seconds after gas came at which the rest is expected to fall under `within`; null where it is not by 15 min. */
  expectedAt: number | null;
}

/** Final values tried a shape, and how far apart: in steps of the display. */
const FINALS = 33;
const APART = 0.25;
/** Before this too little of any response has been seen. */
const BEGINS_AT = 15;
/** No shape is exact: this share of what is still to come is its own scatter. */
const MISFIT = 0.02;
/** A shape that is so much less likely (natural logarithm) comes no more into it. */
const HOPELESS = 16;
const LONGEST = 900;
const SCATTER_SECONDS = 10;
/** In steps of the display. */
const LEAST_NOISE = 0.2;
/** Seconds between two figures that count: closer ones say the same again, and a few shapes would seem surer than they are. */
const EVERY = 1;
/** Fewer shapes that count are too few to tell by. */
const FEW = 60;
const REDRAWS = 3;
const FIGURES_BETWEEN = 8;

/**
 * Where a response will come to rest, by what is known of its model's sensors: each of many shapes with each of many final values is weighed by how well it explains the figures shown so far,
 * rounding and noise included. One figure a second counts. Unit: that of the display; times in s after gas. Constant memory a second of gas. Errors: RangeError for a step of zero.
 * Source: Bayes' theorem over a grid (JCGM 101:2008, 6 for the state of knowledge); common practice for the shapes.
 *
 * @example
 * const belief = new SettledBelief({ before: 0, resolution: 1, card }); belief.push(1, 12); belief.look({ displayed: 98, within: 2.5 })
 */
export class SettledBelief {
  private seen: Seen[] = [];
  private logs = new Float64Array(0);
  /** First final change tried of each shape. */
  private from = new Float64Array(0);
  private counted = 0;
  private shapes: readonly ResponseShape[];
  /** What each shape is weighed by before anything was seen (natural logarithm). */
  private prior: Float64Array;
  private redrawn = { times: 0, at: 0 };
  /** Shapes that explain what was seen so much worse than others that they are left aside. */
  private aside = new Uint8Array(0);
  private noise = 0;
  private readonly apart: number;

  constructor(private readonly rule: { before: number; resolution: number; card: ResponseCard }) {
    requireAbove('resolution', rule.resolution, 0);
    this.apart = APART * rule.resolution;
    this.shapes = shapesOf(rule.card, SHAPES);
    this.prior = new Float64Array(SHAPES);
  }

  push(seconds: number, value: number): void {
    this.recent.push({ seconds, value });
    if (this.recent.length > 80) this.recent.splice(0, 40);
    if (seconds < (this.seen.at(-1)?.seconds ?? 0) + EVERY) return;
    this.seen.push({ seconds, value });
  }
  private recent: Seen[] = [];

  /** Null before enough was seen. `confidence` between 0 and 1. */
  look({ displayed, within, confidence = 0.95 }: { displayed: number; within: number; confidence?: number }): StillToCome | null {
    const last = this.seen.at(-1);
    if (!last || last.seconds < BEGINS_AT || this.seen.length < 8) return null;
    this.weigh(last);
    if (this.closer()) this.weigh(last);
    const { before } = this.rule;
    const { shapes } = this;
    let most = -Infinity;
    for (const one of this.logs) if (one > most) most = one;
    const bins = new Float64Array(BINS + 1);
    let [whole, pace] = [0, 0];
    const shown = displayed - before;
    for (let shape = 0; shape < shapes.length; shape += 1) {
      if (this.aside[shape]) continue;
      let own = 0;
      for (let k = 0; k < FINALS; k += 1) {
        const weight = Math.exp(this.logs[shape * FINALS + k]! - most);
        if (weight < 1e-9) continue;
        const final = this.from[shape]! + k * this.apart;
        own += weight;
        bins[Math.min(BINS, Math.floor((Math.abs(final - shown) / within) * (BINS / REACH)))]! += weight;
      }
      whole += own;
      if (own > 0) pace += own * this.inTime(shapes[shape]!, shape, within);
    }
    const under = (share: number) => {
      let sum = 0;
      for (let bin = 0; bin <= BINS; bin += 1) {
        sum += bins[bin]!;
        if (sum >= share * whole) return ((bin + 1) * REACH * within) / BINS;
      }
      return REACH * within;
    };
    let inside = 0;
    for (let bin = 0; bin < BINS / REACH; bin += 1) inside += bins[bin]!;
    const at = pace / whole;
    return { probability: inside / whole, bound: under(confidence), expectedAt: at >= LONGEST - 2 ? null : at };
  }

  /** Seconds at which a shape's rest falls under a limit. */
  private inTime(shape: ResponseShape, index: number, within: number): number {
    const final = Math.abs(this.from[index]! + ((FINALS - 1) / 2) * this.apart);
    if (final <= within) return 0;
    let [low, high] = [0, LONGEST];
    while (high - low > 1) {
      const middle = (low + high) / 2;
      if (final * (1 - reached(shape, middle)) <= within) high = middle;
      else low = middle;
    }
    return high;
  }

  /** Takes the figures that came since into account; where a shape's finals run off their grid, it is laid anew. */
  private weigh(last: Seen): void {
    const { shapes } = this;
    if (this.logs.length === 0) {
      this.noise ||= Math.max(this.scatter(), LEAST_NOISE * this.rule.resolution);
      this.logs = new Float64Array(shapes.length * FINALS);
      this.from = new Float64Array(shapes.length);
      this.aside = new Uint8Array(shapes.length);
      shapes.forEach((shape, index) => this.lay(shape, index, last));
    }
    for (; this.counted < this.seen.length; this.counted += 1)
      for (let index = 0; index < shapes.length; index += 1)
        if (!this.aside[index]) this.count(shapes[index]!, index, this.seen[this.counted]!);
    shapes.forEach((shape, index) => {
      if (this.aside[index]) return;
      const at = index * FINALS;
      let best = 0;
      for (let k = 1; k < FINALS; k += 1) if (this.logs[at + k]! > this.logs[at + best]!) best = k;
      if (best < 2 || best > FINALS - 3) {
        this.lay(shape, index, last);
        for (let i = 0; i < this.counted; i += 1) this.count(shape, index, this.seen[i]!);
      }
    });
    this.prune();
  }

  /** Where only a few shapes explain what was seen, as many again are drawn close to them. */
  private closer(): boolean {
    const { times, at } = this.redrawn;
    if (times === REDRAWS || this.seen.length < at + FIGURES_BETWEEN) return false;
    let most = -Infinity;
    for (const one of this.logs) if (one > most) most = one;
    const weights = new Float64Array(this.shapes.length);
    for (let shape = 0; shape < weights.length; shape += 1)
      if (!this.aside[shape])
        for (let i = shape * FINALS; i < (shape + 1) * FINALS; i += 1) weights[shape]! += Math.exp(this.logs[i]! - most);
    if (effectiveNumber(weights) >= FEW) return false;
    // One or two shapes alone say where, but not how wide.
    const { shapes, logs } = redrawShapes({ card: this.rule.card, shapes: this.shapes, weights: softened(weights, FEW / 2) });
    this.shapes = shapes;
    this.prior = logs;
    this.redrawn = { times: times + 1, at: this.seen.length };
    this.logs = new Float64Array(0);
    this.counted = 0;
    return true;
  }

  private prune(): void {
    const best = this.shapes.map((_shape, index) => {
      let most = -Infinity;
      if (!this.aside[index]) for (let k = index * FINALS; k < (index + 1) * FINALS; k += 1) most = Math.max(most, this.logs[k]!);
      return most;
    });
    const most = best.reduce((a, b) => Math.max(a, b), -Infinity);
    best.forEach((own, index) => {
      if (own > most - HOPELESS || this.aside[index]) return;
      this.aside[index] = 1;
      this.logs.fill(-Infinity, index * FINALS, (index + 1) * FINALS);
    });
  }

  private lay(shape: ResponseShape, index: number, last: Seen): void {
    const recent = this.recent.filter((one) => one.seconds > last.seconds - 3);
    const mean = recent.reduce((sum, one) => sum + one.value, 0) / recent.length - this.rule.before;
    const middle = mean / Math.max(0.02, reached(shape, last.seconds - 1.5));
    this.from[index] = middle - ((FINALS - 1) / 2) * this.apart;
    this.logs.fill(this.prior[index]!, index * FINALS, (index + 1) * FINALS);
  }

  private count(shape: ResponseShape, index: number, { seconds, value }: Seen): void {
    const { before, resolution } = this.rule;
    const share = reached(shape, seconds);
    const first = this.from[index]!;
    const scatter = MISFIT * (first + (FINALS / 2) * this.apart) * (1 - share);
    const per = 1 / Math.sqrt(this.noise ** 2 + scatter ** 2);
    const half = (resolution / 2) * per;
    const step = this.apart * share * per;
    let off = (value - before - first * share) * per;
    for (let k = index * FINALS; k < (index + 1) * FINALS; k += 1) {
      this.logs[k]! += Math.log(cumulative(off + half) - cumulative(off - half) + 1e-6);
      off -= step;
    }
  }

  /** From figure to figure, free of the trend and of the rounding: second differences of the last seconds. */
  private scatter(): number {
    const last = this.recent.at(-1)!.seconds;
    const values = this.recent.filter((one) => one.seconds > last - SCATTER_SECONDS).map((one) => one.value);
    // Figures that come seldom bend from one to the next: that is no noise.
    if (values.length < 2 * SCATTER_SECONDS) return 0.25 * this.rule.resolution;
    let sum = 0;
    for (let i = 2; i < values.length; i += 1) sum += (values[i]! - 2 * values[i - 1]! + values[i - 2]!) ** 2;
    return Math.sqrt(Math.max(0, sum / (6 * (values.length - 2)) - this.rule.resolution ** 2 / 12));
  }
}

const BINS = 240;
/** The histogram reaches so many times the limit. */
const REACH = 6;

/** Cumulative normal distribution from a table, to 1e-4. */
const cumulative = (x: number): number => (x <= -6 ? 0 : x >= 6 ? 1 : TABLE[Math.round((x + 6) * 500)]!);
const TABLE = Float64Array.from({ length: 6001 }, (_one, i) => normalCdf((i - 3000) / 500));
