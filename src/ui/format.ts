const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
const clocks = new Map<string, Intl.DateTimeFormat>();

/** Parts of an instant on the clock of a zone, by the platform: every page shows times, and a package for them is what it would load first. */
function partsIn(zone: string, instant: string | Date): Record<string, string> {
  let clock = clocks.get(zone);
  if (!clock) {
    const two = '2-digit' as const;
    clock = new Intl.DateTimeFormat('en-GB', {
      timeZone: zone,
      hourCycle: 'h23',
      year: 'numeric',
      month: 'numeric',
      day: 'numeric',
      hour: two,
      minute: two,
      second: two,
    });
    clocks.set(zone, clock);
  }
  return Object.fromEntries(clock.formatToParts(new Date(instant)).map(({ type, value }) => [type, value]));
}

const written = (year: number | string, month: number | string, date: number | string) =>
  `${Number(date)} ${MONTHS[Number(month) - 1]} ${year}`;

/** "24 Nov 2026" of a date. An instant has a day only in a zone: dayIn. Errors: RangeError for what is no date. */
export function day(date: string | null): string {
  if (!date) return '—';
  const plain = /^(\d{4})-(\d{2})-(\d{2})$/.exec(date);
  if (!plain) throw new RangeError(`day must be given a date, got ${date}`);
  return written(plain[1]!, plain[2]!, plain[3]!);
}

/** "24 Nov 2026" of an instant, in the workshop's zone: just after midnight there it may be yesterday by UTC. */
export function dayIn(instant: string | Date, zone: string): string {
  const { year, month, day: date } = partsIn(zone, instant);
  return written(year!, month!, date!);
}

/** "24 Nov 2026, 14:05" in the workshop's zone. */
export function dayTime(instant: string | Date, zone: string): string {
  const { year, month, day: date, hour, minute } = partsIn(zone, instant);
  return `${written(year!, month!, date!)}, ${hour}:${minute}`;
}

/** "14:05:09" in the workshop's zone. */
export function timeOfDay(instant: string | Date, zone: string): string {
  const { hour, minute, second } = partsIn(zone, instant);
  return `${hour}:${minute}:${second}`;
}

/** "4:05", "1:04:05" */
export function duration(seconds: number): string {
  const whole = Math.max(0, Math.floor(seconds));
  const [hours, minutes, rest] = [Math.floor(whole / 3600), Math.floor((whole % 3600) / 60), whole % 60];
  const two = (n: number) => String(n).padStart(2, '0');
  return hours ? `${hours}:${two(minutes)}:${two(rest)}` : `${minutes}:${two(rest)}`;
}

/** A signed decimal text with a true minus. */
export function signed(text: string | null): string {
  if (text === null) return '—';
  if (text.startsWith('-')) return `−${text.slice(1)}`;
  return /^0(\.0*)?$/.test(text) ? text : `+${text}`;
}
