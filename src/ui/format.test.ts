import { describe, expect, it } from 'vitest';
import { day, dayIn, dayTime, duration, signed, timeOfDay } from './format';

describe('how things are written', () => {
  it('dates as 24 Nov 2026, times in 24 h of the workshop’s zone', () => {
    expect(day('2026-11-24')).toBe('24 Nov 2026');
    expect(day(null)).toBe('—');
    expect(() => day('2026-11-24T23:30:00.000Z')).toThrow(RangeError);
    expect(dayIn('2026-11-24T23:30:00.000Z', 'Europe/Berlin')).toBe('25 Nov 2026');
    expect(dayIn('2026-11-24T23:30:00.000Z', 'America/Halifax')).toBe('24 Nov 2026');
    expect(dayTime('2026-11-24T23:30:00.000Z', 'Europe/Berlin')).toBe('25 Nov 2026, 00:30');
    expect(timeOfDay('2026-07-01T12:00:05.000Z', 'Europe/Berlin')).toBe('14:00:05');
  });
  it.each([
    [0, '0:00'],
    [-5, '0:00'],
    [59.9, '0:59'],
    [245, '4:05'],
    [3845, '1:04:05'],
  ])('%d s is %s', (seconds, text) => {
    expect(duration(seconds)).toBe(text);
  });
  it.each([
    ['-3.5', '−3.5'],
    ['0.0', '0.0'],
    ['1.20', '+1.20'],
    [null, '—'],
  ])('error %s is %s', (text, shown) => {
    expect(signed(text)).toBe(shown);
  });
});
