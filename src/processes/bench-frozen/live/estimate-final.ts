import { requireAbove, requireRange } from '@/core/range-error';
import { coverageFactor } from '@/core/uncertainty/student';
import { MonotoneFit } from './monotone-fit';
import type { Sample } from '@/core/stability/sample';

/** Largest share of the change still to come for which an estimate is given. */
const MOST_TO_COME = 0.15;

export type EstimateReason = 'tooFewReadings' | 'barelyMoves' | 'wrongShape' | 'tooEarly';
export type FinalEstimate =
  | { value: number; low: number; high: number; standard: number; reason: null }
  | { value: null; reason: EstimateReason; sentence: string };

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
  const sign = Math.sign(change);
  const fit = new MonotoneFit(
    tail.map(({ seconds, value }) => ({ seconds, value: value * sign })),
    slowestSeconds,
  );
  const dof = tail.length - 4;
  const rounding = resolution ** 2 / 12;
  const variance = Math.max(fit.leftOver / dof, rounding);
  // Much more left over than from reading to reading: no sum of decaying exponentials goes through this curve.
  if (fit.leftOver / dof > 4 * (noiseOf(tail) ** 2 + rounding)) return nothing('wrongShape');
  if (fit.gainOfSlower > 4 * variance) return nothing('tooEarly');
  // While a good part is still to come, a time constant outside the stated range could not be told from one inside.
  if (fit.final - mean(tail.slice(-4)) * sign > MOST_TO_COME * Math.abs(change)) return nothing('tooEarly');
  const k = coverageFactor({ coverage, dof });
  const limit = fit.leftOver + k ** 2 * variance;
  const low = fit.edge(-1, limit, Math.abs(change)) - resolution / 2;
  const high = fit.edge(1, limit, 4 * Math.abs(change)) + resolution / 2;
  const ends = change > 0 ? [low, high] : [-high, -low];
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
