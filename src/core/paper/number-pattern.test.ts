import { describe, expect, it } from 'vitest';
import { NUMBER_SERIES, numberBy, numbersOf, patternProblem, USUAL_PATTERNS, type PatternProblem } from './number-pattern';

// How numbers look is each workshop's own (common practice); ISO/IEC 17025:2017, 7.8.2.1 d asks that every report can be told from every other.
describe('numbers by a pattern', () => {
  it.each([
    ['C-{year}-{n:5}', 2026, 62, 'C-2026-00062'],
    ['HB{yy}.{n:3}', 2026, 7, 'HB26.007'],
    ['HB{yy}.{n:3}', 2026, 1234, 'HB26.1234'],
    ['K_{n}-{year}', 2031, 9, 'K_9-2031'],
  ])('%s of %s, %s', (pattern, year, n, printed) => {
    expect(numberBy(pattern, { year, n })).toBe(printed);
    const { groups } = numbersOf(pattern).exec(printed)!;
    expect([Number(groups!.n), String(year).endsWith(groups!.year!)]).toEqual([n, true]);
  });

  it.each([
    ['2-{year}-{n}', 'begins'],
    ['', 'begins'],
    ['c-{year}-{n}', 'begins'],
    ['Cal-{year}-{n}', 'signs'],
    ['C/{year}/{n}', 'signs'],
    ['C-{year}-{n:9}', 'signs'],
    ['C-{year-{n}', 'signs'],
    ['C-{n}', 'noYear'],
    ['C-{year}', 'noCount'],
    ['C-{year}-{yy}-{n}', 'twice'],
    ['C-{year}{n:5}', 'runsTogether'],
    ['C1{n}-{year}', 'runsTogether'],
    ['CERTIFICATE-OF-{year}-{n:5}', 'long'],
    ['T-{year}-{n:2}', { like: 'ticket' }],
  ] as [string, PatternProblem][])('“%s” is refused: %o', (pattern, problem) =>
    expect(patternProblem('certificate', { ...USUAL_PATTERNS, certificate: pattern })).toEqual(problem),
  );

  it('no two numbers of the usual series are the same, whatever year and count', () => {
    expect(NUMBER_SERIES.map((series) => patternProblem(series, USUAL_PATTERNS))).toEqual(NUMBER_SERIES.map(() => null));
    const all = NUMBER_SERIES.flatMap((series) =>
      [2025, 2026, 2125].flatMap((year) =>
        [1, 9, 10, 99, 12345, 123456].map((n) => numberBy(USUAL_PATTERNS[series], { year, n })),
      ),
    );
    expect(new Set(all).size).toBe(all.length);
  });
});
