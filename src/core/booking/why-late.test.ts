import { describe, expect, it } from 'vitest';
import { whyLate, type LateStory } from './why-late';

const story = (more: Partial<LateStory>): LateStory => ({
  received: '2026-11-02T08:00:00Z',
  begun: '2026-11-03T08:00:00Z',
  finished: '2026-11-03T10:00:00Z',
  approved: '2026-11-03T12:00:00Z',
  now: '2026-11-20T08:00:00Z',
  wordHours: 0,
  promisedDays: 5,
  usualHours: null,
  ...more,
});

describe('why something became late', () => {
  it.each([
    ['tray', { begun: '2026-11-12T08:00:00Z', finished: '2026-11-12T10:00:00Z', approved: null, now: '2026-11-13T08:00:00Z' }],
    ['tray', { begun: null, finished: null, approved: null }],
    // Nine of ten days in the tray were the customer's.
    ['word', { begun: '2026-11-12T08:00:00Z', finished: '2026-11-12T10:00:00Z', wordHours: 9 * 24 }],
    ['bench', { finished: null, approved: null }],
    ['approval', { approved: '2026-11-19T12:00:00Z' }],
    // Promised for the next day where three is usual, and done in three.
    [
      'promise',
      {
        begun: '2026-11-04T08:00:00Z',
        finished: '2026-11-04T10:00:00Z',
        approved: '2026-11-05T08:00:00Z',
        promisedDays: 1,
        usualHours: 72,
      },
    ],
  ] as const)('%s', (cause, more) => {
    expect(whyLate(story(more)).cause).toBe(cause);
  });
  it('its parts add up to the whole way, and none is below nothing', () => {
    const { days } = whyLate(story({ wordHours: 1000 }));
    expect(Object.values(days).every((one) => one >= 0)).toBe(true);
    const plain = whyLate(story({})).days;
    expect(plain.tray + plain.bench + plain.approval).toBeCloseTo(1.2, 1);
  });
});
