import { requireAbove, requireRange } from '../range-error';
import { coverageFactor } from '../uncertainty/student';
import { nonNegativeFit } from './non-negative-fit';
import type { Sample } from './sample';

export type EstimateReason = 'tooFewReadings' | 'barelyMoves' | 'wrongShape' | 'tooEarly';
export type FinalEstimate =
  | { value: number; low: number; high: number; standard: number; reason: null }
  | { value: null; reason: EstimateReason; sentence: string };

/** Time constants that a response may be made of, shortest to slowest, in shares of the slowest. */
const TIME_CONSTANTS = 9;
const SHORTEST_SHARE = 0.02;

/**
 * Early estimate of where a response will settle, with an interval that holds the true final value, so that gas can be closed as soon as the error left is proved small.
 * The response is taken as any sum of decaying exponentials of one sign with time constants up to the slowest stated one, not as first order; the interval holds every final value
 * that such a sum can reach without fitting the readings worse than their noise allows, widened by half a display step.
 * Unit: that of the values. Arguments: samples in time order from gas on (s), display resolution above 0, the change expected from the gas (0 if not known), coverage in (0, 1) 0.95
 * by default, slowest time constant in s (60 by default: T90 of 138 s), widest interval worth saying, as a share of the change seen (0.1 by default, half-width).
 * Says nothing, with the reason, for too few readings, a change under half of the expected one (poisoned, no gas, wrong bottle), a curve of another shape, or too early.
 * Errors: RangeError. Source: step response of first-order elements in series and parallel; profile of the sum of squares (JCGM 100:2008, G.3 for t).
 *
 * @example
 * estimateFinal({ samples, resolution: 1, expectedChange: 50 }) // { value: 50.3, low: 49.4, high: 51.2, standard: 0.46, reason: null }
 */
export function estimateFinal({
  samples,
  resolution,
  expectedChange = 0,
  coverage = 0.95,
  slowestSeconds = 60,
  widest = 0.1,
}: {
  samples: readonly Sample[];
  resolution: number;
  expectedChange?: number;
  coverage?: number;
  slowestSeconds?: number;
  widest?: number;
}): FinalEstimate {
  requireAbove('resolution', resolution, 0);
  requireRange('expectedChange', expectedChange, -Infinity, Infinity);
  requireAbove('coverage', coverage, 0, 0.9999);
  requireAbove('slowestSeconds', slowestSeconds, 0, 3600);
  requireAbove('widest', widest, 0, 1);
  const readings = samples.filter((sample): sample is { seconds: number; value: number } => sample.value !== null);
  if (readings.length < 16) return nothing('tooFewReadings');
  const change = mean(readings.slice(-4)) - readings[0]!.value;
  if (Math.abs(change) < Math.max(5 * resolution, Math.abs(expectedChange) / 2) || change * expectedChange < 0)
    return nothing('barelyMoves');
  const tail = tailOf(readings, change);
  if (tail.length < 12) return nothing('tooFewReadings');
  const fit = new MonotoneFit(tail, Math.sign(change), slowestSeconds);
  const dof = tail.length - 4;
  const best = fit.best(Math.abs(change), resolution);
  const scatter = noiseOf(tail);
  const variance = Math.max(fit.squares(best) / dof, resolution ** 2 / 12);
  // Much more left over than from reading to reading: no sum of decaying exponentials goes through this curve.
  if (fit.squares(best) / dof > 4 * (scatter ** 2 + resolution ** 2 / 12)) return nothing('wrongShape');
  const k = coverageFactor({ coverage, dof });
  const [low, high] = fit.range(best, fit.squares(best) + k ** 2 * variance, Math.abs(change));
  const ends = change > 0 ? [low - resolution / 2, high + resolution / 2] : [-high - resolution / 2, -low + resolution / 2];
  const half = (ends[1]! - ends[0]!) / 2;
  if (!(half <= Math.max(widest * Math.abs(change), resolution))) return nothing('tooEarly');
  return { value: (ends[0]! + ends[1]!) / 2, low: ends[0]!, high: ends[1]!, standard: half / k, reason: null };
}

