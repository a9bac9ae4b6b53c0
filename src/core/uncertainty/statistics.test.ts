import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import jstat from 'jstat';
import { budget } from './budget';
import { conformityProbability } from './conformity-probability';
import { decide } from './decide';
import { fitLine } from './fit-line';
import { wilsonInterval, wilsonLowerBound } from './wilson';

/** JCGM 100:2008, table H.6: thermometer readings and corrections. */
const T = [21.521, 22.012, 22.512, 23.003, 23.507, 23.999, 24.513, 25.002, 25.503, 26.01, 26.511];
const B = [-0.171, -0.169, -0.166, -0.159, -0.164, -0.165, -0.156, -0.157, -0.159, -0.161, -0.16];

describe('straight line', () => {
  it('thermometer of JCGM 100:2008, H.3: intercept −0.1712 (0.0029), slope 0.00218 (0.00067), r −0.930; at 30 °C −0.1494 (0.0041)', () => {
    const fit = fitLine({ x: T.map((t) => t - 20), y: B, at: 10 });
    expect(fit.intercept).toBeCloseTo(-0.1712, 4);
    expect(fit.sIntercept).toBeCloseTo(0.0029, 4);
    expect(fit.slope).toBeCloseTo(0.00218, 5);
    expect(fit.sSlope).toBeCloseTo(0.00067, 5);
    expect(fit.correlation).toBeCloseTo(-0.93, 3);
    expect(fit.predicted).toBeCloseTo(-0.1494, 4);
    expect(fit.sPredicted).toBeCloseTo(0.0041, 4);
  });
  it('scaling y scales the line; a straight line is found exactly', () => {
    fc.assert(
      fc.property(fc.double({ min: -100, max: 100, noNaN: true }), fc.double({ min: -100, max: 100, noNaN: true }), (a, b) => {
        const x = [0, 1, 2, 5];
        const fit = fitLine({ x, y: x.map((value) => a + b * value), at: 10 });
        expect(fit.predicted).toBeCloseTo(a + 10 * b, 6);
        expect(fitLine({ x, y: B.slice(0, 4).map((value) => value * 3) }).slope).toBeCloseTo(
          3 * fitLine({ x, y: B.slice(0, 4) }).slope,
          12,
        );
      }),
    );
  });
  it('names what it can’t use', () => {
    expect(() => fitLine({ x: [1, 2], y: [1, 2] })).toThrow(/three/);
    expect(() => fitLine({ x: [1, 1, 1], y: [1, 2, 3] })).toThrow(/different/);
    expect(() => fitLine({ x: [1, 2, 3], y: [1, 2] })).toThrow(/y must/);
    expect(() => fitLine({ x: [1, 2, NaN], y: [1, 2, 3] })).toThrow(/x\[2\]/);
  });
});

describe('budget (JCGM 100:2008)', () => {
  it('end gauge of H.1: 32 nm, 93 nm at 99 %, given as components with their divisors', () => {
    const result = budget({
      coverage: 0.99,
      components: [
        { name: 'standard', type: 'B', distribution: 'normal', halfWidth: 75, k: 3, dof: 18 },
        { name: 'difference', type: 'B', distribution: 'normal', halfWidth: 9.7, k: 1, dof: 25.6 },
        { name: 'expansion coefficients', type: 'B', distribution: 'normal', halfWidth: 2.9, k: 1, dof: 50 },
        { name: 'temperature difference', type: 'B', distribution: 'normal', halfWidth: 16.6, k: 1, dof: 2 },
      ],
      result: 50_000_838,
    });
    expect(result.standard).toBeCloseTo(31.7, 1);
    expect(Math.round(result.expanded)).toBe(93);
    expect(result.statement).toBe('50000838 ± 93');
    expect(result.lines.reduce((sum, line) => sum + line.sharePercent, 0)).toBeCloseTo(100, 9);
    expect(result.lines[0]!.standard).toBe(25);
  });
  it('type A is the standard deviation of the mean (4.2.3), as a statistics library has it (jstat)', () => {
    const readings = [100.1, 99.8, 100.3, 100, 99.9];
    const { lines } = budget({ components: [{ name: 'repeatability', type: 'A', readings }] });
    expect(lines[0]!.standard).toBeCloseTo(jstat.stdev(readings, true) / Math.sqrt(5), 12);
    expect(lines[0]!.dof).toBe(4);
  });
  it.each([
    ['rectangular', Math.sqrt(3)],
    ['triangular', Math.sqrt(6)],
    ['u-shaped', Math.SQRT2],
    ['normal', 2],
  ] as const)('%s is divided by %d (4.3.7, 4.3.9, H.1.3.4; normal at its k)', (distribution, divisor) => {
    expect(budget({ components: [{ name: 'x', type: 'B', distribution, halfWidth: 1 }] }).standard).toBeCloseTo(1 / divisor, 12);
  });
  it('rounds the result to its uncertainty (7.2.6); names a component that is off', () => {
    const reference = { name: 'reference', type: 'B', distribution: 'normal', halfWidth: 2 } as const;
    expect(
      budget({
        components: [reference, { name: 'resolution', type: 'B', distribution: 'rectangular', halfWidth: 0.5 }],
        result: 98,
      }).statement,
    ).toBe('98.0 ± 2.1');
    expect(() => budget({ components: [reference, { name: 'r', type: 'A', readings: [1] }] })).toThrow(
      /components\[1\]\.readings/,
    );
    expect(() => budget({ components: [] })).toThrow(RangeError);
  });
});

