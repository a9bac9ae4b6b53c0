import { describe, expect, it } from 'vitest';
import { normalFrom, seededUniform } from '../uncertainty/random';
import { windowSamples } from './window-samples';

describe('readings of a settled window', () => {
  it('independent ones are worth what they are, and their s is that of NIST’s plain formula', () => {
    // JCGM 100:2008, table H.2, voltages in V: s = 0.0032 of five readings; here doubled to make a window.
    const five = [5.007, 4.994, 5.005, 4.99, 4.999];
    expect(windowSamples(five)).toBeNull();
    const ten = windowSamples([...five, ...five])!;
    expect(ten.n).toBe(10);
    expect(ten.s).toBeCloseTo(Math.sqrt((2 * 4 * (0.0032 * Math.sqrt(5)) ** 2) / 9), 3);
    expect(windowSamples([1, 2, 1, 2, 1, 2, 1, 2])).toEqual({ n: 8, s: 0.535, correlation: 0, worth: 8 });
  });
  it('of a first-order process the mean varies as if so many were independent (drawn, 2000 windows)', () => {
    const normal = normalFrom(seededUniform(4));
    const r = 0.8;
    const means: number[] = [];
    const worths: number[] = [];
    for (let window = 0; window < 2000; window += 1) {
      let value = normal() / Math.sqrt(1 - r * r);
      const values = Array.from({ length: 200 }, () => (value = r * value + normal()));
      means.push(values.reduce((sum, one) => sum + one, 0) / values.length);
      worths.push(windowSamples(values)!.worth);
    }
    const variance = means.reduce((sum, one) => sum + one * one, 0) / means.length;
    const independent = 1 / (1 - r * r) / variance;
    const worth = worths.reduce((sum, one) => sum + one, 0) / worths.length;
    expect(Math.abs(worth / independent - 1)).toBeLessThan(0.15);
  });
  it('nothing to say where the display stood still', () => expect(windowSamples(Array<number>(60).fill(50))).toBeNull());
});
