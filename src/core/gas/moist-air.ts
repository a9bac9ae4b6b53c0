import { requireRange } from '../range-error';

/** Oxygen in dry air, %vol. Source: U.S. Standard Atmosphere 1976, table 3 (0.209 476 by volume). */
export const DRY_AIR_OXYGEN = 20.946;

/**
 * Saturation vapour pressure over water, hPa. Range: −40 to 60 °C. Errors: RangeError.
 * Source: Magnus formula 6.112·exp(17.62 t/(243.12 + t)), WMO-No. 8.
 *
 * @example
 * saturationVapourPressure({ temperatureC: 25 }) // 31.60
 */
export function saturationVapourPressure({ temperatureC }: { temperatureC: number }): number {
  requireRange('temperatureC', temperatureC, -40, 60);
  return 6.112 * Math.exp((17.62 * temperatureC) / (243.12 + temperatureC));
}

/**
 * Oxygen that moist air holds, %vol: water vapour takes the place of dry air.
 * Ranges: −40 to 60 °C, 0 to 100 % relative humidity, 300 to 1100 hPa. Errors: RangeError. Source: Dalton's law with the Magnus formula (WMO-No. 8).
 *
 * @example
 * moistAirOxygen({ temperatureC: 25, humidityPercent: 50, pressureHPa: 1013.25 }) // 20.619
 */
export function moistAirOxygen({
  temperatureC,
  humidityPercent,
  pressureHPa,
}: {
  temperatureC: number;
  humidityPercent: number;
  pressureHPa: number;
}): number {
  requireRange('humidityPercent', humidityPercent, 0, 100);
  requireRange('pressureHPa', pressureHPa, 300, 1100);
  const vapour = (humidityPercent / 100) * saturationVapourPressure({ temperatureC });
  return DRY_AIR_OXYGEN * (1 - vapour / pressureHPa);
}
