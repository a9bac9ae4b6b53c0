import { describe, expect, it } from 'vitest';
import { datesIn } from './read-date';

describe('a date read off a display', () => {
  it.each([
    ['2026-11-27', ['2026-11-27']],
    ['2026-11-27T08:15:00.000Z', ['2026-11-27']],
    ['27 Nov 2026', ['2026-11-27']],
    ['Nov 27, 2026 08:15', ['2026-11-27']],
    ['27.11.2026', ['2026-11-27']],
    ['27/11/26', ['2026-11-27']],
    ['11/27/2026', ['2026-11-27']],
    ['3/12/2026', ['2026-12-03', '2026-03-12']],
    ['20261127', ['2026-11-27']],
  ])('%s', (shown, dates) => expect(datesIn(shown)).toEqual(dates));
  it.each(['', 'today', 'ok', '180', '31 Feb 2026', '45/45/2026'])('“%s” is none', (shown) => expect(datesIn(shown)).toEqual([]));
});
