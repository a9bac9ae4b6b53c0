import { requireAbove, requireRange } from '../range-error';

/**
 * Time-weighted average of an exposure over the hours it is referred to (8 by default in the workplace); time not listed counts as none.
 * Quantity: the unit of the levels; arguments: hours each above 0 to 24, levels at least 0, reference hours above 0 to 24. Errors: RangeError.
 * Source: 29 CFR 1910.1000(d)(1)(i).
 *
 * @example
 * timeWeightedAverage({ exposures: [{ hours: 2, level: 150 }, { hours: 2, level: 75 }, { hours: 4, level: 50 }], referenceHours: 8 }) // 81.25
 */
export function timeWeightedAverage({
  exposures,
  referenceHours,
}: {
  exposures: { hours: number; level: number }[];
  referenceHours: number;
}): number {
  requireAbove('referenceHours', referenceHours, 0, 24);
  const dose = exposures.reduce((sum, { hours, level }, index) => {
    requireAbove(`exposures[${index}].hours`, hours, 0, 24);
    requireRange(`exposures[${index}].level`, level, 0, Infinity);
    return sum + hours * level;
  }, 0);
  return dose / referenceHours;
}
