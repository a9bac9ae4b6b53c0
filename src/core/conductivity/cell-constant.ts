import { requireAbove } from '../range-error';

/**
 * Cell constant from a standard and the conductance that the cell shows in it.
 * Quantity: 1/cm; arguments: standard in µS/cm and conductance in µS, both above 0. Errors: RangeError. Source: K = κ / G, definition (ISO 7888:1985).
 *
 * @example
 * cellConstant({ standardUsPerCm: 1413, conductanceUs: 1500 }) // 0.942
 */
export function cellConstant({ standardUsPerCm, conductanceUs }: { standardUsPerCm: number; conductanceUs: number }): number {
  requireAbove('standardUsPerCm', standardUsPerCm, 0);
  requireAbove('conductanceUs', conductanceUs, 0);
  return standardUsPerCm / conductanceUs;
}

export interface CellReading {
  standardUsPerCm: number;
  conductanceUs: number;
}

/**
 * One cell constant from several standards: the one that leaves the smallest relative deviations, with what each standard deviates by.
 * Quantity: 1/cm and per cent; range: at least one reading, all figures above 0. Errors: RangeError.
 * Source: least squares on the relative deviations (common practice: 84, 1413 and 12 880 µS/cm together).
 *
 * @example
 * cellConstantFrom({ readings: [{ standardUsPerCm: 1413, conductanceUs: 1413 }, { standardUsPerCm: 12880, conductanceUs: 12752.5 }] })
 * // { cellConstant: 1.005, deviationsPercent: [0.5, -0.5] }
 */
export function cellConstantFrom({ readings }: { readings: CellReading[] }): {
  cellConstant: number;
  deviationsPercent: number[];
  spreadPercent: number;
} {
  if (readings.length === 0) throw new RangeError('readings must hold at least one reading, got 0');
  const each = readings.map((reading) => cellConstant(reading));
  // Minimises Σ (K·G/κ - 1)², so that every standard weighs the same whatever its size.
  const constant = each.reduce((sum, k) => sum + 1 / k, 0) / each.reduce((sum, k) => sum + 1 / (k * k), 0);
  const deviationsPercent = each.map((k) => (constant / k - 1) * 100);
  return {
    cellConstant: constant,
    deviationsPercent,
    spreadPercent: Math.max(...deviationsPercent) - Math.min(...deviationsPercent),
  };
}
