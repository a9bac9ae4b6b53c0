import { roundHalfEven } from '../quantity/round-half-even';
import { requireRange } from '../range-error';

/**
 * Conductivity as a meter with automatic units shows it: 0.0 to 199.9 and 200 to 1999 µS/cm, then 2.00 to 19.99, 20.0 to 199.9 and from 200 mS/cm.
 * Quantity: µS/cm in, at least 0 and at most 2 000 000. Errors: RangeError. Source: common practice (over 1999 µS/cm shows mS/cm).
 *
 * @example
 * displayConductivity({ conductivityUsPerCm: 2500 }) // { value: '2.50', unit: 'mS/cm' }
 */
export function displayConductivity({ conductivityUsPerCm }: { conductivityUsPerCm: number }): {
  value: string;
  unit: 'µS/cm' | 'mS/cm';
} {
  requireRange('conductivityUsPerCm', conductivityUsPerCm, 0, 2_000_000);
  // The rounded figure decides the range: 1999.6 would show 2000, which this display has not.
  const micro = (places: number) => roundHalfEven({ value: conductivityUsPerCm, places });
  if (Number(micro(1)) < 200) return { value: micro(1), unit: 'µS/cm' };
  if (Number(micro(0)) <= 1999) return { value: micro(0), unit: 'µS/cm' };
  const milli = (places: number) => roundHalfEven({ value: conductivityUsPerCm / 1000, places });
  if (Number(milli(2)) < 20) return { value: milli(2), unit: 'mS/cm' };
  if (Number(milli(1)) < 200) return { value: milli(1), unit: 'mS/cm' };
  return { value: milli(0), unit: 'mS/cm' };
}

/**
 * Dissolved solids as a meter shows them: up to 999 ppm, then ppt with two places.
 * Quantity: ppm in, at least 0. Errors: RangeError. Source: common practice (over 999 ppm shows ppt; 1 ppt = 1000 ppm).
 *
 * @example
 * displayDissolvedSolids({ ppm: 2500 }) // { value: '2.50', unit: 'ppt' }
 */
export function displayDissolvedSolids({ ppm }: { ppm: number }): { value: string; unit: 'ppm' | 'ppt' } {
  requireRange('ppm', ppm, 0, 1_000_000);
  const whole = roundHalfEven({ value: ppm, places: 0 });
  return Number(whole) <= 999
    ? { value: whole, unit: 'ppm' }
    : { value: roundHalfEven({ value: ppm / 1000, places: 2 }), unit: 'ppt' };
}
