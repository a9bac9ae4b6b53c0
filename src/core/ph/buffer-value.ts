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
  | 'technical-10.01'
  | 'calcium-hydroxide'
  | 'technical-2.00'
  | 'technical-9.21'
  | 'technical-11.00'
  | 'technical20-2.00'
  | 'technical20-4.00'
  | 'technical20-7.00'
  | 'technical20-9.00'
  | 'technical20-12.00'
  | 'din19267-1.09'
  | 'din19267-4.65'
  | 'din19267-6.79'
  | 'din19267-9.23'
  | 'din19267-12.75';

const at = (temperatures: number[], values: number[]): Table => temperatures.map((t, i) => [t, values[i]!] as const);
const STEP5 = [0, 5, 10, 15, 20, 25, 30, 35, 37, 40, 45, 50];
const STEP10 = [0, 10, 20, 25, 30, 40, 50];
const FROM5 = [5, 10, 15, 20, 25, 30, 35, 40, 45, 50];

/**
 * pH over temperature. Primary buffers: IUPAC Recommendations 2002 (Buck et al., Pure Appl. Chem. 74, 2169, table 2 / DIN 19266), from memory;
 * calcium hydroxide: the secondary standard of the same tables, from memory; DIN 19267 and the technical buffers (nominal at 25 or at 20 °C): typical bottle labels, from memory.
 * A lot's own table overrides these.
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
  'calcium-hydroxide': at(FROM5, [13.207, 13.003, 12.81, 12.627, 12.454, 12.289, 12.133, 11.984, 11.841, 11.705]),
  'technical-2.00': at(FROM5, [2.02, 2.01, 2.0, 2.0, 2.0, 1.99, 1.99, 1.98, 1.98, 1.98]),
  'technical-9.21': at(FROM5, [9.45, 9.38, 9.32, 9.26, 9.21, 9.16, 9.11, 9.06, 9.03, 8.99]),
  'technical-11.00': at(FROM5, [11.72, 11.54, 11.36, 11.18, 11.0, 10.82, 10.64, 10.46, 10.28, 10.1]),
  'technical20-2.00': at(FROM5, [2.01, 2.01, 2.0, 2.0, 2.0, 2.0, 2.0, 2.0, 2.0, 2.0]),
  'technical20-4.00': at(FROM5, [4.04, 4.02, 4.01, 4.0, 4.01, 4.01, 4.01, 4.01, 4.01, 4.0]),
  'technical20-7.00': at(FROM5, [7.07, 7.05, 7.02, 7.0, 6.98, 6.98, 6.96, 6.95, 6.95, 6.95]),
  'technical20-9.00': at(FROM5, [9.16, 9.11, 9.05, 9.0, 8.95, 8.91, 8.88, 8.85, 8.82, 8.79]),
  'technical20-12.00': at(FROM5, [12.41, 12.26, 12.1, 12.0, 11.88, 11.72, 11.67, 11.54, 11.44, 11.33]),
  'din19267-1.09': at(FROM5, [1.08, 1.09, 1.09, 1.09, 1.09, 1.1, 1.1, 1.1, 1.1, 1.11]),
  'din19267-4.65': at(FROM5, [4.67, 4.66, 4.66, 4.65, 4.65, 4.65, 4.65, 4.66, 4.67, 4.68]),
  'din19267-6.79': at(FROM5, [6.87, 6.84, 6.82, 6.8, 6.79, 6.78, 6.77, 6.76, 6.76, 6.76]),
  'din19267-9.23': at(FROM5, [9.43, 9.37, 9.32, 9.27, 9.23, 9.18, 9.13, 9.09, 9.04, 9.0]),
  'din19267-12.75': at(FROM5, [13.63, 13.37, 13.16, 12.96, 12.75, 12.61, 12.45, 12.29, 12.09, 11.98]),
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
 * Quantity: pH; arguments: °C within the table (`bufferRange`: 0 or 5 to 50); a lot's own table, as printed on its bottle, overrides the shipped one.
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
