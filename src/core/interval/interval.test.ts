import { describe, expect, it } from 'vitest';
import { nextDue } from './next-due';
import { effectivePolicy } from './policy';
import { reminderStage } from './reminder-stage';

describe('next due (ISO 8601-1 calendar dates)', () => {
  it.each([
    ['2027-01-31', { months: 1 }, '2027-02-28'],
    ['2028-01-31', { months: 1 }, '2028-02-29'],
    ['2026-11-24', { days: 30 }, '2026-12-24'],
    ['2026-11-24', { months: 6 }, '2027-05-24'],
    ['2026-03-28', { days: 2 }, '2026-03-30'],
  ] as const)('%s + %o is %s', (from, every, due) => {
    expect(nextDue({ from, every })).toBe(due);
  });
  it.each(['2026-13-01', '24.11.2026', '2026-02-30'])('refuses “%s”', (from) => {
    expect(() => nextDue({ from, every: { days: 1 } })).toThrow(RangeError);
  });
  it('refuses an interval of nothing', () => {
    expect(() => nextDue({ from: '2026-11-24', every: { days: 0 } })).toThrow(/every/);
  });
});

describe('the policy that counts', () => {
  const policy = (scope: 'asset' | 'customerModel' | 'customer' | 'model', months: number) => ({
    id: scope,
    scope,
    every: { months },
  });
  it('asset over customer and model over customer over model', () => {
    const all = [policy('model', 12), policy('customer', 6), policy('customerModel', 3), policy('asset', 1)];
    expect([4, 3, 2, 1].map((count) => effectivePolicy({ policies: all.slice(0, count) })?.policy.scope)).toEqual([
      'asset',
      'customerModel',
      'customer',
      'model',
    ]);
    expect(effectivePolicy({ policies: [] })).toBeNull();
    expect(effectivePolicy({ policies: [policy('customer', 6)] })?.reason).toBe('set for this customer: every 6 months');
  });
});

describe('reminder stage (common practice: ahead, at, after)', () => {
  it.each([
    ['2026-12-16', null],
    ['2026-12-15', 'ahead'],
    ['2026-11-25', 'ahead'],
    ['2026-11-24', 'at'],
    ['2026-11-11', 'at'],
    ['2026-11-10', 'after'],
  ])('due %s on 24 Nov is %s', (due, stage) => {
    expect(reminderStage({ due, today: '2026-11-24', aheadDays: 21, afterDays: 14 })).toBe(stage);
  });
});
