import { requireRange } from '../range-error';

/** Standard pressure in hPa. */
export const ONE_ATMOSPHERE = 1013.25;

/**
 * Saturation vapour pressure over water.
 * Quantity: hPa; argument: °C, 0 to 40. Errors: RangeError. Source: Benson and Krause 1984 (Limnol. Oceanogr. 29, 620), as in APHA 4500-O.
 *
 * @example
 * vapourPressure({ temperatureC: 20 }) // 23.3
 */
export function vapourPressure({ temperatureC }: { temperatureC: number }): number {
  requireRange('temperatureC', temperatureC, 0, 40);
  const kelvin = temperatureC + 273.15;
  return Math.exp(11.8571 - 3840.7 / kelvin - 216961 / kelvin ** 2) * ONE_ATMOSPHERE;
}
