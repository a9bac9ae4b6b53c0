import { requireAbove, requireRange } from '../range-error';
import { normalQuantile } from './normal';

/**
 * Wilson's interval of a proportion, two-sided.
 * Quantity: shares 0 to 1; arguments: whole successes 0 to trials, whole trials from 1, confidence in (0, 1). Errors: RangeError.
 * Source: Wilson 1927 (J. Am. Stat. Assoc. 22, 209).
 *
 * @example
 * wilsonInterval({ successes: 45, trials: 50, confidence: 0.95 }) // { lower: 0.786, upper: 0.957 }
 */
export function wilsonInterval({ successes, trials, confidence }: { successes: number; trials: number; confidence: number }): {
  lower: number;
  upper: number;
} {
  requireRange('trials', trials, 1, 1e9);
  requireRange('successes', successes, 0, trials);
  if (!Number.isInteger(trials)) throw new RangeError(`trials must be a whole number, got ${trials}`);
  if (!Number.isInteger(successes)) throw new RangeError(`successes must be a whole number, got ${successes}`);
  requireAbove('confidence', confidence, 0, 0.999999999);
  const z = normalQuantile((1 + confidence) / 2);
  const p = successes / trials;
  const centre = p + z ** 2 / (2 * trials);
  const half = z * Math.sqrt((p * (1 - p)) / trials + z ** 2 / (4 * trials ** 2));
  const scale = 1 + z ** 2 / trials;
  return {
    lower: successes === 0 ? 0 : Math.max(0, (centre - half) / scale),
    upper: successes === trials ? 1 : Math.min(1, (centre + half) / scale),
  };
}

/** Lower end of the two-sided interval; arguments and source as `wilsonInterval`. */
export function wilsonLowerBound(given: { successes: number; trials: number; confidence: number }): number {
  return wilsonInterval(given).lower;
}
