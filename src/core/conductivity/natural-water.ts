import { interpolateTable, type Table } from '../quantity/interpolate-table';
import { requireRange } from '../range-error';

/** Factors to 25 °C at whole degrees from 0 to 35: ISO 7888:1985 (EN 27888), table of the non-linear correction for natural waters, from memory. */
const FACTORS = [
  1.918, 1.857, 1.8, 1.745, 1.693, 1.643, 1.596, 1.551, 1.508, 1.467, 1.428, 1.39, 1.354, 1.32, 1.287, 1.256, 1.225, 1.196, 1.168,
  1.141, 1.116, 1.091, 1.067, 1.044, 1.021, 1, 0.979, 0.959, 0.94, 0.921, 0.903, 0.886, 0.869, 0.853, 0.837, 0.822,
];
const TABLE: Table = FACTORS.map((factor, temperature) => [temperature, factor] as const);

/**
 * Conductivity of a natural water referred to 25 °C by the non-linear correction.
 * Quantity: conductivity in the unit given (at least 0); °C 0 to 35. Errors: RangeError.
 * Source: ISO 7888:1985, non-linear correction (table from memory, straight lines between whole degrees).
 *
 * @example
 * naturalWaterTo25({ conductivity: 350, temperatureC: 10 }) // 499.8
 */
export function naturalWaterTo25({ conductivity, temperatureC }: { conductivity: number; temperatureC: number }): number {
  requireRange('conductivity', conductivity, 0, Infinity);
  return conductivity * interpolateTable({ table: TABLE, name: 'temperatureC', at: temperatureC });
}
