import { describe, expect, it } from 'vitest';
import { ELECTRODE } from '@/procedures/water-schools';
import { electrodeCondition } from './electrode-condition';
import { ELECTRODE_SCHOOLS, electrodeLimits } from './electrode-limits';

const at = (slopePercent: number, way: string) =>
  electrodeCondition({
    electrode: { offsetMv: 0, segments: [{ fromPH: 4, toPH: 7, slopePercent, millivoltsPerPH: 58 }] } as never,
    limits: electrodeLimits({ 'electrode-limits': way }),
  }).condition;

describe('limits between which a workshop chooses for an electrode', () => {
  it('offers what the rule knows, and each has words', () => {
    expect(ELECTRODE.options.map((one) => one.id)).toEqual([...ELECTRODE_SCHOOLS]);
    expect(electrodeLimits(undefined)).toEqual({});
    expect(electrodeLimits({ 'electrode-limits': 'of another time' })).toEqual({});
  });
  it.each<[slope: number, usual: string, pharmacopoeia: string, strict: string]>([
    // USP <791>: 90 to 105 %; 95 % is common practice. Limits include their end values.
    [89.9, 'fail', 'fail', 'fail'],
    [90, 'caution', 'good', 'fail'],
    [94.9, 'caution', 'good', 'fail'],
    [95, 'good', 'good', 'good'],
    [105, 'good', 'good', 'good'],
    [105.1, 'fail', 'fail', 'fail'],
  ])('%f %%', (slope, ...wanted) => {
    expect(ELECTRODE_SCHOOLS.map((way) => at(slope, way))).toEqual(wanted);
  });
});
