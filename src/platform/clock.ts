/** Time is a port: one clock, asked here and handed on as an argument. */
export interface Clock {
  now(): Date;
  speed: number;
}

const START = Date.now();

/** The machine's clock, or a faster one for practice and tests (WERKBANK_CLOCK_SPEED): what runs on it is marked "practice". */
export function systemClock(): Clock {
  const speed = Number(process.env.WERKBANK_CLOCK_SPEED ?? 1);
  return speed > 0 && speed !== 1
    ? { speed, now: () => new Date(START + (Date.now() - START) * speed) }
    : { speed: 1, now: () => new Date() };
}

/** Whether runs started now are practice: no genuine certificate comes of them outside demo and tests. */
export function isPractice(): boolean {
  return systemClock().speed !== 1;
}

/** Calendar date of an instant in the workshop's zone. */
export function dateIn(zone: string, instant: Date): string {
  // Swedish dates are ISO dates; a formatter is costly to make and cheap to keep.
  let format = DAYS.get(zone);
  if (!format) DAYS.set(zone, (format = new Intl.DateTimeFormat('sv-SE', { timeZone: zone, dateStyle: 'short' })));
  return format.format(instant);
}

const DAYS = new Map<string, Intl.DateTimeFormat>();
