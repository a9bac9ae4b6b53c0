import { format, isValid, parse } from 'date-fns';

/** How instruments show a day. A text that may be read in two ways is read in both. */
const FORMATS = [
  'yyyy-MM-dd',
  'yyyy/MM/dd',
  'yyyy.MM.dd',
  'yyyyMMdd',
  'd MMM yyyy',
  'd MMMM yyyy',
  'MMM d yyyy',
  'MMMM d yyyy',
  'd.M.yyyy',
  'd/M/yyyy',
  'M/d/yyyy',
  'd-M-yyyy',
  'M-d-yyyy',
  'd-MMM-yyyy',
  'd MMM yy',
  'd.M.yy',
  'd/M/yy',
  'M/d/yy',
  'yy-MM-dd',
];
const ANY_DAY = new Date(2000, 0, 1);

/**
 * The calendar dates that a date read off a display can mean, as yyyy-mm-dd; none where it is no date. A time behind it is left out.
 * Errors: none.
 *
 * @example
 * datesIn('3/12/2026') // ['2026-12-03', '2026-03-12']
 * datesIn('12 Mar 2019 08:15') // ['2019-03-12']
 */
export function datesIn(shown: string): string[] {
  const text = shown
    .trim()
    .replace(/T.*$/, '')
    .replace(/\s+\d{1,2}:\d{2}.*$/, '')
    .replace(/,/g, '');
  const days = FORMATS.flatMap((pattern) => {
    const day = parse(text, pattern, ANY_DAY);
    return isValid(day) && day.getFullYear() > 1990 && day.getFullYear() < 2200 ? [format(day, 'yyyy-MM-dd')] : [];
  });
  return [...new Set(days)];
}
