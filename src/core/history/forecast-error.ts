import { requireRange } from '../range-error';
import { coverageFactor, studentTwoSided } from '../uncertainty/student';
import { LEAST_SENSORS, residualSquares, type DriftGroup, type DriftSums } from './drift-of';

/** Without sensors of its kind one needs so many steps of its own. */
export const LEAST_OWN = 5;

/** Where the next as-found error of a sensor lies, as a function of the days since it was left. */
export interface DriftOutlook {
  /** What it rests on: its own steps alone, or those of its kind with its own drawn in. */
  by: 'own' | 'kind';
  /** Per cent of the tolerance a day, with its standard uncertainty. */
  rate: number;
  sRate: number;
  noise: number;
  dof: number;
  /** How often a sensor of its kind fails from one visit to the next, drift aside. */
  failed: number;
}

/**
 * How a sensor goes, as far as its steps say: from five of its own on by a line through the origin; with what is known of its kind from the first on, its own steps drawn towards its kind's by how much each says.
 * Null where neither is enough. Errors: none. Source: regression through the origin with Student's t; with a kind, the normal-normal posterior (empirical Bayes; Efron and Morris 1975).
 *
 * @example
 * driftOutlook(sumsOf(steps), group)?.rate // −0.06
 */
export function driftOutlook(own: DriftSums, group: DriftGroup | null): DriftOutlook | null {
  if (group && group.sensors >= LEAST_SENSORS) {
    const { noise, between, rate, dof, failed } = group;
    if (between === 0 || noise === 0) return { by: 'kind', rate, sRate: Math.sqrt(between), noise, dof, failed };
    const weight = own.xx / noise + 1 / between;
    const drawn = (own.xy / noise + rate / between) / weight;
    return { by: 'kind', rate: drawn, sRate: Math.sqrt(1 / weight), noise, dof, failed };
  }
  if (own.n < LEAST_OWN || own.xx === 0) return null;
  const noise = residualSquares(own) / (own.n - 1);
  return { by: 'own', rate: own.xy / own.xx, sRate: Math.sqrt(noise / own.xx), noise, dof: own.n - 1, failed: 0 };
}

export interface ErrorForecast {
  expected: number;
  low: number;
  high: number;
  /** Probability that it is found outside ± 100 % of the tolerance. */
  outside: number;
}

/**
 * Where the as-found error will lie after so many days, with the band that holds it with the given coverage.
 * Quantity: per cent of the tolerance; range: days 0 to 36,500, coverage in (0, 1), 0.95 by default. Errors: RangeError. Source: prediction interval of one more observation (JCGM 100:2008, H.3 and G.3).
 *
 * @example
 * forecastError({ outlook, left: 2, days: 180 }).outside // 0.21
 */
export function forecastError({
  outlook,
  left,
  days,
  coverage = 0.95,
}: {
  outlook: DriftOutlook;
  left: number;
  days: number;
  coverage?: number;
}): ErrorForecast {
  requireRange('days', days, 0, 36_500);
  requireRange('left', left, -1e6, 1e6);
  const { rate, sRate, noise, dof, failed } = outlook;
  const expected = left + rate * days;
  const s = Math.sqrt(noise + (sRate * days) ** 2);
  if (s === 0) return { expected, low: expected, high: expected, outside: Math.abs(expected) > 100 ? 1 : failed };
  const reach = coverageFactor({ coverage, dof }) * s;
  const below = (value: number) => studentBelow((value - expected) / s, dof);
  return {
    expected,
    low: expected - reach,
    high: expected + reach,
    outside: failed + (1 - failed) * Math.min(1, Math.max(0, 1 - below(100) + below(-100))),
  };
}

/** P(T ≤ t) of Student's t. */
function studentBelow(t: number, dof: number): number {
  const half = studentTwoSided(Math.abs(t), dof) / 2;
  return t >= 0 ? 0.5 + half : 0.5 - half;
}
