import { differenceInMilliseconds, parseISO } from 'date-fns';
import { requireAbove } from '../range-error';

export interface BumpState {
  state: 'ready' | 'due' | 'failed' | 'never';
  /** Until when the ready mark holds; null where there is none. */
  readyUntil: string | null;
  sentence: string;
}

/**
 * Whether an instrument is bumped: a state of its own beside the calibration. A calibration renews the mark as a bump does; a failed bump takes it away.
 * Times: ISO 8601; hours above 0, 24 by default. Errors: RangeError. Source: common practice (before each day's use; a 24 h ready mark).
 *
 * @example
 * bumpState({ bumpedAt: '2026-11-25T07:00:00Z', passed: true, now: '2026-11-25T12:00:00Z' }) // { state: 'ready', readyUntil: '2026-11-26T07:00:00.000Z', … }
 */
export function bumpState({
  bumpedAt,
  passed,
  now,
  everyHours = 24,
}: {
  bumpedAt: string | null;
  passed: boolean | null;
  now: string;
  everyHours?: number;
}): BumpState {
  requireAbove('everyHours', everyHours, 0, 24 * 366);
  if (bumpedAt === null) return { state: 'never', readyUntil: null, sentence: 'No bump on record: bump before use.' };
  const at = parseISO(bumpedAt);
  if (Number.isNaN(at.getTime()) || Number.isNaN(parseISO(now).getTime()))
    throw new RangeError(`bumpedAt and now must be instants, got ${bumpedAt} and ${now}`);
  if (passed === false)
    return { state: 'failed', readyUntil: null, sentence: 'The last bump failed: calibrate it, or out of service.' };
  const until = new Date(at.getTime() + everyHours * 3_600_000);
  const readyUntil = until.toISOString();
  return differenceInMilliseconds(until, parseISO(now)) > 0
    ? { state: 'ready', readyUntil, sentence: 'Bumped or calibrated within its time.' }
    : { state: 'due', readyUntil, sentence: 'Bump before use.' };
}