describe('conformity', () => {
  it('probability agrees with a statistics library (jstat) and JCGM 106:2012, 7.3', () => {
    for (const value of [-6, -4, 0, 4.9, 5, 8])
      for (const standard of [0.2, 1, 5]) {
        const library = jstat.normal.cdf(5, value, standard) - jstat.normal.cdf(-5, value, standard);
        expect(conformityProbability({ value, standard, lower: -5, upper: 5 })).toBeCloseTo(library, 6);
      }
    expect(conformityProbability({ value: 0, standard: 1, lower: -Infinity, upper: 0 })).toBe(0.5);
    // Far tails on either side. Abramowitz and Stegun, table 26.2: −lg Q(9) = 18.94746, −lg Q(10) = 23.11805 (memory).
    for (const sign of [1, -1]) {
      const [lower, upper] = sign > 0 ? [9, 10] : [-10, -9];
      const tail = conformityProbability({ value: 0, standard: 1, lower, upper });
      expect(-Math.log10(tail)).toBeCloseTo(-Math.log10(10 ** -18.94746 - 10 ** -23.11805), 4);
    }
    expect(() => conformityProbability({ value: 0, standard: 0, lower: -1, upper: 1 })).toThrow(/standard/);
  });
  it('inside the guard band w = U the specific risk is under 2.5 % (ILAC-G8:09/2019)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 2, noNaN: true }),
        fc.double({ min: -1, max: 1, noNaN: true }),
        (standard, share) => {
          const error = share * Math.max(0, 5 - 2 * standard);
          fc.pre(decide({ error, lower: -5, upper: 5, expanded: 2 * standard, rule: 'guarded' }) === 'pass');
          expect(1 - conformityProbability({ value: error, standard, lower: -Infinity, upper: 5 })).toBeLessThan(0.025);
          expect(1 - conformityProbability({ value: error, standard, lower: -5, upper: Infinity })).toBeLessThan(0.025);
        },
      ),
    );
  });
  it('a stated guard band replaces w = U (ILAC-G8:09/2019, 4.2.2)', () => {
    const limits = { lower: -5, upper: 5, expanded: 2, rule: 'guarded' } as const;
    expect(decide({ error: 4.4, ...limits, guardBand: 0.5 })).toBe('pass');
    expect(decide({ error: 4.6, ...limits, guardBand: 0.5 })).toBe('undecided');
    expect(decide({ error: 5.6, ...limits, guardBand: 0.5 })).toBe('fail');
    expect(() => decide({ error: 0, ...limits, guardBand: -1 })).toThrow(/guardBand/);
  });
});

describe('Wilson’s interval', () => {
  it('45 of 50 in tolerance, two-sided 95 %: lower end 0.786; one-sided 0.808 (Wilson 1927)', () => {
    expect(wilsonLowerBound({ successes: 45, trials: 50, confidence: 0.95 })).toBeCloseTo(0.786, 3);
    expect(wilsonLowerBound({ successes: 45, trials: 50, confidence: 0.9 })).toBeCloseTo(0.808, 3);
  });
  it('its ends solve |p̂ − p| = z √(p (1 − p) / n), with z of a statistics library (jstat)', () => {
    for (const [successes, trials] of [
      [1, 7],
      [45, 50],
      [99, 100],
      [300, 1000],
    ] as const) {
      const { lower, upper } = wilsonInterval({ successes, trials, confidence: 0.95 });
      for (const p of [lower, upper])
        expect(Math.abs(successes / trials - p) / Math.sqrt((p * (1 - p)) / trials)).toBeCloseTo(
          jstat.normal.inv(0.975, 0, 1),
          5,
        );
    }
    expect(wilsonInterval({ successes: 0, trials: 5, confidence: 0.95 }).lower).toBe(0);
    expect(wilsonInterval({ successes: 5, trials: 5, confidence: 0.95 }).upper).toBe(1);
    expect(() => wilsonLowerBound({ successes: 6, trials: 5, confidence: 0.95 })).toThrow(/successes/);
  });
});
