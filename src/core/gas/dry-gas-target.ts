import { Dec } from '../quantity/decimal';
import { requireAbove, requireRange } from '../range-error';

/**
 * What a breath-alcohol tester should show on dry gas at the air pressure of the place: it falls with the pressure.
 * Quantity: as the nominal; pressure in hPa, 500 to 1100; the text is rounded half to even to the display's resolution.
 * Errors: RangeError. Source: ideal gas, partial pressure proportional to total; agrees with the label table of common practice (0.038 is 0.037 at 270 m).
 *
 * @example
 * dryGasTarget({ nominal: 0.038, pressureHPa: 981.2, resolution: 0.001 }) // '0.037'
 */
export function dryGasTarget({
  nominal,
  pressureHPa,
  resolution,
}: {
  nominal: number | string;
  pressureHPa: number;
  resolution: number | string;
}): string {
  requireRange('nominal', Number(nominal), 0, Infinity);
  requireRange('pressureHPa', pressureHPa, 500, 1100);
  requireAbove('resolution', Number(resolution), 0);
  const step = new Dec(resolution);
  const steps = new Dec(nominal).times(pressureHPa).div(1013.25).div(step).toDecimalPlaces(0, Dec.ROUND_HALF_EVEN);
  return steps.times(step).toFixed(step.decimalPlaces());
}
