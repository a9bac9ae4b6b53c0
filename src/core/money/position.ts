import { Dec } from '../quantity/decimal';

export const POSITION_KINDS = ['service', 'part', 'other'] as const;
export type PositionKind = (typeof POSITION_KINDS)[number];

/** One line of an offer, a job or a delivery note. Decimal texts; the amount of one, in the currency that stands beside the whole. */
export interface Position {
  what: PositionKind;
  name: string;
  partNumber: string;
  quantity: string;
  each: string;
}

/**
 * What one line comes to, to the cent, half away from nought as invoices are rounded (common practice).
 * Errors: none; the texts are checked where they are read.
 *
 * @example
 * amountOf({ quantity: '3', each: '12.50' }) // '37.50'
 */
export const amountOf = ({ quantity, each }: Pick<Position, 'quantity' | 'each'>): string =>
  new Dec(quantity).times(each).toFixed(2, Dec.ROUND_HALF_UP);

/**
 * What lines come to together: the sum of the rounded lines, so that whoever adds up the paper finds the same.
 * Errors: none.
 *
 * @example
 * totalOf([{ quantity: '3', each: '12.50' }, { quantity: '1', each: '80' }]) // '117.50'
 */
export const totalOf = (positions: readonly Pick<Position, 'quantity' | 'each'>[]): string =>
  positions.reduce((sum, one) => sum.plus(amountOf(one)), new Dec(0)).toFixed(2);
