import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { bounded, certified, type Component } from '../uncertainty/component';
import { judgeReading } from './judge';
import { toleranceAt } from '../record/tolerance';
import { judgementSentence } from './judgement-sentence';

const basis = { code: 'source.practice' } as const;
const bottle = (expanded = 0.5): Component => certified({ id: 'reference', expanded, k: 2, basis });
const step = (half = 0.25): Component => bounded({ id: 'resolution', half, basis });
const judge = (text: string, more: Partial<Parameters<typeof judgeReading>[0]> = {}) =>
  judgeReading({
    reading: { text, unit: 'ppm', status: 'value' },
    target: '25.0',
    limitAt: () => '2.5',
    resolution: '0.5',
    budget: [bottle(), step()],
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
  it('error, budget, k and U in two digits, and the numbers it rests on (JCGM 100:2008, 5.1.2, 7.2.6)', () => {
    const verdict = judge('21.5');
    // u² = (0.5 / 2)² + (0.25 / √3)², U = 2 u = 0.577
    expect(verdict).toMatchObject({
      code: 'outside',
      state: 'outside',
      reference: '25.00',
      error: '-3.50',
      lower: '-2.5',
      upper: '2.5',
      k: 2,
      expanded: '0.58',
    });
    expect(verdict.standard).toBeCloseTo(Math.hypot(0.25, 0.25 / Math.sqrt(3)), 5);
    expect(judgementSentence(verdict, 'ppm')).toBe('Outside: −3.50 ppm against ± 2.5 ppm.');
  });
  it('a display that shows more digits than its step keeps them; one over its range has none of its own', () => {
    const finer = judge('24.312', { budget: [bottle(5)] });
    expect(finer).toMatchObject({ reference: '25.000', error: '-0.688' });
    const over = judge('9.9999', { budget: [bottle(5)], reading: { text: '9.9999', unit: 'ppm', status: 'over' } });
    expect(over.reference).toBe('25.0');
  });
  it('a rectangle alone has k = 1.65 and says so (EA-4/02)', () => {
    const verdict = judge('25.0', { budget: [step()], coverage: 0.95 });
    expect(verdict).toMatchObject({ k: 1.65, kReason: { code: 'k.rectangle' } });
  });
  it('the limit itself is inside; one step beyond is not', () => {
    expect(judge('27.5').state).toBe('within');
    expect(judge('28.0').state).toBe('outside');
    expect(judge('22.5').state).toBe('within');
    // In binary 0.042 − 0.037 is more than 0.005.
    expect(judge('0.042', { target: '0.037', limitAt: () => '0.005', resolution: '0.001', budget: [step(0.0005)] }).state).toBe(
      'within',
    );
  });
  it('guarded: near the limit it can’t be told, and says how much nearer than U', () => {
    const verdict = judge('27.0', { rule: 'guarded' });
    expect(verdict).toMatchObject({ code: 'guardBand', state: 'cannotTell' });
    expect(judgementSentence(verdict, 'ppm')).toContain('nearer to the limit than the uncertainty of 0.58 ppm');
    expect(judge('25.5', { rule: 'guarded' }).state).toBe('within');
    expect(judge('28.5', { rule: 'guarded' }).state).toBe('outside');
  });
  it('over or under the range is outside without a number, a fault is not measured', () => {
    const shown = (status: 'over' | 'under' | 'fault') => judge('', { reading: { text: '', unit: 'ppm', status } });
    expect(shown('over')).toMatchObject({ code: 'over', state: 'outside', error: null, expanded: null });
    expect(judgementSentence(shown('under'), 'ppm')).toContain('under its range');
    expect(shown('fault').state).toBe('notMeasured');
  });
  it('U is never under half the recorded spread, and is rounded up to it', () => {
    const verdict = judge('25.0', { budget: [step(0.1)], spread: '1.37' });
    expect(Number(verdict.expanded)).toBeGreaterThanOrEqual(1.37 / 2);
  });
  it('whatever the figures: reading − reference = error to the digit, two digits of U, and the verdict by what is printed', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 4000 }),
        fc.double({ min: 0.01, max: 400, noNaN: true }),
        fc.double({ min: 0.0001, max: 30, noNaN: true }),
        fc.constantFrom('simple' as const, 'guarded' as const),
        (shown, target, expanded, rule) => {
          const text = (shown / 10).toFixed(1);
          const verdict = judge(text, {
            target: String(target),
            resolution: '0.1',
            budget: [bottle(expanded), step(0.05)],
            rule,
          });
          const places = Math.max(...[text, verdict.reference!, verdict.error!].map((one) => (one.split('.')[1] ?? '').length));
          const scaled = (one: string) => Math.round(Number(one) * 10 ** places);
          expect(scaled(text) - scaled(verdict.reference!)).toBe(scaled(verdict.error!));
          expect(verdict.expanded!.replace('.', '').replace(/^0+/, '')).toMatch(/^\d{2}0*$/);
          const [error, U] = [Math.abs(Number(verdict.error)), Number(verdict.expanded)];
          if (rule === 'simple') expect(verdict.state).toBe(error <= 2.5 ? 'within' : 'outside');
          else if (error < 2.5 - U - 1e-9) expect(verdict.state).toBe('within');
          else if (error > 2.5 + U + 1e-9) expect(verdict.state).toBe('outside');
        },
      ),
    );
  });
  it('the same error above and below gives the same verdict, and a wider tolerance never a worse one', () => {
    const order = { outside: 0, notMeasured: 0, cannotTell: 1, within: 2 };
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 20 }), fc.constantFrom('simple' as const, 'guarded' as const), (steps, rule) => {
        const at = (sign: number) => judge((25 + (sign * steps) / 2).toFixed(1), { rule }).state;
        expect(at(1)).toBe(at(-1));
        const wider = judge((25 + steps / 2).toFixed(1), { rule, limitAt: () => '4' }).state;
        expect(order[wider]).toBeGreaterThanOrEqual(order[at(1)]);
      }),
    );
  });
});
