import { requireAbove } from '../range-error';
import type { ControlLimits } from './control-limits';

/** Weight of the newest value; common practice, finds shifts of about one standard deviation early. */
export const LAMBDA = 0.3;

/**
 * Exponentially weighted moving averages of values, beginning at the centre, and their limits at three standard deviations: what creeps shows here before a single value stands out.
 * Arguments: lambda above 0, to 1. Errors: RangeError. Source: Roberts (1959); NIST/SEMATECH e-Handbook of Statistical Methods, 6.3.2.4, with the limit of a long chart.
 *
 * @example
 * ewma({ values: [52, 47], limits: { centre: 50, sigma: 2.0539, n: 20 } }).means // [50.6, 49.52]
 */
export function ewma({
  values,
  limits: { centre, sigma },
  lambda = LAMBDA,
}: {
  values: readonly number[];
  limits: ControlLimits;
  lambda?: number;
}): { means: number[]; lower: number; upper: number } {
  requireAbove('lambda', lambda, 0, 1);
  let mean = centre;
  const means = values.map((value) => (mean = lambda * value + (1 - lambda) * mean));
  const reach = 3 * sigma * Math.sqrt(lambda / (2 - lambda));
  return { means, lower: centre - reach, upper: centre + reach };
}
