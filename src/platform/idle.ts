/** The screen locks first; the house itself waits a little longer for the last word of a slow browser. */
const GRACE_MINUTES = 2;

/**
 * Whether nobody was there for so long that the house asks who goes on. Minutes; 0 never. Errors: none. Source: inactivity of 30 minutes at most (NIST SP 800-63B, 4.2.3); at a shared bench shorter is common practice.
 *
 * @example
 * isIdle(new Date('2026-11-27T08:00:00Z'), 15, new Date('2026-11-27T08:17:01Z')) // true
 */
export function isIdle(seenAt: Date, afterMinutes: number, now = new Date()): boolean {
  return afterMinutes > 0 && now.getTime() - seenAt.getTime() > (afterMinutes + GRACE_MINUTES) * 60_000;
}
