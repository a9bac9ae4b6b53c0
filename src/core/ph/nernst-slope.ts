import { requireRange } from '../range-error';

const GAS_CONSTANT = 8.314462618;
const FARADAY = 96485.33212;

/**
 * Theoretical slope of a pH electrode.
 * Quantity: mV per pH, positive; argument: °C, -5 to 150. Errors: RangeError.
 * Source: ln(10)·R·T/F with the CODATA 2018 constants.
 *
 * @example
 * nernstSlope({ temperatureC: 25 }) // 59.1593
 */
export function nernstSlope({ temperatureC }: { temperatureC: number }): number {
  requireRange('temperatureC', temperatureC, -5, 150);
  return ((Math.LN10 * GAS_CONSTANT * (temperatureC + 273.15)) / FARADAY) * 1000;
}
