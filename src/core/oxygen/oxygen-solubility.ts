import { requireRange } from '../range-error';
import { ONE_ATMOSPHERE, vapourPressure } from './vapour-pressure';

/**
 * Dissolved oxygen of air-saturated water.
 * Quantity: mg/L; arguments: °C 0 to 40, pressure in hPa 500 to 1100, practical salinity 0 to 40. Errors: RangeError.
 * Source: Benson and Krause 1984 (Limnol. Oceanogr. 29, 620), as in APHA 4500-O, with their pressure term.
 *
 * @example
 * oxygenSolubility({ temperatureC: 20, pressureHPa: 1013.25, salinity: 0 }) // 9.092
 */
export function oxygenSolubility({
  temperatureC,
  pressureHPa,
  salinity,
}: {
  temperatureC: number;
  pressureHPa: number;
  salinity: number;
}): number {
  requireRange('temperatureC', temperatureC, 0, 40);
  requireRange('pressureHPa', pressureHPa, 500, 1100);
  requireRange('salinity', salinity, 0, 40);
  const t = temperatureC + 273.15;
  const fresh = -139.34411 + 1.575701e5 / t - 6.642308e7 / t ** 2 + 1.2438e10 / t ** 3 - 8.621949e11 / t ** 4;
  const salt = salinity * (1.7674e-2 - 10.754 / t + 2140.7 / t ** 2);
  const pressure = pressureHPa / ONE_ATMOSPHERE;
  const vapour = vapourPressure({ temperatureC }) / ONE_ATMOSPHERE;
  const theta = 9.75e-4 - 1.426e-5 * temperatureC + 6.436e-8 * temperatureC ** 2;
  return Math.exp(fresh - salt) * pressure * (((1 - vapour / pressure) * (1 - theta * pressure)) / ((1 - vapour) * (1 - theta)));
}
