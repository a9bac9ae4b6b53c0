import { describe, expect, it } from 'vitest';
import { roundUncertainty } from '../quantity/round-uncertainty';
import { bounded, certified, observed, type Component } from './component';
import { coverageOf } from './coverage';
import { withReserve } from './reserve';
import { scopeAt, type ScopeEntry } from './scope';

const entry = (rest: Partial<ScopeEntry>): ScopeEntry => ({
  measurand: 'carbon monoxide',
  unit: 'ppm',
  lowest: '10',
  highest: '100',
  smallest: '2',
  form: 'absolute',
  ...rest,
});
const at = (value: string, scope = [entry({})], unit = 'ppm') => scopeAt({ scope, measurand: 'carbon monoxide', unit, value });

describe('the scope of a workshop', () => {
  it('both ends are inside, a hair beyond is not; another unit or quantity is not claimed; none stated claims nothing', () => {
    expect(at('10')).toEqual({ smallest: 2 });
    expect(at('100')).toEqual({ smallest: 2 });
    expect(at('9.99')).toBe('outside');
    expect(at('100.01')).toBe('outside');
    expect(at('50', [entry({})], 'mg/m3')).toBe('outside');
    expect(at('50', [entry({ measurand: 'pH' })])).toBe('outside');
    expect(at('50', [])).toBeNull();
  });
  it('percent of the value; where two lines meet, the larger', () => {
    expect(at('50', [entry({ smallest: '3', form: 'percent' })])).toEqual({ smallest: 1.5 });
    expect(at('100', [entry({}), entry({ lowest: '100', highest: '500', smallest: '8' })])).toEqual({ smallest: 8 });
  });
});

describe('U is never stated below what is claimed', () => {
  const basis = { code: 'source.practice' as const };
  const budgets: [name: string, budget: Component[]][] = [
    ['a rectangle alone', [bounded({ id: 'resolution', half: 0.5, basis })]],
    ['normal', [certified({ id: 'reference', expanded: 0.8, k: 2, basis })]],
    ['few readings', [observed({ id: 'repeatability', s: 0.3, n: 3, basis })]],
    ['mixed', [bounded({ id: 'resolution', half: 0.5, basis }), certified({ id: 'reference', expanded: 0.2, k: 2, basis })]],
    ['nothing at all', []],
  ];
  const reserve = { basis: { code: 'basis.scope' as const, numbers: { smallest: '', unit: '' } } };
  it.each(budgets)(
    '%s: the reserve brings it there, and no further than rounding; a large one is left alone',
    (_name, budget) => {
      const own = coverageOf(budget, 0.9545).expanded;
      for (const least of [0.901, 1.3, 2.345, 17]) {
        const whole = withReserve({ budget, least, coverage: 0.9545, ...reserve });
        const { expanded } = coverageOf(whole, 0.9545);
        expect(Number(roundUncertainty({ expanded }).text)).toBeGreaterThanOrEqual(Math.min(least, Math.max(own, least)));
        if (own < least) {
          expect(whole.at(-1)!.id).toBe('scope');
          expect(expanded).toBeLessThan(least * 1.12);
        } else expect(whole).toBe(budget);
      }
      expect(withReserve({ budget, least: 0, coverage: 0.9545, ...reserve })).toBe(budget);
      expect(withReserve({ budget, least: own * 0.9, coverage: 0.9545, ...reserve })).toBe(budget);
    },
  );
});
