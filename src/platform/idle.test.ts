import { describe, expect, it } from 'vitest';
import { isIdle } from './idle';

describe('a session that nobody touched', () => {
  const at = (time: string) => new Date(`2026-11-27T${time}Z`);
  it.each([
    ['08:15:00', 15, false],
    ['08:17:00', 15, false],
    ['08:17:01', 15, true],
    ['23:00:00', 0, false],
  ])('at %s, %d minutes asked: %s', (time, minutes, idle) => {
    expect(isIdle(at('08:00:00'), minutes, at(time))).toBe(idle);
  });
});
