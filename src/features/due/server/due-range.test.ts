import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { addDays, format, parseISO } from 'date-fns';
import { dueRange, type DueWindow } from './due-list';

describe('windows of the due list', () => {
  it.each<[DueWindow, string, string | null, string | null]>([
    ['overdue', '2026-11-24', null, '2026-11-23'],
    ['thisMonth', '2026-11-24', '2026-11-24', '2026-11-30'],
    ['nextMonth', '2026-11-24', '2026-12-01', '2026-12-31'],
    ['nextMonth', '2026-12-31', '2027-01-01', '2027-01-31'],
    ['nextMonth', '2028-01-31', '2028-02-01', '2028-02-29'],
    ['thisMonth', '2026-11-30', '2026-11-30', '2026-11-30'],
    ['overdue', '2026-03-01', null, '2026-02-28'],
    ['all', '2026-11-24', null, null],
  ])('%s on %s is %s to %s', (window, today, from, to) => {
    expect(dueRange(window, today)).toEqual({ from, to });
  });
  it('overdue, this month and next month lie side by side: no day in two of them, none left out between', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 4000 }), (offset) => {
        const today = format(addDays(parseISO('2024-01-01'), offset), 'yyyy-MM-dd');
        const next = (date: string) => format(addDays(parseISO(date), 1), 'yyyy-MM-dd');
        const [overdue, present, following] = [
          dueRange('overdue', today),
          dueRange('thisMonth', today),
          dueRange('nextMonth', today),
        ];
        expect(next(overdue.to!)).toBe(present.from);
        expect(next(present.to!)).toBe(following.from);
        expect(following.to! > following.from!).toBe(true);
      }),
    );
  });
});
