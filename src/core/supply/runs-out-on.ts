import { isValid, parseISO } from 'date-fns';
import { requireRange } from '../range-error';

export interface BookedWork {
  date: string;
  litres: number;
}

/**
 * The first day on which booked work needs more gas than is left; null when all of it can be done.
 * Arguments: litres left (at least 0), work with calendar dates and litres, in any order. Errors: RangeError. Source: arithmetic.
 *
 * @example
 * runsOutOn({ availableL: 3, booked: [{ date: '2026-12-02', litres: 2 }, { date: '2026-12-01', litres: 2 }] }) // '2026-12-02'
 */
export function runsOutOn({ availableL, booked }: { availableL: number; booked: BookedWork[] }): string | null {
  requireRange('availableL', availableL, 0, Infinity);
  let left = availableL;
  booked.forEach(({ date, litres }, index) => {
    requireRange(`booked[${index}].litres`, litres, 0, Infinity);
    if (!/^\d{4}-\d{2}-\d{2}$/.test(date) || !isValid(parseISO(date)))
      throw new RangeError(`booked[${index}].date must be a date YYYY-MM-DD, got ${date}`);
  });
  for (const { date, litres } of [...booked].sort((a, b) => a.date.localeCompare(b.date))) {
    left -= litres;
    if (left < -1e-9) return date;
  }
  return null;
}
