import { requireAbove, requireRange } from '../range-error';

/** CODATA 2018. */
const GAS_CONSTANT = 8.314462618;

interface State {
  temperatureC: number;
  pressureHPa: number;
}

/**
 * Volume of one mole of an ideal gas.
 * Quantity: L/mol; arguments: °C -100 to 200, hPa 100 to 2000. Errors: RangeError. Source: ideal gas law, CODATA 2018 constants.
 *
 * @example
 * molarVolume({ temperatureC: 25, pressureHPa: 1013.25 }) // 24.4654
 */
export function molarVolume({ temperatureC, pressureHPa }: State): number {
  requireRange('temperatureC', temperatureC, -100, 200);
  requireRange('pressureHPa', pressureHPa, 100, 2000);
  return (GAS_CONSTANT * (temperatureC + 273.15) * 10) / pressureHPa;
}

/**
 * Mass concentration of a gas from its volume fraction.
 * Quantity: mg/m³; arguments: ppm 0 to 1 000 000, molar mass in g/mol (above 0 to 1000), °C and hPa as `molarVolume`. Errors: RangeError. Source: ideal gas law.
 *
 * @example
 * ppmToMgPerM3({ ppm: 1, molarMass: 28.01, temperatureC: 25, pressureHPa: 1013.25 }) // 1.145 (CO)
 */
export function ppmToMgPerM3({ ppm, molarMass, ...state }: { ppm: number; molarMass: number } & State): number {
  requireRange('ppm', ppm, 0, 1_000_000);
  requireAbove('molarMass', molarMass, 0, 1000);
  return (ppm * molarMass) / molarVolume(state);
}

/**
 * The reverse: volume fraction from mass concentration.
 * Quantity: ppm; arguments: mg/m³ (at least 0), the others as `ppmToMgPerM3`. Errors: RangeError.
 *
 * @example
 * mgPerM3ToPpm({ mgPerM3: 1.145, molarMass: 28.01, temperatureC: 25, pressureHPa: 1013.25 }) // 1.000
 */
export function mgPerM3ToPpm({ mgPerM3, molarMass, ...state }: { mgPerM3: number; molarMass: number } & State): number {
  requireRange('mgPerM3', mgPerM3, 0, Infinity);
  requireAbove('molarMass', molarMass, 0, 1000);
  return (mgPerM3 * molarVolume(state)) / molarMass;
}
