import { lettersOf, numberBy, USUAL_PATTERNS, type NumberPatterns } from '@/core/paper/number-pattern';

const YEARS_BACK = 12;

/**
 * What somebody may mean who types a number short: "c-62" or "c62" is the 62nd certificate of any late year, "t-26-62" of 2026; the newest first. By the workshop's own patterns, and by the usual ones, which it may have had before.
 * Nothing for what is no such number.
 *
 * @example
 * numbersMeant('c-62', 2026) // ['C-2026-00062', 'C-2025-00062', …]
 */
export function numbersMeant(typed: string, thisYear: number, patterns: NumberPatterns = USUAL_PATTERNS): string[] {
  const short = /^([a-z]+)[-\s._]?(?:(\d{2}|\d{4})[-\s._])?(\d{1,5})$/i.exec(typed.trim());
  if (!short) return [];
  const [, letters, year, serial] = short;
  const meant = [...new Set([...Object.values(patterns), ...Object.values(USUAL_PATTERNS)])].filter(
    (pattern) => lettersOf(pattern) === letters!.toUpperCase(),
  );
  const years = year
    ? [Number(year.length === 2 ? `20${year}` : year)]
    : Array.from({ length: YEARS_BACK }, (_one, index) => thisYear - index);
  return years.flatMap((one) => meant.map((pattern) => numberBy(pattern, { year: one, n: Number(serial) })));
}
