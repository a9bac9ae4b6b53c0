import { describe, expect, it } from 'vitest';
import { normals } from '../history/workshop.fixture';
import { controlLimits, LEAST_BASELINE } from './control-limits';
import { enScore } from './en-score';
import { ewma } from './ewma';
import { outOfControl } from './out-of-control';

/** NIST/SEMATECH e-Handbook of Statistical Methods, 6.3.2.2, flow rate of ten batches (from memory; moving ranges worked again by hand: 16.9 / 9). */
const FLOW = [49.6, 47.6, 49.9, 51.3, 47.8, 51.2, 52.6, 52.4, 53.6, 52.1];

describe('a chart of individual values', () => {
  it('has the limits of the handbook’s example', () => {
    const { centre, sigma } = controlLimits({ values: FLOW })!;
    expect(centre).toBeCloseTo(50.81, 10);
    expect(centre + 3 * sigma).toBeCloseTo(55.8041, 4);
    expect(centre - 3 * sigma).toBeCloseTo(45.8159, 4);
    expect(outOfControl({ values: FLOW, limits: controlLimits({ values: FLOW })! }).filter((one) => one === 'beyond')).toEqual(
      [],
    );
  });
  it('has none from too few; equal readings scatter by what the display can’t show', () => {
    expect(controlLimits({ values: FLOW.slice(0, LEAST_BASELINE - 1) })).toBeNull();
    const still = controlLimits({ values: Array<number>(10).fill(7.01), resolution: 0.01 })!;
    expect(still.sigma).toBeCloseTo(0.01 / Math.sqrt(12), 12);
    const limits = controlLimits({ values: Array<number>(10).fill(7.01) })!;
    expect(outOfControl({ values: [7.01, 7.02], limits })).toEqual([null, 'beyond']);
  });
});

describe('moving averages', () => {
  it('are the handbook’s, 6.3.2.4', () => {
    // Twenty values about 50 with s = 2.0539 and lambda 0.3 (from memory).
    const values = [52, 47, 53, 49.3, 50.1, 47, 51, 50.1, 51.2, 50.5, 49.6, 47.6, 49.9, 51.3, 47.8, 51.2, 52.6, 52.4, 53.6, 52.1];
    const { means, lower, upper } = ewma({ values, limits: { centre: 50, sigma: 2.0539, n: 20 } });
    expect(means.map((one) => one.toFixed(2))).toEqual(
      '50.60 49.52 50.56 50.18 50.16 49.21 49.75 49.85 50.26 50.33 50.11 49.36 49.52 50.05 49.38 49.92 50.73 51.23 51.94 51.99'.split(
        ' ',
      ),
    );
    expect(upper).toBeCloseTo(52.5884, 3);
    expect(lower).toBeCloseTo(47.4115, 3);
  });
});

describe('what is out of control', () => {
  const limits = { centre: 100, sigma: 1, n: 30 };
  it('one far out, two of three, eight on a side, a creep that no single value shows', () => {
    expect(outOfControl({ values: [100, 103.1], limits })).toEqual([null, 'beyond']);
    expect(outOfControl({ values: [102.1, 99, 102.2], limits }).at(-1)).toBe('twoOfThree');
    expect(outOfControl({ values: [102.1, 99, 97.8], limits }).at(-1)).toBeNull();
    expect(outOfControl({ values: Array<number>(8).fill(100.2), limits }).at(-1)).toBe('run');
    // On a display in steps of one, a value beside the centre is on neither side.
    expect(outOfControl({ values: Array<number>(8).fill(100.2), limits, resolution: 1 }).at(-1)).toBeNull();
    expect(outOfControl({ values: [101.8, 101.7, 101.9, 101.8], limits }).at(-1)).toBe('creep');
  });
  it('on sound values rings seldom, on a shift of one standard deviation soon', () => {
    const normal = normals(11);
    const lengths = (shift: number, most: number) =>
      Array.from({ length: 400 }, () => {
        const values = Array.from({ length: most }, () => 100 + shift + normal());
        const at = outOfControl({ values, limits }).findIndex((one) => one !== null);
        return at < 0 ? most : at + 1;
      });
    const mean = (all: number[]) => all.reduce((sum, one) => sum + one, 0) / all.length;
    expect(mean(lengths(0, 400))).toBeGreaterThan(60);
    // Single values beyond three standard deviations alone would take 44 (NIST/SEMATECH e-Handbook, 6.3.2.3).
    expect(mean(lengths(1, 200))).toBeLessThan(11);
    expect(mean(lengths(2, 200))).toBeLessThan(4);
  });
});

it('Eₙ of a comparison: up to one agrees', () => {
  // ISO 13528:2022, 9.7: (x − X) / √(U² + U²).
  expect(enScore({ value: 50.2, expanded: 0.3, reference: 50, referenceExpanded: 0.4 })).toEqual({
    score: expect.closeTo(0.4, 12),
    agrees: true,
  });
  expect(enScore({ value: 9, expanded: 0.3, reference: 10, referenceExpanded: 0.4 }).agrees).toBe(false);
  expect(() => enScore({ value: 1, expanded: 0, reference: 1, referenceExpanded: 1 })).toThrow(RangeError);
});
