import { Dec } from '../quantity/decimal';
import type { Fact } from '../words/say';
import { certified, type Component } from './component';
import { coverageOf } from './coverage';

const HALVINGS = 40;

/**
 * A budget brought up to the smallest U that the workshop claims: a reserve joins it as one more component, so that U is still what the budget adds up to.
 * Quantity: least in the unit of the result, at least 0; it is met after rounding to two digits. A budget that is large enough comes back as it is. Errors: RangeError.
 *
 * @example
 * withReserve({ budget: [certified({ id: 'reference', expanded: 0.8, k: 2, basis })], least: 1, coverage: 0.9545, basis }).length // 2
 */
export function withReserve({
  budget,
  least,
  coverage,
  basis,
}: {
  budget: Component[];
  least: number;
  coverage: number;
  basis: Fact;
}): Component[] {
  if (coverageOf(budget, coverage).expanded >= least) return budget;
  const wanted = new Dec(least).toSignificantDigits(2, Dec.ROUND_UP).toNumber();
  const joined = (standard: number) => [...budget, certified({ id: 'scope', expanded: 2 * standard, k: 2, basis })];
  let [low, high] = [0, wanted];
  for (let i = 0; i < HALVINGS; i += 1) {
    const middle = (low + high) / 2;
    if (coverageOf(joined(middle), coverage).expanded < wanted) low = middle;
    else high = middle;
  }
  return joined(high);
}
