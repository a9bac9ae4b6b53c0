import { requireAbove, requireRange } from '../range-error';
import { normalCdf } from './normal';

/**
 * Probability that the true value lies within its limits, given the measured one.
 * Quantity: 0 to 1; arguments in one unit: value, standard uncertainty above 0, lower and upper limit (either may be infinite). Errors: RangeError.
 * Source: JCGM 106:2012, 7.3 (normal distribution): Φ((TU - y)/u) - Φ((TL - y)/u).
 *
 * @example
 * conformityProbability({ value: 4, standard: 1, lower: -5, upper: 5 }) // 0.8413
 */
export function conformityProbability({
  value,
  standard,
  lower,
  upper,
}: {
  value: number;
  standard: number;
  lower: number;
  upper: number;
}): number {
  requireRange('value', value, -Infinity, Infinity);
  requireAbove('standard', standard, 0);
  if (Number.isNaN(lower) || Number.isNaN(upper) || !(upper >= lower))
    throw new RangeError(`upper must be at least the lower limit ${lower}, got ${upper}`);
  // Far above the value both limits have a chance near 1, and their difference would be lost: there the upper tails are taken.
  const mirrored = lower > value;
  const [from, to] = mirrored ? [value - upper, value - lower] : [lower - value, upper - value];
  return Math.min(1, Math.max(0, chance(to / standard) - chance(from / standard)));
}

const chance = (z: number): number => (z === Infinity ? 1 : z === -Infinity ? 0 : normalCdf(z));
