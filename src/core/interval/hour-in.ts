/**
 * The hour of the day, 0 to 23, that a moment has in a time zone (IANA name). Where the clock is put back an hour comes twice, where it is put forward one is left out.
 * Errors: RangeError for a zone that is none.
 *
 * @example
 * hourIn('Europe/Berlin', new Date('2026-07-01T05:30:00Z')) // 7
 */
export const hourIn = (zone: string, at: Date): number =>
  Number(new Intl.DateTimeFormat('en', { timeZone: zone, hour: 'numeric', hourCycle: 'h23' }).format(at));
