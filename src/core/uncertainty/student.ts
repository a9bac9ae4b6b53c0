import { requireAbove } from '../range-error';
import { incompleteBeta } from './beta';
import { normalQuantile } from './normal';

/** Two-sided probability P(|T| <= t) of Student's t with `dof` degrees of freedom. */
export function studentTwoSided(t: number, dof: number): number {
  return 1 - incompleteBeta(dof / (dof + t * t), dof / 2, 0.5);
}

/**
 * Coverage factor: the t value that holds the stated two-sided share.
 * Quantity: number; range: coverage above 0 and below 1, dof above 0 or Infinity. At 95.45 % and infinite dof it is 2 by definition.
 * Source: JCGM 100:2008, G.3 and table G.2.
 *
 * @example
 * coverageFactor({ coverage: 0.9545, dof: 10 }) // 2.284
 */
export function coverageFactor({ coverage, dof }: { coverage: number; dof: number }): number {
  requireAbove('coverage', coverage, 0, 0.999999999);
  if (!(dof > 0)) throw new RangeError(`dof must be above 0 or Infinity, got ${dof}`);
  // 95.45 % is the usual rounding of 95.449 97 %, the share within exactly two standard deviations.
  const share = coverage === 0.9545 ? 0.954499736103642 : coverage;
  if (dof === Infinity) return coverage === 0.9545 ? 2 : normalQuantile((1 + share) / 2);
  const key = `${share}/${dof}`;
  const known = found.get(key);
  if (known !== undefined) return known;
  let low = 0;
  let high = 1;
  while (studentTwoSided(high, dof) < share) high *= 2;
  for (let i = 0; i < 200 && high - low > 1e-13 * high; i += 1) {
    const middle = (low + high) / 2;
    if (studentTwoSided(middle, dof) < share) low = middle;
    else high = middle;
  }
  if (found.size >= KEPT) found.clear();
  found.set(key, (low + high) / 2);
  return (low + high) / 2;
}

/** A history asks for the same few degrees of freedom thousands of times, and each is found by halving an interval. */
const found = new Map<string, number>();
const KEPT = 500;
