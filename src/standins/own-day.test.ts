import { expect, it } from 'vitest';
import { ownDay } from './own-day';

it('is the day of the zone that is set, whatever the machine’s', () => {
  // Tests are in UTC (vitest.config.ts).
  expect(ownDay(new Date('2026-11-28T23:30:00Z'))).toBe('2026-11-28');
  expect(ownDay(new Date('2026-11-29T00:00:00Z'))).toBe('2026-11-29');
});
