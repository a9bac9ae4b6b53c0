/** Letters of the numbers that are counted by year, and how many figures they have. */
const FIGURES: Record<string, number> = { C: 5, N: 5, W: 5, R: 4, T: 4, U: 4 };
const YEARS_BACK = 12;

/**
 * What somebody may mean who types a number short: "c-62" or "c62" is the 62nd certificate of any late year, "t-26-62" of 2026; the newest first. Nothing for what is no such number.
 *
 * @example
 * numbersMeant('c-62', 2026) // ['C-2026-00062', 'C-2025-00062', …]
 */
export function numbersMeant(typed: string, thisYear: number): string[] {
  const short = /^([a-z])[-\s]?(?:(\d{2}|\d{4})[-\s])?(\d{1,5})$/i.exec(typed.trim());
  const figures = short && FIGURES[short[1]!.toUpperCase()];
  if (!short || !figures) return [];
  const [, letter, year, serial] = short;
  const years = year
    ? [Number(year.length === 2 ? `20${year}` : year)]
    : Array.from({ length: YEARS_BACK }, (_one, index) => thisYear - index);
  return years.map((one) => `${letter!.toUpperCase()}-${one}-${Number(serial).toString().padStart(figures, '0')}`);
}
