/** What is counted, each in a series of its own. */
export const NUMBER_SERIES = [
  'receipt',
  'ticket',
  'certificate',
  'notCalibrated',
  'withdrawal',
  'handedBack',
  'offer',
  'nonconformity',
] as const;
export type NumberSeries = (typeof NUMBER_SERIES)[number];
export type NumberPatterns = Record<NumberSeries, string>;

/** How numbers look unless the workshop says otherwise. */
export const USUAL_PATTERNS: NumberPatterns = {
  receipt: 'R-{year}-{n:4}',
  ticket: 'T-{year}-{n:4}',
  certificate: 'C-{year}-{n:5}',
  notCalibrated: 'N-{year}-{n:5}',
  withdrawal: 'W-{year}-{n:5}',
  handedBack: 'U-{year}-{n:4}',
  offer: 'O-{year}-{n:4}',
  nonconformity: 'Q-{year}-{n:4}',
};

const PART = /\{(year|yy|n)(?::([2-8]))?\}|([^{}]+)|([{}])/g;
/** Longer ones fit on no label. */
const MOST_SIGNS = 20;
const SAMPLE_YEARS = [2000, 2026, 2099];
const SAMPLE_NUMBERS = [1, 11, 111, 1111, 11111, 111111];

type Part = { year: 4 | 2 } | { figures: number } | { text: string } | { wrong: string };
const partsOf = (pattern: string): Part[] =>
  [...pattern.matchAll(PART)].map(([whole, name, width, text]): Part => {
    if (text !== undefined) return { text };
    if (name === 'n') return { figures: Number(width ?? 1) };
    if (name && !width) return { year: name === 'year' ? 4 : 2 };
    return { wrong: whole };
  });

/**
 * A number as it is printed. `year`: four figures; `n`: the count in its series and year, from 1; more figures than the pattern has are printed in full.
 *
 * @example
 * numberBy('C-{year}-{n:5}', { year: 2026, n: 62 }) // 'C-2026-00062'
 * numberBy('HB{yy}.{n:3}', { year: 2026, n: 1234 }) // 'HB26.1234'
 */
export function numberBy(pattern: string, { year, n }: { year: number; n: number }): string {
  return partsOf(pattern)
    .map((part) => {
      if ('text' in part) return part.text;
      if ('year' in part) return String(year).slice(-part.year);
      return 'figures' in part ? String(n).padStart(part.figures, '0') : part.wrong;
    })
    .join('');
}

/** Matches every number of a pattern, with its parts as groups `year` and `n`. */
export const numbersOf = (pattern: string): RegExp =>
  new RegExp(
    `^${partsOf(pattern)
      .map((part) => {
        if ('text' in part) return part.text.replace(/[.\\-]/g, '\\$&');
        if ('year' in part) return `(?<year>\\d{${part.year}})`;
        return 'figures' in part ? `(?<n>\\d{${part.figures},})` : '';
      })
      .join('')}$`,
  );

/** The letters that a number begins with: what somebody types who types it short. */
export const lettersOf = (pattern: string): string => /^[A-Z]*/.exec(pattern)![0];

export type PatternProblem =
  'begins' | 'signs' | 'noYear' | 'noCount' | 'twice' | 'runsTogether' | 'long' | { like: NumberSeries };

/**
 * What is wrong with a series' pattern among the others, null where nothing is: it begins with a letter, all letters are capitals (scanners and hands type either); has the year and the count once each, apart from each other and from other figures, so that no two numbers can be read as one;
 * and none of its numbers could be one of another series.
 *
 * @example
 * patternProblem('ticket', { ...USUAL_PATTERNS, ticket: 'R-{year}-{n}' }) // { like: 'receipt' }
 */
export function patternProblem(series: NumberSeries, patterns: NumberPatterns): PatternProblem | null {
  const pattern = patterns[series];
  const parts = partsOf(pattern);
  if (!/^[A-Z]/.test(pattern)) return 'begins';
  if (parts.some((part) => 'wrong' in part || ('text' in part && !/^[A-Z0-9._-]+$/.test(part.text)))) return 'signs';
  const [years, counts] = [parts.filter((part) => 'year' in part), parts.filter((part) => 'figures' in part)];
  if (years.length > 1 || counts.length > 1) return 'twice';
  if (years.length === 0) return 'noYear';
  if (counts.length === 0) return 'noCount';
  const digitEnds = (part: Part | undefined, end: RegExp) => part !== undefined && (!('text' in part) || end.test(part.text));
  const apart = parts.every(
    (part, at) => 'text' in part || (!digitEnds(parts[at - 1], /\d$/) && !digitEnds(parts[at + 1], /^\d/)),
  );
  if (!apart) return 'runsTogether';
  if (numberBy(pattern, { year: 2026, n: 1 }).length > MOST_SIGNS) return 'long';
  const samples = SAMPLE_YEARS.flatMap((year) => SAMPLE_NUMBERS.map((n) => numberBy(pattern, { year, n })));
  const like = NUMBER_SERIES.find(
    (other) => other !== series && samples.some((sample) => numbersOf(patterns[other]).test(sample)),
  );
  return like ? { like } : null;
}
