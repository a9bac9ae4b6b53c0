import { requireAbove, requireRange } from '../range-error';
import { wilsonInterval } from '../uncertainty/wilson';
import type { Advice } from './advice';

/**
 * Advice from how often a group of like instruments was found in tolerance: lengthen when the lower Wilson bound meets the target, shorten when the upper bound misses it.
 * Arguments: whole visits in tolerance as found and in all, present interval in days, target share in (0, 1) 0.9 by default, confidence 0.95 by default.
 * Errors: RangeError. Source: ILAC-G24/OIML D 10 (reliability of a group); Wilson 1927. The step follows an exponential loss of reliability, limited to half and double.
 *
 * @example
 * reliabilityAdvice({ inTolerance: 45, visits: 50, days: 180 }).code // 'keep'
 */
export function reliabilityAdvice({
  inTolerance,
  visits,
  days,
  target = 0.9,
  confidence = 0.95,
}: {
  inTolerance: number;
  visits: number;
  days: number;
  target?: number;
  confidence?: number;
}): Advice {
  requireAbove('target', target, 0, 0.9999);
  requireRange('days', days, 1, 36_500);
  const { lower, upper } = wilsonInterval({ successes: inTolerance, trials: visits, confidence });
  const numbers = { share: inTolerance / visits, lower, upper, target };
  const says = `${inTolerance} of ${visits} found in tolerance (${percent(lower)} to ${percent(upper)} % at ${percent(confidence)} % confidence, target ${percent(target)} %)`;
  const stretch = (share: number) =>
    Math.min(2, Math.max(0.5, Math.log(target) / Math.log(Math.min(0.9999, Math.max(0.0001, share)))));
  if (lower >= target)
    return {
      code: 'extend',
      days: Math.max(days, Math.floor(days * stretch(lower))),
      numbers,
      sentence: `${says}: the interval can be longer.`,
    };
  if (upper < target)
    return {
      code: 'shorten',
      days: Math.max(1, Math.floor(days * stretch(upper))),
      numbers,
      sentence: `${says}: the interval is too long.`,
    };
  return { code: 'keep', days, numbers, sentence: `${says}: too few visits to say more.` };
}

const percent = (share: number) => Number((share * 100).toFixed(1));
