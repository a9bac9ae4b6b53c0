import { expect, it } from 'vitest';
import { loanRefusal, type LoanInstrument, type LoanRefusal } from './loan';
import { spareRefusal } from './spare';

// Common practice: no standard says what a workshop lends or how long a spare keeps; the maker's date does.
const GOOD: LoanInstrument = { forLoan: true, inUse: true, inHouse: false, out: false, nextDue: '2027-02-01', fault: '' };

it.each([
  [{}, null],
  [{ forLoan: false }, 'notForLoan'],
  [{ out: true }, 'out'],
  [{ inHouse: true }, 'inHouse'],
  [{ inUse: false }, 'notInUse'],
  [{ fault: 'fell into the dock' }, 'fault'],
  [{ nextDue: null }, 'neverCalibrated'],
  [{ nextDue: '2026-12-04' }, 'dueBefore'],
  [{ nextDue: '2026-12-05' }, null],
] as [Partial<LoanInstrument>, LoanRefusal | null][])('an instrument %o is lent for a week: %s', (more, refusal) =>
  expect(loanRefusal({ ...GOOD, ...more }, { day: '2026-11-28', until: '2026-12-05' })).toBe(refusal),
);
it('nothing is lent until yesterday; until today it is', () => {
  expect(loanRefusal(GOOD, { day: '2026-11-28', until: '2026-11-27' })).toBe('past');
  expect(loanRefusal(GOOD, { day: '2026-11-28', until: '2026-11-28' })).toBeNull();
});
it('a spare is fitted to the last day of its shelf life, as often as there are any, and never once it was written off', () => {
  const spare = { quantity: 2, shelfUntil: '2026-11-28', ended: false };
  const on = (day: string, wanted = 1, more = {}) => spareRefusal({ ...spare, ...more }, { day, wanted });
  expect([on('2026-11-28'), on('2026-11-28', 2), on('2026-11-28', 3), on('2026-11-29')]).toEqual([
    null,
    null,
    'tooFew',
    'expired',
  ]);
  expect(on('2040-01-01', 1, { shelfUntil: null })).toBeNull();
  expect(on('2026-11-28', 1, { ended: true })).toBe('ended');
});
