import { describe, expect, it } from 'vitest';
import jstat from 'jstat';
import { combine } from './combine';
import { decide } from './decide';
import { normalCdf, normalQuantile } from './normal';
import { coverageFactor } from './student';

describe('combined uncertainty', () => {
  it('end gauge of JCGM 100:2008, H.1: u 31.7 nm (stated 32), effective dof 16.7 truncated to 16, U99 93 nm', () => {
    const result = combine({
      components: [
        { standard: 25, dof: 18 },
        { standard: 9.7, dof: 25.6 },
        { standard: 2.9, dof: 50 },
        { standard: 16.6, dof: 2 },
      ],
      coverage: 0.99,
    });
    expect(result.standard).toBeCloseTo(31.7, 1);
    expect(result.effectiveDof).toBeCloseTo(16.7, 0);
    expect(result.k).toBeCloseTo(2.92, 2);
    expect(Math.round(result.expanded)).toBe(93);
  });
  it('95.45 % at infinite dof is k = 2; Student t ν 10 → 2.28, ν 50 → 2.05 (JCGM 100:2008, table G.2)', () => {
    expect(combine({ components: [{ standard: 3 }, { standard: 2, sensitivity: 2 }], coverage: 0.9545 })).toEqual({
      standard: 5,
      effectiveDof: Infinity,
      k: 2,
      expanded: 10,
    });
    expect(coverageFactor({ coverage: 0.9545, dof: 10 })).toBeCloseTo(2.28, 2);
    expect(coverageFactor({ coverage: 0.9545, dof: 50 })).toBeCloseTo(2.05, 2);
  });
  it('agrees with a statistics library (jstat) over dof and coverage', () => {
    for (const dof of [1, 2, 3, 5, 10, 30, 100, 1000])
      for (const coverage of [0.5, 0.683, 0.9, 0.95, 0.99, 0.999]) {
        expect(coverageFactor({ coverage, dof }) / jstat.studentt.inv((1 + coverage) / 2, dof)).toBeCloseTo(1, 6);
      }
    // The library's own normal distribution is good to about 1e-8.
    for (const z of [-4, -1.96, -0.3, 0, 0.7, 2.5, 5]) expect(normalCdf(z)).toBeCloseTo(jstat.normal.cdf(z, 0, 1), 7);
  });
  it('the quantile undoes the distribution', () => {
    for (const p of [1e-6, 0.01, 0.3, 0.5, 0.975, 0.999999]) expect(normalCdf(normalQuantile(p))).toBeCloseTo(p, 12);
  });
  it('names the component that is out of range', () => {
    expect(() => combine({ components: [{ standard: 1 }, { standard: -1 }], coverage: 0.95 })).toThrow(
      /components\[1\]\.standard/,
    );
    expect(() => combine({ components: [], coverage: 0.95 })).toThrow(RangeError);
    expect(() => combine({ components: [{ standard: NaN }], coverage: 0.95 })).toThrow(RangeError);
    expect(() => combine({ components: [{ standard: 1 }], coverage: 1 })).toThrow(/coverage/);
  });
});

describe('decision rules (ILAC-G8:09/2019)', () => {
  const limits = { lower: -5, upper: 5 };
  it.each([
    [4.9, 0, 'simple', 'pass'],
    [5, 2, 'simple', 'pass'],
    [5.1, 2, 'simple', 'fail'],
  ] as const)('simple acceptance: %d with U %d under %s is %s', (error, expanded, rule, decision) => {
    expect(decide({ error, ...limits, expanded, rule })).toBe(decision);
  });
  it.each([
    [3, 'pass'],
    [3.01, 'undecided'],
    [5, 'undecided'],
    [7, 'undecided'],
    [7.01, 'fail'],
    [-3, 'pass'],
    [-7.5, 'fail'],
  ] as const)('guard band w = U = 2: %d is %s', (error, decision) => {
    expect(decide({ error, ...limits, expanded: 2, rule: 'guarded' })).toBe(decision);
  });
  it('limits count as inside in decimals as displayed: 0.042 is inside 0.037 ± 0.005 (common practice)', () => {
    // In binary 0.042 - 0.037 is greater than 0.005.
    expect(decide({ error: '0.005', lower: '-0.005', upper: '0.005', expanded: 0, rule: 'simple' })).toBe('pass');
    expect(0.042 - 0.037 > 0.005).toBe(true);
  });
  it('refuses limits the wrong way round', () => {
    expect(() => decide({ error: 0, lower: 1, upper: -1, expanded: 0, rule: 'simple' })).toThrow(/upper/);
  });
});
