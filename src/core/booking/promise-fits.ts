import { workingDays } from './plan-work';

/** Days that are looked at for one that has room. */
const DAYS = 60;

/**
 * Whether so much more can be promised for a day, and the first day for which it can: all that is promised for any day from then on has to fit into the working days until it.
 * Arguments: minutes of work that all people together have in a day, above 0. Null where none of the next sixty working days has room. Errors: none. Source: earliest due date first is feasible if anything is (Jackson 1955).
 *
 * @example
 * promiseFits({ today: '2026-11-30', minutesADay: 360, promised: [{ promiseOn: '2026-12-01', minutes: 700 }], minutes: 45, day: '2026-12-01' }) // { fits: false, first: '2026-12-02' }
 */
export function promiseFits({
  today,
  minutesADay,
  promised,
  minutes,
  day,
}: {
  today: string;
  minutesADay: number;
  promised: readonly { promiseOn: string; minutes: number }[];
  minutes: number;
  day: string;
}): { fits: boolean; first: string | null } {
  const days = workingDays(today, DAYS);
  const wanted = (until: string) => promised.filter((one) => one.promiseOn <= until).reduce((sum, one) => sum + one.minutes, 0);
  const holds = (from: string) =>
    days.every((until, index) => until < from || wanted(until) + minutes <= minutesADay * (index + 1));
  return { fits: day >= today && holds(day), first: days.find(holds) ?? null };
}
