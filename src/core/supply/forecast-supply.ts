import { addDays, differenceInCalendarDays, format, parseISO } from 'date-fns';
import { requireRange } from '../range-error';

/** One bottle as it stands: what is left of it, and until when it may be used. */
export interface Supply {
  id: string;
  left: number;
  /** Last day of use; null for one that does not end. */
  until: string | null;
}
export interface SupplyForecast {
  bottles: {
    id: string;
    /** Day on which it is used up; null where it lasts longer than is looked ahead. */
    usedUpOn: string | null;
    /** What is left of it on its last day; 0 where it is used up before, null where that lies beyond what is looked ahead. */
    wasted: number | null;
  }[];
  /** Day from which what is wanted is no longer there; null where all is. */
  shortOn: string | null;
  /** What is wanted and not there, over all that is looked ahead. */
  missing: number;
}

/**
 * What bottles of one mixture come to when so much of it is wanted each week: what ends first is used first, evenly over the days of a week.
 * Quantity: litres, or millilitres; range: left and wanted 0 to 1e9. Errors: RangeError. Source: common practice (first to expire, first out).
 *
 * @example
 * forecastSupply({ today: '2026-11-29', bottles: [{ id: 'a', left: 20, until: null }], weeks: [{ week: '2026-11-30', wanted: 14 }, { week: '2026-12-07', wanted: 14 }] }).shortOn // '2026-12-10'
 */
export function forecastSupply({
  today,
  bottles,
  weeks,
}: {
  today: string;
  bottles: readonly Supply[];
  weeks: readonly { week: string; wanted: number }[];
}): SupplyForecast {
  bottles.forEach(({ left }, index) => requireRange(`bottles[${index}].left`, left, 0, 1e9));
  weeks.forEach(({ wanted }, index) => requireRange(`weeks[${index}].wanted`, wanted, 0, 1e9));
  const order = bottles.toSorted((a, b) => (a.until ?? '9999').localeCompare(b.until ?? '9999'));
  const left = new Map(order.map((one) => [one.id, one.left]));
  const usedUp = new Map<string, string>();
  let [shortOn, missing] = [null as string | null, 0];
  for (const { week, wanted } of weeks)
    for (let offset = 0; offset < 7; offset += 1) {
      const day = format(addDays(parseISO(week), offset), 'yyyy-MM-dd');
      if (day < today) continue;
      let want = wanted / daysAhead(week, today);
      for (const one of order) {
        const there = left.get(one.id)!;
        if (want <= 0) break;
        if (there <= 0 || (one.until !== null && one.until < day)) continue;
        const taken = Math.min(there, want);
        left.set(one.id, there - taken);
        want -= taken;
        if (there - taken <= EMPTY && !usedUp.has(one.id)) usedUp.set(one.id, day);
      }
      if (want > EMPTY) {
        shortOn ??= day;
        missing += want;
      }
    }
  const last = weeks.at(-1) ? format(addDays(parseISO(weeks.at(-1)!.week), 6), 'yyyy-MM-dd') : today;
  return {
    bottles: bottles.map(({ id, until }) => ({
      id,
      usedUpOn: usedUp.get(id) ?? null,
      wasted: usedUp.has(id) ? 0 : until !== null && until <= last ? left.get(id)! : null,
    })),
    shortOn,
    missing,
  };
}

/** Rounding of a long sum is no gas. */
const EMPTY = 1e-6;
/** Days of a week that still lie ahead. */
const daysAhead = (week: string, today: string): number =>
  Math.min(7, Math.max(1, 7 - Math.max(0, differenceInCalendarDays(parseISO(today), parseISO(week)))));
