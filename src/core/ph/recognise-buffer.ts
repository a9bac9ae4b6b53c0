import type { Table } from '../quantity/interpolate-table';
import { requireAbove, requireRange } from '../range-error';
import { bufferRange, bufferValue, type BufferId } from './buffer-value';
import { nernstSlope } from './nernst-slope';

/** What an electrode that is still worth calibrating may be off: ± 30 mV at pH 7, 90 to 105 % of the slope (USP <791>; read from memory). */
const OFFSET_MV = 30;
const SLOPE_SHARES = [0.9, 1.05];

/**
 * Names the buffer that an electrode stands in, from its millivolts and temperature.
 * Arguments: mV (-2000 to 2000), °C, the set of buffers in use, the electrode's last offset (mV at pH 7, 0 by default) and slope (% of Nernst, 100 by default), tables of lots.
 * Returns null when none fits a plausible electrode, or two do. A buffer without a value at this temperature is no candidate.
 * Errors: RangeError, also where no buffer of the set has a value at the temperature. Source: Nernst equation; the limits of a plausible electrode are common practice.
 *
 * @example
 * recogniseBuffer({ millivolts: 175, temperatureC: 25, set: ['technical-4.01', 'technical-7.00'] }) // { buffer: 'technical-4.01', pH: 4.01 }
 */
export function recogniseBuffer({
  millivolts,
  temperatureC,
  set,
  offsetMv = 0,
  slopePercent = 100,
  lotTables = {},
}: {
  millivolts: number;
  temperatureC: number;
  set: BufferId[];
  offsetMv?: number;
  slopePercent?: number;
  lotTables?: Partial<Record<BufferId, Table>>;
}): { buffer: BufferId; pH: number } | null {
  requireRange('millivolts', millivolts, -2000, 2000);
  requireRange('offsetMv', offsetMv, -200, 200);
  requireAbove('slopePercent', slopePercent, 0, 150);
  const slope = (nernstSlope({ temperatureC }) * slopePercent) / 100;
  const candidates = set.filter((buffer) => hasValue(lotTables[buffer], buffer, temperatureC));
  if (set.length > 0 && candidates.length === 0) {
    throw new RangeError(
      `temperatureC must lie within the table of a buffer of the set (${set.join(', ')}), got ${temperatureC}`,
    );
  }
  const fitting = candidates
    .map((buffer) => ({
      buffer,
      pH: bufferValue({ buffer, temperatureC, ...(lotTables[buffer] ? { lotTable: lotTables[buffer] } : {}) }),
    }))
    .filter(({ pH }) => {
      const expected = SLOPE_SHARES.map((share) => offsetMv + slope * share * (7 - pH));
      return millivolts >= Math.min(...expected) - OFFSET_MV && millivolts <= Math.max(...expected) + OFFSET_MV;
    });
  return fitting.length === 1 ? fitting[0]! : null;
}

function hasValue(lotTable: Table | undefined, buffer: BufferId, temperatureC: number): boolean {
  const [lowest, highest] = lotTable ? [lotTable[0]![0], lotTable[lotTable.length - 1]![0]] : bufferRange(buffer);
  return temperatureC >= lowest && temperatureC <= highest;
}
