import { format, isValid, parse } from 'date-fns';

/** In which order a table has day and month where both could be meant. */
export const DAY_ORDERS = ['dayFirst', 'monthFirst'] as const;
export type DayOrder = (typeof DAY_ORDERS)[number];

const LIKELY_YEARS = [1990, 2100] as const;
const day = (year: number, month: number, date: number): string | null => {
  const made = new Date(year, month - 1, date);
  return made.getMonth() === month - 1 && year >= LIKELY_YEARS[0] && year <= LIKELY_YEARS[1] ? format(made, 'yyyy-MM-dd') : null;
};

/**
 * A day as people write it, as ISO 8601; null where it is none. Understood: 2026-11-28 (also with a time behind), 20261128, 28.11.2026, 28/11/26, 11/28/2026 (by `order`, where both could be meant), 28 Nov 2026, Nov 28, 2026.
 * A year of two digits is of this century.
 *
 * @example
 * readDay('3/4/2026', 'dayFirst') // '2026-04-03'
 */
export function readDay(text: string, order: DayOrder = 'dayFirst'): string | null {
  const given = text.trim();
  const iso = /^(\d{4})-?(\d\d)-?(\d\d)(?:[T ].*)?$/.exec(given);
  if (iso) return day(Number(iso[1]), Number(iso[2]), Number(iso[3]));
  const parts = /^(\d{1,2})[./\- ](\d{1,2})[./\- ](\d{2}|\d{4})$/.exec(given);
  if (parts) {
    const [first, second, year] = [Number(parts[1]), Number(parts[2]), Number(parts[3]) + (parts[3]!.length === 2 ? 2000 : 0)];
    // Only one way is possible where a figure is greater than twelve; points stand in tables that have the day first.
    const monthFirst = second > 12 || (first <= 12 && order === 'monthFirst' && !given.includes('.'));
    return monthFirst ? day(year, first, second) : day(year, second, first);
  }
  for (const shape of ['d MMM yyyy', 'd MMMM yyyy', 'MMM d, yyyy', 'MMMM d, yyyy', 'd-MMM-yyyy', 'd. MMMM yyyy']) {
    const found = parse(given, shape, new Date(2000, 0, 1));
    if (isValid(found)) return day(found.getFullYear(), found.getMonth() + 1, found.getDate());
  }
  return null;
}

/** How a column has its days, from those in which only one way is possible; null where none tells. */
export function orderOf(texts: readonly string[]): DayOrder | null {
  for (const text of texts) {
    const parts = /^(\d{1,2})[/\- ](\d{1,2})[/\- ]\d{2,4}$/.exec(text.trim());
    if (parts && Number(parts[1]) > 12) return 'dayFirst';
    if (parts && Number(parts[2]) > 12) return 'monthFirst';
  }
  return null;
}
