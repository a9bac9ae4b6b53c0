import { addDays, addMonths, isValid, parseISO } from 'date-fns';
import { requireRange } from '../range-error';

/** Calendar time; with `uses`: or so many of them, whichever comes first. */
export type Every = ({ days: number } | { months: number }) & { uses?: number };

/**
 * Next due date, a calendar date; a month that is too short ends on its last day.
 * Range: days 1 to 36 500, months 1 to 1200, whole numbers; dates as YYYY-MM-DD. Errors: RangeError.
 * Source: ISO 8601-1 calendar dates; intervals are the workshop's policy (ILAC-G24/OIML D 10).
 *
 * @example
 * nextDue({ from: '2027-01-31', every: { months: 1 } }) // '2027-02-28'
 */
export function nextDue({ from, every }: { from: string; every: Every }): string {
  const start = /^\d{4}-\d{2}-\d{2}$/.test(from) ? parseISO(from) : new Date(NaN);
  if (!isValid(start)) throw new RangeError(`from must be a date YYYY-MM-DD, got ${from}`);
  const count = 'days' in every ? every.days : every.months;
  requireRange('every', count, 1, 'days' in every ? 36500 : 1200);
  if (!Number.isInteger(count)) throw new RangeError(`every must be a whole number, got ${count}`);
  const end = 'days' in every ? addDays(start, count) : addMonths(start, count);
  const two = (n: number) => String(n).padStart(2, '0');
  return `${end.getFullYear()}-${two(end.getMonth() + 1)}-${two(end.getDate())}`;
}
