import { tz } from '@date-fns/tz';
import { getHours } from 'date-fns';
import { expect, it } from 'vitest';
import { hourIn } from './hour-in';

it('is what another library says, through both changes of the clock and around midnight', () => {
  for (const zone of ['Europe/Berlin', 'America/St_Johns', 'Pacific/Auckland', 'UTC'])
    for (let at = Date.parse('2026-03-28T00:00:00Z'); at < Date.parse('2026-11-02T00:00:00Z'); at += 41 * 60_000 * 17)
      expect(hourIn(zone, new Date(at))).toBe(getHours(new Date(at), { in: tz(zone) }));
  // Clock put forward (2026-03-29, 2 h is left out) and back (2026-10-25, 2 h comes twice).
  expect(['00:30', '01:30'].map((time) => hourIn('Europe/Berlin', new Date(`2026-03-29T${time}:00Z`)))).toEqual([1, 3]);
  expect(['00:30', '01:30'].map((time) => hourIn('Europe/Berlin', new Date(`2026-10-25T${time}:00Z`)))).toEqual([2, 2]);
  expect(() => hourIn('Nowhere/Land', new Date())).toThrow(RangeError);
});
