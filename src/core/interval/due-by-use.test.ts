import { describe, expect, it } from 'vitest';
import { dueByUse } from './due-by-use';

const from = '2026-01-01';
const at = (...counts: [string, number][]) =>
  dueByUse({ limit: 500, from, counts: counts.map(([on, count]) => ({ on, count })) });

describe('due by use', () => {
  it('counts from what it showed at the calibration, and is due on the day the limit was reached', () => {
    const counts: [string, number][] = [
      ['2026-01-01', 40],
      ['2026-03-01', 300],
      ['2026-05-02', 560],
    ];
    expect(at(...counts)).toEqual({ due: '2026-05-02', used: 520, reached: true });
    expect(at(...counts.reverse()).due).toBe('2026-05-02');
  });
  it('what it was used before the calibration does not count: 60 days before and 30 after share 900 as two to one', () => {
    expect(at(['2025-11-02', 100], ['2026-01-31', 1000])).toMatchObject({ used: 300, reached: false });
  });
  it('before that, at the pace so far: 300 in 59 days are 500 in 98', () => {
    expect(at(['2026-01-01', 40], ['2026-03-01', 340])).toEqual({ due: '2026-04-09', used: 300, reached: false });
  });
  it('says nothing of a pace from one count, or from less than a week', () => {
    expect(at()).toEqual({ due: null, used: 0, reached: false });
    expect(at(['2026-02-01', 80])).toMatchObject({ due: null, used: 0 });
    expect(at(['2026-01-01', 40], ['2026-01-04', 90])).toMatchObject({ due: null, used: 50 });
  });
  it('a counter that was set back goes on from nothing', () => {
    expect(at(['2026-01-01', 900], ['2026-02-01', 1100], ['2026-03-01', 150])).toMatchObject({ used: 350, reached: false });
  });
  it('refuses a limit of none', () => {
    expect(() => dueByUse({ limit: 0, from, counts: [] })).toThrow(/limit/);
  });
});
