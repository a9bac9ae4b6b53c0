import { requireRange } from '../range-error';

/** Pairs of argument and value, arguments rising. */
export type Table = readonly (readonly [argument: number, value: number])[];

/**
 * Value of a table, on straight lines between its entries.
 * Quantity and unit: the table's; range: from the first to the last argument. Errors: RangeError outside, or for a table that does not rise.
 *
 * @example
 * interpolateTable({ table: [[20, 7.02], [25, 7]], name: 'temperatureC', at: 22.5 }) // 7.01
 */
export function interpolateTable({ table, name, at }: { table: Table; name: string; at: number }): number {
  if (table.length === 0) throw new RangeError('table must hold at least one entry, got 0');
  table.forEach(([argument, value], index) => {
    if (!Number.isFinite(argument) || !Number.isFinite(value) || (index > 0 && argument <= table[index - 1]![0])) {
      throw new RangeError(`table must rise from entry to entry, got ${argument} at entry ${index + 1}`);
    }
  });
  requireRange(name, at, table[0]![0], table[table.length - 1]![0]);
  const upper = table.findIndex(([argument]) => argument >= at);
  const [x1, y1] = table[upper]!;
  if (x1 === at) return y1;
  const [x0, y0] = table[upper - 1]!;
  return y0 + ((y1 - y0) * (at - x0)) / (x1 - x0);
}
