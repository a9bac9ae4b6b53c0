import { requireAbove, requireRange } from '@/core/range-error';
import type { FinalEstimate } from './estimate-final';

export interface CloseAdvice {
  close: boolean;
  code: 'settled' | 'stillMoving' | 'nothingKnown';
  remaining: number | null;
  standard: number | null;
  sentence: string;
}

/**
 * Whether gas may be closed at an as-found reading: when the settling error left, at most, is smaller than a share of the tolerance. The reading stays what the display shows;
 * the bound only enters its budget, as a rectangle.
 * Unit: that of the reading; arguments: estimate of `estimateFinal`, displayed value, tolerance above 0, share in (0, 1], 0.1 by default. Errors: RangeError.
 * Source: JCGM 100:2008, 4.3.7 (bound as a rectangle); the share is common practice.
 *
 * @example
 * gasMayClose({ estimate: { value: 50.1, low: 49.6, high: 50.6, standard: 0.25, reason: null }, displayed: 50, tolerance: 5, share: 0.15 }) // { close: true, remaining: 0.6, … }
 */
export function gasMayClose({
  estimate,
  displayed,
  tolerance,
  share = 0.1,
}: {
  estimate: FinalEstimate;
  displayed: number;
  tolerance: number;
  share?: number;
}): CloseAdvice {
  requireRange('displayed', displayed, -Infinity, Infinity);
  requireAbove('tolerance', tolerance, 0);
  requireAbove('share', share, 0, 1);
  if (estimate.value === null)
    return { close: false, code: 'nothingKnown', remaining: null, standard: null, sentence: estimate.sentence };
  const remaining = Math.max(Math.abs(estimate.high - displayed), Math.abs(displayed - estimate.low));
  const standard = remaining / Math.sqrt(3);
  const limit = share * tolerance;
  if (remaining > limit)
    return {
      close: false,
      code: 'stillMoving',
      remaining,
      standard,
      sentence: `Up to ${remaining.toPrecision(2)} may still come; wait for under ${limit.toPrecision(2)}.`,
    };
  return {
    close: true,
    code: 'settled',
    remaining,
    standard,
    sentence: `At most ${remaining.toPrecision(2)} is left, under ${Math.round(share * 100)} % of the tolerance: gas can be closed.`,
  };
}
