import { interpolateTable, type Table } from '../quantity/interpolate-table';

export type KclStandard = '84' | '1413' | '12880';

const at = (temperatures: number[], values: number[]): Table => temperatures.map((t, i) => [t, values[i]!] as const);
const STEP5 = [0, 5, 10, 15, 20, 25, 30];

/** µS/cm over °C. 1413 and 12880 (0.01 and 0.1 mol/L KCl): handbook table, from memory; 84: bottle label, from memory. */
const TABLES: Record<KclStandard, Table> = {
  '84': at([10, 15, 20, 25, 30], [60, 68, 76, 84, 92]),
  '1413': at(STEP5, [776, 896, 1020, 1147, 1278, 1413, 1552]),
  '12880': at(STEP5, [7150, 8220, 9330, 10480, 11670, 12880, 14120]),
};

export const KCL_STANDARDS = Object.keys(TABLES) as KclStandard[];

/**
 * Conductivity of a potassium chloride standard at the measured temperature, on straight lines between the table's temperatures.
 * Quantity: µS/cm; arguments: the standard by its value at 25 °C; °C 0 to 30 (10 to 30 for 84); a lot's own table overrides.
 * Errors: RangeError outside the table or for an unknown standard. Source: see the tables above.
 *
 * @example
 * kclStandard({ standard: '1413', temperatureC: 20 }) // 1278
 */
export function kclStandard({
  standard,
  temperatureC,
  lotTable,
}: {
  standard: KclStandard;
  temperatureC: number;
  lotTable?: Table;
}): number {
  const table = lotTable ?? (Object.hasOwn(TABLES, standard) ? TABLES[standard] : undefined);
  if (!table) throw new RangeError(`standard must be one of ${KCL_STANDARDS.join(', ')}, got ${String(standard)}`);
  return interpolateTable({ table, name: 'temperatureC', at: temperatureC });
}
