import { requireAbove, requireRange } from '../range-error';
import type { Electrode, ElectrodeSegment } from './fit-electrode';
import { nernstSlope } from './nernst-slope';

/**
 * pH that a calibrated electrode reads, at the sample's own temperature (the slope follows the Nernst equation, the isothermal point is taken at pH 7).
 * Quantity: pH; arguments: an electrode of `fitElectrode`, mV -2000 to 2000, °C -5 to 100. Beyond the buffers the outer segments go on.
 * Errors: RangeError, also for a segment whose slope is not above zero. Source: Nernst equation; DIN 19268 (memory) for the temperature correction.
 *
 * @example
 * phFromMillivolts({ electrode: fitElectrode({ points: [{ pH: 7, millivolts: 0, temperatureC: 25 }] }), millivolts: 177.4779, temperatureC: 25 }) // 4
 */
export function phFromMillivolts({
  electrode,
  millivolts,
  temperatureC,
}: {
  electrode: Pick<Electrode, 'segments' | 'offsetMv'>;
  millivolts: number;
  temperatureC: number;
}): number {
  requireRange('millivolts', millivolts, -2000, 2000);
  requireRange('temperatureC', temperatureC, -5, 100);
  requireRange('electrode.offsetMv', electrode.offsetMv, -2000, 2000);
  const nernst = nernstSlope({ temperatureC });
  const { segments } = electrode;
  segments.forEach((segment, index) => requireAbove(`electrode.segments[${index}].slopePercent`, segment.slopePercent, 0));
  if (segments.length === 0) return 7 + (electrode.offsetMv - millivolts) / nernst;
  const slope = (segment: ElectrodeSegment) => (segment.slopePercent / 100) * nernst;
  const home = segments.findIndex((segment) => segment.toPH >= 7);
  let index = home < 0 ? segments.length - 1 : home;
  let pH = 7;
  let level = electrode.offsetMv;
  // Walks from pH 7 to the segment that holds the millivolts, one way only: E falls as pH rises.
  const way = millivolts < level ? 1 : -1;
  for (;;) {
    const segment = segments[index]!;
    const found = pH + (level - millivolts) / slope(segment);
    const border = way > 0 ? segment.toPH : segment.fromPH;
    if ((found - border) * way <= 0 || segments[index + way] === undefined) return found;
    level -= slope(segment) * (border - pH);
    pH = border;
    index += way;
  }
}
