import { requireAbove, requireRange } from '../range-error';
import { bufferValue, type BufferId } from './buffer-value';
import { nernstSlope } from './nernst-slope';

/** How far an electrode that is still worth calibrating may lie off, in mV; beyond it nothing is recognised. Common practice: offset within ± 30 mV. */
const WINDOW_MV = 30;

/**
 * Names the buffer that an electrode stands in, from its millivolts and temperature.
 * Arguments: mV, °C, the set of buffers in use, the electrode's last offset (mV at pH 7, 0 by default) and slope (% of Nernst, 100 by default).
 * Returns null when none fits, or two do. Errors: RangeError. Source: Nernst equation; the window is common practice.
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
}: {
  millivolts: number;
  temperatureC: number;
  set: BufferId[];
  offsetMv?: number;
  slopePercent?: number;
}): { buffer: BufferId; pH: number } | null {
  requireRange('millivolts', millivolts, -2000, 2000);
  requireRange('offsetMv', offsetMv, -200, 200);
  requireAbove('slopePercent', slopePercent, 0, 150);
  const slope = (nernstSlope({ temperatureC }) * slopePercent) / 100;
  const fitting = set
    .map((buffer) => ({ buffer, pH: bufferValue({ buffer, temperatureC }) }))
    .filter(({ pH }) => Math.abs(millivolts - (offsetMv + slope * (7 - pH))) <= WINDOW_MV);
  return fitting.length === 1 ? fitting[0]! : null;
}
