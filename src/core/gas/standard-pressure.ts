import { requireRange } from '../range-error';

/** Standard atmosphere at sea level, hPa. Source: ISO 2533:1975. */
export const STANDARD_PRESSURE_HPA = 1013.25;

/**
 * Pressure of the standard atmosphere.
 * Quantity: pressure, hPa; argument: geopotential altitude, m; range: -500 to 11 000 m. Errors: RangeError.
 * Source: ISO 2533:1975, troposphere (g 9.80665, R 287.05287, lapse 6.5 K/km).
 *
 * @example
 * standardPressure({ altitudeM: 1500 }) // 845.56
 */
export function standardPressure({ altitudeM }: { altitudeM: number }): number {
  requireRange('altitudeM', altitudeM, -500, 11000);
  return STANDARD_PRESSURE_HPA * (1 - (0.0065 * altitudeM) / 288.15) ** (9.80665 / (287.05287 * 0.0065));
}
