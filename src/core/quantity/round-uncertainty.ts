import { Dec } from './decimal';
import { requireAbove } from '../range-error';
import { roundHalfEven } from './round-half-even';

/**
 * Expanded uncertainty as stated: two significant digits. The places it needs tell how the result beside it is rounded.
 * Quantity: any; range: above 0. Errors: RangeError for zero, negative or not finite.
 * Source: JCGM 100:2008, 7.2.6 (at most two significant digits; the result rounded to match).
 *
 * @example
 * roundUncertainty({ expanded: 1.2345 }) // { text: '1.2', places: 1 }
 * roundUncertainty({ expanded: 0.0996 }) // { text: '0.10', places: 2 }
 */
export function roundUncertainty({ expanded }: { expanded: number }): { text: string; places: number } {
  requireAbove('expanded', expanded, 0);
  const rounded = new Dec(expanded).toSignificantDigits(2, Dec.ROUND_HALF_EVEN);
  const places = Math.max(0, 1 - rounded.exponent());
  return { text: roundHalfEven({ value: rounded.toFixed(), places }), places };
}
