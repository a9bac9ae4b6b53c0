import { Dec } from './decimal';
import { requireRange } from '../range-error';

/**
 * Rounds a decimal to a number of places, half to even, on the decimal itself and so without binary surprises.
 * Quantity: any; unit: that of the argument; range: places 0 to 20.
 * Errors: RangeError when the value is not finite or places is out of range.
 * Source: ISO 80000-1:2009, annex B, rule A (nearest even multiple).
 *
 * @example
 * roundHalfEven({ value: '2.675', places: 2 }) // '2.68'
 * roundHalfEven({ value: '2.665', places: 2 }) // '2.66'
 */
export function roundHalfEven({ value, places }: { value: string | number; places: number }): string {
  requireRange('places', places, 0, 20);
  if (String(value).trim() === '' || !Number.isFinite(Number(value)))
    throw new RangeError(`value must be finite, got ${String(value)}`);
  const decimal = new Dec(value);
  const text = decimal.toFixed(places, Dec.ROUND_HALF_EVEN);
  return /^-0(\.0*)?$/.test(text) ? text.slice(1) : text;
}
