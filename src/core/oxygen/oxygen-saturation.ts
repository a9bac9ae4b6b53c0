import { requireRange } from '../range-error';
import { oxygenSolubility } from './oxygen-solubility';
import { ONE_ATMOSPHERE } from './vapour-pressure';

interface Water {
  concentrationMgPerL: number;
  temperatureC: number;
  salinity: number;
}

/**
 * Saturation of oxygen at the pressure of the place ("local").
 * Quantity: per cent; arguments: mg/L 0 to 60, °C 0 to 40, hPa 500 to 1100, practical salinity 0 to 40. Errors: RangeError.
 * Source: Benson and Krause 1984, as in APHA 4500-O.
 *
 * @example
 * oxygenSaturationPercent({ concentrationMgPerL: 9.092, temperatureC: 20, pressureHPa: 1013.25, salinity: 0 }) // 100.0
 */
export function oxygenSaturationPercent({
  concentrationMgPerL,
  temperatureC,
  pressureHPa,
  salinity,
}: Water & { pressureHPa: number }): number {
  requireRange('concentrationMgPerL', concentrationMgPerL, 0, 60);
  return (concentrationMgPerL / oxygenSolubility({ temperatureC, pressureHPa, salinity })) * 100;
}

/**
 * The same water in per cent of saturation at 1 atm ("barometric pressure not corrected"): lower than the local figure above sea level.
 * Quantity: per cent; arguments and errors as `oxygenSaturationPercent`, without a pressure.
 *
 * @example
 * oxygenPercentOfOneAtmosphere({ concentrationMgPerL: 8.162, temperatureC: 20, salinity: 0 }) // 89.8
 */
export function oxygenPercentOfOneAtmosphere(water: Water): number {
  return oxygenSaturationPercent({ ...water, pressureHPa: ONE_ATMOSPHERE });
}