const SENTENCE: Record<EstimateReason, string> = {
  tooFewReadings: 'Too few readings yet.',
  barelyMoves: 'It moves far less than the gas asks for, or the wrong way: no estimate.',
  wrongShape: 'This is no settling curve: no estimate.',
  tooEarly: 'Too early to say where it settles.',
};

function nothing(reason: EstimateReason): FinalEstimate {
  return { value: null, reason, sentence: SENTENCE[reason] };
}

type Reading = { seconds: number; value: number };
const mean = (readings: Reading[]) => readings.reduce((sum, reading) => sum + reading.value, 0) / readings.length;

/** From where half of the change was reached: what lies before (dead volume, the hand on the valve) has a shape of its own. */
function tailOf(readings: Reading[], change: number): Reading[] {
  const start = readings.findIndex((reading) => (reading.value - readings[0]!.value) / change >= 0.5);
  return readings.slice(Math.max(0, start));
}

/** Scatter from reading to reading, free of the trend: second differences. */
function noiseOf(readings: Reading[]): number {
  let sum = 0;
  for (let i = 2; i < readings.length; i += 1)
    sum += (readings[i]!.value - 2 * readings[i - 1]!.value + readings[i - 2]!.value) ** 2;
  return Math.sqrt(sum / (6 * (readings.length - 2)));
}

/** The fit final - Σ aⱼ·e^(-t/τⱼ) with aⱼ ≥ 0 for a given final value; the response is turned so that it rises. */
class MonotoneFit {
  private readonly gram: Float64Array;
  private readonly ones: Float64Array;
  private readonly products: Float64Array;
  private readonly n: number;
  private sum = 0;
  private sumSquares = 0;
  private readonly highest: number;

  constructor(readings: Reading[], sign: number, slowest: number) {
    const m = TIME_CONSTANTS;
    const start = readings[0]!.seconds;
    this.n = readings.length;
    this.gram = new Float64Array(m * m);
    this.ones = new Float64Array(m);
    this.products = new Float64Array(m);
    this.highest = Math.max(...readings.map((reading) => reading.value * sign));
    const taus = Array.from({ length: m }, (_unused, j) => slowest * SHORTEST_SHARE ** (j / (m - 1)));
    const row = new Float64Array(m);
    for (const reading of readings) {
      const y = reading.value * sign;
      this.sum += y;
      this.sumSquares += y * y;
      for (let j = 0; j < m; j += 1) row[j] = Math.exp(-(reading.seconds - start) / taus[j]!);
      for (let j = 0; j < m; j += 1) {
        this.ones[j] = this.ones[j]! + row[j]!;
        this.products[j] = this.products[j]! + row[j]! * y;
        for (let i = 0; i < m; i += 1) this.gram[j * m + i] = this.gram[j * m + i]! + row[j]! * row[i]!;
      }
    }
  }

  /** Sum of squares left for a final value: convex in it. */
  squares(final: number): number {
    const right = this.ones.map((one, j) => final * one - this.products[j]!);
    const whole = this.n * final * final - 2 * final * this.sum + this.sumSquares;
    return Math.max(0, whole + 2 * nonNegativeFit(this.gram, right).minimum);
  }

  best(change: number, resolution: number): number {
    const ratio = (Math.sqrt(5) - 1) / 2;
    let [a, b] = [this.highest - 0.3 * change - 2 * resolution, this.highest + 2 * change];
    for (let i = 0; i < 40; i += 1) {
      const [c, d] = [b - ratio * (b - a), a + ratio * (b - a)];
      if (this.squares(c) < this.squares(d)) b = d;
      else a = c;
    }
    return (a + b) / 2;
  }

  /** The final values on both sides at which the sum of squares reaches a limit. */
  range(best: number, limit: number, change: number): [low: number, high: number] {
    const edge = (direction: 1 | -1) => {
      let inside = 0;
      let outside = change / 64;
      while (this.squares(best + direction * outside) < limit && outside < 8 * change) {
        inside = outside;
        outside *= 2;
      }
      for (let i = 0; i < 24; i += 1) {
        const middle = (inside + outside) / 2;
        if (this.squares(best + direction * middle) < limit) inside = middle;
        else outside = middle;
      }
      return best + direction * outside;
    };
    return [edge(-1), edge(1)];
  }
}
