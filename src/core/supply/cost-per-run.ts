import { requireAbove, requireRange } from '../range-error';

/**
 * What the gas of one run costs, waste counted.
 * Quantity: the currency of the price; arguments: price of the full cylinder (at least 0), its litres (above 0), flow in L/min, minutes of gas a run, waste share.
 * Errors: RangeError. Source: arithmetic.
 *
 * @example
 * costPerRun({ price: 170, contentL: 34, flowLPerMin: 0.5, minutes: 2, wasteFactor: 0.13 }) // 5.65
 */
export function costPerRun({
  price,
  contentL,
  flowLPerMin,
  minutes,
  wasteFactor,
}: {
  price: number;
  contentL: number;
  flowLPerMin: number;
  minutes: number;
  wasteFactor: number;
}): number {
  requireRange('price', price, 0, Infinity);
  requireAbove('contentL', contentL, 0);
  requireAbove('flowLPerMin', flowLPerMin, 0);
  requireAbove('minutes', minutes, 0);
  requireRange('wasteFactor', wasteFactor, 0, 10);
  return (price / contentL) * flowLPerMin * minutes * (1 + wasteFactor);
}
