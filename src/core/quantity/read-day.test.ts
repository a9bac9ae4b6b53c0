import { describe, expect, it } from 'vitest';
import { orderOf, readDay } from './read-day';

// Forms of dates that stand in people's tables: common practice; ISO 8601 is the form that is kept.
describe('days as people write them', () => {
  it.each([
    ['2026-11-28', '2026-11-28'],
    ['2026-11-28T00:00:00.000Z', '2026-11-28'],
    ['20261128', '2026-11-28'],
    ['28.11.2026', '2026-11-28'],
    ['3.4.26', '2026-04-03'],
    ['28/11/2026', '2026-11-28'],
    ['11/28/2026', '2026-11-28'],
    ['28 Nov 2026', '2026-11-28'],
    ['28-Nov-2026', '2026-11-28'],
    ['November 28, 2026', '2026-11-28'],
    ['29.2.2028', '2028-02-29'],
  ])('%s', (given, iso) => expect(readDay(given)).toBe(iso));
  it('where both could be meant the order of the table decides; points have the day first', () => {
    expect(readDay('3/4/2026', 'dayFirst')).toBe('2026-04-03');
    expect(readDay('3/4/2026', 'monthFirst')).toBe('2026-03-04');
    expect(readDay('3.4.2026', 'monthFirst')).toBe('2026-04-03');
  });
  it.each(['', 'soon', '29.2.2027', '31/11/2026', '13/13/2026', '0000-00-00', '45000', '1.1.1899'])('%j is no day', (given) =>
    expect(readDay(given)).toBeNull(),
  );
  it('a column tells its order by the days in which only one way is possible', () => {
    expect(orderOf(['3/4/2026', '28/11/2026'])).toBe('dayFirst');
    expect(orderOf(['3/4/2026', '11/28/2026'])).toBe('monthFirst');
    expect(orderOf(['3/4/2026', '2026-01-01'])).toBeNull();
  });
});
