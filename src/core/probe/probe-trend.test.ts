import { addDays, format, parseISO } from 'date-fns';
import { describe, expect, it } from 'vitest';
import { fitLine } from '../uncertainty/fit-line';
import { probeTrend } from './probe-trend';
import { presentSeries, probeWords, type ProbeHistoryEntry } from './probe-words';

const start = parseISO('2025-01-01');
const on = (days: number) => format(addDays(start, days), 'yyyy-MM-dd');
/** Slope falls by 1.5 % a month, with a scatter of two tenths. */
const falling = (count: number, perMonth = -1.5, from = 99) =>
  Array.from({ length: count }, (_one, i) => ({
    date: on(i * 30),
    value: from + (perMonth * i * 30) / 30.4375 + (i % 2 === 0 ? 0.2 : -0.2),
  }));

describe('forecast of a probe', () => {
  it('says nothing from fewer than five calibrations, or all on one day', () => {
    expect(probeTrend({ history: falling(4), limit: 90 })).toBeNull();
    expect(probeTrend({ history: falling(5).map((one) => ({ ...one, date: on(0) })), limit: 90 })).toBeNull();
    expect(probeTrend({ history: falling(5), limit: 90 })).not.toBeNull();
  });
  it('gives the rate, and a window that holds the day on which the line meets the limit', () => {
    const trend = probeTrend({ history: falling(8), limit: 85 })!;
    expect(trend.perMonth).toBeCloseTo(-1.5, 1);
    // 99 − 85 = 14 % at 1.5 % a month is 9.33 months of 30.4375 days.
    expect(Math.abs((Date.parse(trend.lineOn!) - Date.parse(on(Math.round((14 / 1.5) * 30.4375)))) / 864e5)).toBeLessThan(8);
    expect(trend.from! < trend.lineOn! && trend.lineOn! < trend.to!).toBe(true);
  });
  it('the prediction interval is that of a straight line (JCGM 100:2008, H.3 data; t of 0.975 at 9 degrees of freedom is 2.262, table)', () => {
    // The thermometer readings of H.3 taken as one a day: y = a + b·x over 0…10.
    const values = [-0.171, -0.169, -0.166, -0.159, -0.164, -0.165, -0.156, -0.157, -0.159, -0.161, -0.16];
    const history = values.map((value, day) => ({ date: on(day), value }));
    const { band } = probeTrend({ history, limit: -1 })!;
    const x = values.map((_one, day) => day);
    const fit = fitLine({ x, y: values });
    const last = band[0]!;
    const expected = 2.262 * fit.residual * Math.sqrt(1 + 1 / 11 + (0 - 5) ** 2 / 110);
    expect(last.high - last.line).toBeCloseTo(expected, 5);
  });
  it('never reached within the horizon is null, and a rising figure is watched from below', () => {
    expect(probeTrend({ history: falling(6, -0.01), limit: 50 })).toMatchObject({ lineOn: null, to: null });
    const rising = probeTrend({ history: falling(6, 1, 40), limit: 60 })!;
    expect(rising.perMonth).toBeGreaterThan(0);
    expect(rising.lineOn).not.toBeNull();
  });
  it('refuses figures that are none', () => {
    expect(() => probeTrend({ history: [{ date: on(0), value: NaN }], limit: 90 })).toThrow(RangeError);
    expect(() => probeTrend({ history: falling(5), limit: Infinity })).toThrow(RangeError);
  });
});

describe('the condition in words', () => {
  const entry = (date: string, slopePercent: number, care: string[] = []): ProbeHistoryEntry => ({
    date,
    slopePercent,
    offsetMv: -4,
    cellConstant: null,
    responseSeconds: 20,
    care,
  });
  const result = (slopePercent: number, rest: object = {}) => ({
    kind: 'pH' as const,
    segments: [{ fromPH: 4, toPH: 7, slopeMvPerPH: 0.5916 * slopePercent, slopePercent }],
    slopePercent,
    offsetMv: -4,
    cellConstant: null,
    responseSeconds: 20,
    ...rest,
  });
  const history = falling(6, -1.5, 100).map((one) => entry(one.date, one.value));
  it('93 %: what to try, the rate and the window in months', () => {
    const words = probeWords({ result: result(93), history });
    expect(words.condition).toBe('caution');
    expect(words.sentence).toBe('Slope 93.0 %: try fresh buffer, then clean and soak.');
    expect(words.forecast!.sentence).toMatch(/^Falls 1\.\d % a month, reaches 90 % between \w+ \d{4} and \w+ \d{4}\.$/);
  });
  it('a care action begins a new series: before it no forecast is made of what came after', () => {
    const cared = [...history.slice(0, 4), entry('2025-06-10', 98.9, ['Soaked']), entry('2025-07-10', 98.4)];
    expect(presentSeries(cared)).toHaveLength(2);
    expect(probeWords({ result: result(98.4), history: cared })).toMatchObject({
      forecast: null,
      noForecast: 'No forecast yet: 2 calibrations since the last care, it takes five.',
    });
  });
  it('four calibrations: says what is missing', () => {
    expect(probeWords({ result: result(97), history: history.slice(0, 4) }).noForecast).toBe(
      'No forecast: it takes five calibrations, there are 4.',
    );
  });
  it.each([
    [result(88), 'fail', /fresh buffer, clean and soak; else replace/],
    [result(98, { offsetMv: 41 }), 'fail', /Slope 98/],
    [result(98, { responseSeconds: 90 }), 'caution', /Slope 98/],
    [result(98), 'good', /^Slope 98\.0 %\.$/],
  ])('limits: slope 95 and 90 %, offset ± 30 mV, 60 s (common practice; memory)', (given, condition, sentence) => {
    const words = probeWords({ result: given, history: [] });
    expect(words.condition).toBe(condition);
    expect(words.sentence).toMatch(sentence);
  });
  it.each([
    ['oxygen', 70, 'fail'],
    ['oxygen', 78, 'caution'],
    ['oxygen', 98, 'good'],
    ['conductivity', 88, 'fail'],
    ['conductivity', 99, 'good'],
    ['ion', 93, 'caution'],
  ] as const)('the same idea for %s at %d %%: %s', (kind, slopePercent, condition) => {
    expect(
      probeWords({
        result: { kind, segments: [], slopePercent, offsetMv: null, cellConstant: 1, responseSeconds: null },
        history: [],
      }).condition,
    ).toBe(condition);
  });
});
