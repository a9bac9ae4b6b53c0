import { describe, expect, it } from 'vitest';
import { bumpState } from './bump-state';

const at = '2026-11-25T07:00:00.000Z';
const state = (now: string, passed: boolean | null = true, bumpedAt: string | null = at) =>
  bumpState({ bumpedAt, passed, now }).state;

describe('bump due is a state of its own (common practice: before each day’s use, a 24 h ready mark)', () => {
  it.each([
    ['right after', '2026-11-25T07:00:01.000Z', 'ready'],
    ['a millisecond before a day is over', '2026-11-26T06:59:59.999Z', 'ready'],
    ['a day later', '2026-11-26T07:00:00.000Z', 'due'],
    ['a month later', '2026-12-25T07:00:00.000Z', 'due'],
  ])('%s', (_name, now, expected) => expect(state(now)).toBe(expected));
  it('a failed one takes the mark away, whatever the time; none on record is said', () => {
    expect(state('2026-11-25T07:00:01.000Z', false)).toBe('failed');
    expect(state('2026-11-25T07:00:01.000Z', null, null)).toBe('never');
    expect(bumpState({ bumpedAt: at, passed: true, now: at }).readyUntil).toBe('2026-11-26T07:00:00.000Z');
  });
  it('refuses what is no instant and no time', () => {
    expect(() => bumpState({ bumpedAt: 'yesterday', passed: true, now: at })).toThrow(/instants/);
    expect(() => bumpState({ bumpedAt: at, passed: true, now: at, everyHours: 0 })).toThrow(/everyHours/);
  });
});
