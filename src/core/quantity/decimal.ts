import Decimal from 'decimal.js-light';

/** Decimal arithmetic for displayed figures: enough digits that no reading or tolerance is ever rounded by the tool. */
export const Dec = Decimal.clone({ precision: 40, rounding: Decimal.ROUND_HALF_EVEN, toExpNeg: -40, toExpPos: 40 });
export type Dec = Decimal;

/**
 * The greater of two amounts of one unit.
 *
 * @example
 * greaterOf(new Dec('0.3'), 1).toFixed() // '1'
 */
export function greaterOf(one: Dec | number | string, other: Dec | number | string): Dec {
  const [a, b] = [new Dec(one), new Dec(other)];
  return a.lt(b) ? b : a;
}

const PLAIN = /^[+-]?\d+(\.\d+)?$/;

/**
 * Reads a plain decimal text ("0.50", "-3") without passing through binary.
 * Errors: RangeError for anything that is no plain decimal.
 */
export function parseDecimal(name: string, text: string): Dec {
  if (!PLAIN.test(text)) throw new RangeError(`${name} must be a plain decimal such as 0.50, got "${text}"`);
  // A display may show its plus; the arithmetic knows a minus only.
  return new Dec(text.replace(/^\+/, ''));
}

/**
 * Number of digits after the point of a plain decimal text.
 *
 * @example
 * decimalPlaces('0.50') // 2
 */
export function decimalPlaces(text: string): number {
  const point = text.indexOf('.');
  return point < 0 ? 0 : text.length - point - 1;
}
