import { requireAbove, requireRange } from '../range-error';
import type { Advice } from './advice';

/**
 * Staircase for one instrument: an as-found error well inside the tolerance lengthens the interval by a step, one outside shortens it, anything between leaves it.
 * Arguments: as-found error over tolerance (its size counts), present interval in days, share regarded as well inside (0.8 by default), step up (0.1) and down (0.3), limits in days.
 * Errors: RangeError. Source: ILAC-G24/OIML D 10, automatic adjustment ("staircase"); the step sizes are common practice.
 *
 * @example
 * staircaseAdvice({ errorShare: 0.3, days: 180 }).days // 198
 */
export function staircaseAdvice({
  errorShare,
  days,
  within = 0.8,
  up = 0.1,
  down = 0.3,
  shortest = 1,
  longest = 3650,
}: {
  errorShare: number;
  days: number;
  within?: number;
  up?: number;
  down?: number;
  shortest?: number;
  longest?: number;
}): Advice {
  requireRange('errorShare', errorShare, -1e6, 1e6);
  requireRange('days', days, 1, 36_500);
  requireAbove('within', within, 0, 1);
  requireRange('up', up, 0, 1);
  requireRange('down', down, 0, 0.9);
  requireRange('shortest', shortest, 1, 36_500);
  requireRange('longest', longest, shortest, 36_500);
  const share = Math.abs(errorShare);
  const numbers = { errorShare: share, within };
  const used = `Found at ${Math.round(share * 100)} % of the tolerance`;
  // Whole days from decimals: 180 · 1.1 is 198, not 197.99….
  const limited = (wanted: number) => Math.min(longest, Math.max(shortest, Math.floor(Number(wanted.toFixed(6)))));
  if (share > 1)
    return { code: 'shorten', days: limited(days * (1 - down)), numbers, sentence: `${used}, outside: a shorter interval.` };
  if (share <= within)
    return {
      code: 'extend',
      days: limited(days * (1 + up)),
      numbers,
      sentence: `${used}, well inside: the interval can grow by a step.`,
    };
  return { code: 'keep', days, numbers, sentence: `${used}, near the limit: keep the interval.` };
}
