import { requireAbove, requireRange } from '../range-error';
import { vapourPressure } from './vapour-pressure';

/** Volume fraction of oxygen in dry air. */
const OXYGEN_IN_AIR = 0.2095;

/**
 * Sensitivity of an oxygen probe in water-saturated air, and what that is of its sensitivity when new.
 * Quantity: signal per hPa of oxygen partial pressure, in the signal's unit (nA, µA or mV); arguments: signal in air, signal at zero oxygen (0 by default),
 * °C 0 to 40, hPa 500 to 1100, slope when new (above 0). Errors: RangeError, also where air gives no more than zero.
 * Source: linear response to the partial pressure 0.2095 · (P - p_w); common practice.
 *
 * @example
 * oxygenProbeSlope({ signal: 60, zeroSignal: 0.5, temperatureC: 25, pressureHPa: 1013.25, slopeWhenNew: 0.31 }) // { slope: 0.289…, percentOfNew: 93.4… }
 */
export function oxygenProbeSlope({
  signal,
  zeroSignal = 0,
  temperatureC,
  pressureHPa,
  slopeWhenNew,
}: {
  signal: number;
  zeroSignal?: number;
  temperatureC: number;
  pressureHPa: number;
  slopeWhenNew?: number;
}): { slope: number; percentOfNew: number | null } {
  requireRange('zeroSignal', zeroSignal, -Infinity, Infinity);
  requireAbove('signal', signal, zeroSignal);
  requireRange('pressureHPa', pressureHPa, 500, 1100);
  const slope = (signal - zeroSignal) / (OXYGEN_IN_AIR * (pressureHPa - vapourPressure({ temperatureC })));
  if (slopeWhenNew === undefined) return { slope, percentOfNew: null };
  requireAbove('slopeWhenNew', slopeWhenNew, 0);
  return { slope, percentOfNew: (slope / slopeWhenNew) * 100 };
}
