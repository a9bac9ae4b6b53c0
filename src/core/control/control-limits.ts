import { requireRange } from '../range-error';

/** Mean range of two normal values in standard deviations: what moving ranges are divided by. */
const D2 = 1.128;
/** From fewer values no limits are drawn. */
export const LEAST_BASELINE = 8;

export interface ControlLimits {
  centre: number;
  sigma: number;
  n: number;
}

/**
 * Centre and scatter of a chart of individual values: the mean, and the mean moving range over 1.128, which a slow drift hardly widens. Values that are all equal scatter by what the display can't show: a step over √12.
 * Arguments: values in their order, finite; `resolution` in their unit, 0 or more. Null for fewer than eight. Errors: RangeError. Source: NIST/SEMATECH e-Handbook of Statistical Methods, 6.3.2.2; ISO 7870-2.
 *
 * @example
 * controlLimits({ values: [49.6, 47.6, 49.9, 51.3, 47.8, 51.2, 52.6, 52.4, 53.6, 52.1] }) // centre 50.81, sigma 1.665
 */
export function controlLimits({
  values,
  resolution = 0,
}: {
  values: readonly number[];
  resolution?: number;
}): ControlLimits | null {
  requireRange('resolution', resolution, 0, 1e9);
  values.forEach((value, index) => requireRange(`values[${index}]`, value, -1e12, 1e12));
  if (values.length < LEAST_BASELINE) return null;
  const centre = values.reduce((sum, one) => sum + one, 0) / values.length;
  const ranges = values.slice(1).map((one, index) => Math.abs(one - values[index]!));
  const sigma = ranges.reduce((sum, one) => sum + one, 0) / ranges.length / D2;
  return { centre, sigma: Math.max(sigma, resolution / Math.sqrt(12)), n: values.length };
}
