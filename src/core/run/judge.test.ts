import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import type { TargetUsed } from './event';
import { judgeReading, toleranceAt } from './judge';

const target = (value: string, expanded: string | null = '0.5'): TargetUsed => ({
  value,
  unit: 'ppm',
  expanded,
  k: 2,
  inputs: {},
  binding: 1,
  sentence: '',
});
const judge = (text: string, more: Partial<Parameters<typeof judgeReading>[0]> = {}) =>
  judgeReading({
    reading: { text, unit: 'ppm', status: 'value' },
    target: target('25.0'),
    tolerance: '2.5',
    resolution: '0.5',
    rule: 'simple',
    coverage: 0.9545,
    ...more,
  });

describe('tolerance at a target (common practice: whichever is greater)', () => {
  it.each([
    ['25', false, '2.5'],
    ['10', false, '2'],
    ['0', false, '2'],
    ['0', true, '1'],
    ['-50', false, '5'],
  ])('2 ppm or 10 %%, 1 ppm at zero: at %s (zero: %s) it is %s', (at, zero, half) => {
    expect(toleranceAt({ tolerance: { absolute: '2', percentOfTarget: '10', zero: '1' }, target: at, zero })).toBe(half);
  });
  it('a part that is not agreed counts for nothing', () => {
    expect(toleranceAt({ tolerance: { absolute: '3' }, target: '1000', zero: false })).toBe('3');
    expect(toleranceAt({ tolerance: { percentOfTarget: '5' }, target: '100', zero: true })).toBe('5');
  });
});

describe('one reading', () => {
  it('error, budget of reference and resolution, and the numbers it rests on (JCGM 100:2008, 4.3.7, F.2.2.1)', () => {
    const verdict = judge('21.5');
    expect(verdict).toMatchObject({ code: 'outside', state: 'outside', error: '-3.5', lower: '-2.5', upper: '2.5', k: 2 });
    // u² = (0.5 / 2)² + (0.25 / √3)², U = 2 u.
    expect(Number(verdict.expanded)).toBeCloseTo(2 * Math.sqrt(0.25 ** 2 + 0.25 ** 2 / 3), 5);
    expect(verdict.components.map((component) => component.name)).toEqual(['reference', 'resolution']);
    expect(verdict.sentence).toBe('Outside: −3.5 ppm against ± 2.5 ppm.');
  });
  it('the limit itself is inside; one step beyond is not', () => {
    expect(judge('27.5').state).toBe('within');
    expect(judge('28.0').state).toBe('outside');
    expect(judge('22.5').state).toBe('within');
    // In binary 0.042 − 0.037 is more than 0.005.
    expect(judge('0.042', { target: target('0.037', null), tolerance: '0.005', resolution: '0.001' }).state).toBe('within');
  });
  it('guarded: near the limit it can’t be told, and says how much nearer than U', () => {
    const verdict = judge('27.0', { rule: 'guarded' });
    expect(verdict).toMatchObject({ code: 'guardBand', state: 'cannotTell' });
    expect(verdict.sentence).toContain('nearer to the limit than the uncertainty');
    expect(judge('25.5', { rule: 'guarded' }).state).toBe('within');
    expect(judge('28.5', { rule: 'guarded' }).state).toBe('outside');
  });
  it('over or under the range is outside without a number, a fault is not measured', () => {
    const shown = (status: 'over' | 'under' | 'fault') => judge('', { reading: { text: '', unit: 'ppm', status } });
    expect(shown('over')).toMatchObject({ code: 'noNumber', state: 'outside', error: null, expanded: null });
    expect(shown('under').state).toBe('outside');
    expect(shown('fault').state).toBe('notMeasured');
  });
  it('a further component widens U; without a reference only the resolution is left', () => {
    const extra = [{ name: 'settling', standard: 1, basis: 'what was left' }];
    expect(Number(judge('25.0', { extra }).expanded)).toBeGreaterThan(2);
    expect(judge('25.0', { target: target('25.0', null) }).components.map((component) => component.name)).toEqual(['resolution']);
  });
  it('the same error above and below gives the same verdict, and a wider tolerance never a worse one', () => {
    const order = { outside: 0, notMeasured: 0, cannotTell: 1, within: 2 };
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 20 }), fc.constantFrom('simple' as const, 'guarded' as const), (steps, rule) => {
        const at = (sign: number) => judge((25 + (sign * steps) / 2).toFixed(1), { rule }).state;
        expect(at(1)).toBe(at(-1));
        const wider = judge((25 + steps / 2).toFixed(1), { rule, tolerance: '4' }).state;
        expect(order[wider]).toBeGreaterThanOrEqual(order[at(1)]);
      }),
    );
  });
});
