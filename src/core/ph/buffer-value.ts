import { interpolateTable, type Table } from '../quantity/interpolate-table';

export type BufferId =
  | 'tetroxalate'
  | 'phthalate'
  | 'phosphate'
  | 'phosphate-physiological'
  | 'borax'
  | 'carbonate'
  | 'technical-4.01'
  | 'technical-7.00'
  | 'technical-10.01';

const at = (temperatures: number[], values: number[]): Table => temperatures.map((t, i) => [t, values[i]!] as const);
const STEP5 = [0, 5, 10, 15, 20, 25, 30, 35, 37, 40, 45, 50];
const STEP10 = [0, 10, 20, 25, 30, 40, 50];

/**
 * pH over temperature. Primary buffers: IUPAC Recommendations 2002 (Buck et al., Pure Appl. Chem. 74, 2169, table 2 / DIN 19266), from memory;
 * technical buffers: typical bottle labels, from memory. A lot's own table overrides these.
 */
const TABLES: Record<BufferId, Table> = {
  tetroxalate: at(STEP5.slice(1), [1.668, 1.67, 1.672, 1.675, 1.679, 1.683, 1.688, 1.691, 1.694, 1.7, 1.707]),
  phthalate: at(STEP5, [4.0, 3.998, 3.997, 3.998, 4.001, 4.005, 4.011, 4.018, 4.022, 4.027, 4.038, 4.05]),
  phosphate: at(STEP5, [6.984, 6.951, 6.923, 6.9, 6.881, 6.865, 6.853, 6.844, 6.841, 6.838, 6.834, 6.833]),
  'phosphate-physiological': at(STEP5, [7.534, 7.5, 7.472, 7.448, 7.429, 7.413, 7.4, 7.389, 7.386, 7.38, 7.373, 7.367]),
  borax: at(STEP5, [9.464, 9.395, 9.332, 9.276, 9.225, 9.18, 9.139, 9.102, 9.088, 9.068, 9.038, 9.011]),
  carbonate: at(STEP5, [10.317, 10.245, 10.179, 10.118, 10.062, 10.012, 9.966, 9.926, 9.91, 9.889, 9.856, 9.828]),
  'technical-4.01': at(STEP10, [4.01, 4.0, 4.0, 4.01, 4.02, 4.03, 4.06]),
  'technical-7.00': at(STEP10, [7.12, 7.06, 7.02, 7.0, 6.99, 6.97, 6.97]),
  'technical-10.01': at(STEP10, [10.32, 10.18, 10.06, 10.01, 9.97, 9.89, 9.83]),
};

export const BUFFER_IDS = Object.keys(TABLES) as BufferId[];

/** Lowest and highest temperature of a buffer's table, in °C. */
export function bufferRange(buffer: BufferId): [lowest: number, highest: number] {
  const table = tableOf(buffer);
  return [table[0]![0], table[table.length - 1]![0]];
}

function tableOf(buffer: BufferId): Table {
  const table = Object.hasOwn(TABLES, buffer) ? TABLES[buffer] : undefined;
  if (!table) throw new RangeError(`buffer must be one of ${BUFFER_IDS.join(', ')}, got ${String(buffer)}`);
  return table;
}

/**
 * pH of a buffer at the measured temperature, straight lines between the table's temperatures.
 * Quantity: pH; arguments: °C within the table (tetroxalate 5 to 50, the others 0 to 50); a lot's own table, as printed on its bottle, overrides the shipped one.
 * Errors: RangeError outside the table or for an unknown buffer. Source: see the tables above.
 *
 * @example
 * bufferValue({ buffer: 'phthalate', temperatureC: 25 }) // 4.005
 * bufferValue({ buffer: 'technical-7.00', temperatureC: 22, lotTable: [[20, 7.01], [24, 6.99]] }) // 7
 */
export function bufferValue({
  buffer,
  temperatureC,
  lotTable,
}: {
  buffer: BufferId;
  temperatureC: number;
  lotTable?: Table;
}): number {
  return interpolateTable({ table: lotTable ?? tableOf(buffer), name: 'temperatureC', at: temperatureC });
}
