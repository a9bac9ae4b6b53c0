import { addDays, differenceInDays, format, parseISO } from 'date-fns';
import { requireRange } from '../range-error';

/** What an instrument's own counter showed on a day. */
export interface UseCount {
  on: string;
  count: number;
}
export interface DueByUse {
  /** The day on which the limit was reached, or will be at the pace so far; null where no pace is known yet. */
  due: string | null;
  /** Uses since the calibration, as far as counted. */
  used: number;
  reached: boolean;
}

/** No pace is told from fewer days. */
const LEAST_DAYS = 7;

/**
 * When so many uses since a calibration are reached, by what the instrument's own counter showed. What it showed on the day of the calibration lies on
 * the straight line between the counts about it; where there is none before, it is counted from the first after. A counter that shows less than before was set back, and what it shows since counts in full.
 * Range: limit 1 to 1 000 000; dates as YYYY-MM-DD, in any order. Errors: RangeError for a limit out of range.
 * Source: ILAC-G24/OIML D 10 (in-use time); the pace as a straight line is common practice.
 *
 * @example
 * dueByUse({ limit: 500, from: '2026-01-01', counts: [{ on: '2026-01-01', count: 40 }, { on: '2026-03-01', count: 340 }] }) // { due: '2026-04-10', used: 300, reached: false }
 */
export function dueByUse({ limit, from, counts }: { limit: number; from: string; counts: readonly UseCount[] }): DueByUse {
  requireRange('limit', limit, 1, 1_000_000);
  const sorted = [...counts].sort((a, b) => a.on.localeCompare(b.on));
  const baseline = onTheDay(sorted, from);
  let used = 0;
  let last = baseline;
  for (const one of sorted.filter((each) => baseline && each.on > baseline.on)) {
    const more = one.count >= last!.count ? one.count - last!.count : one.count;
    if (used + more >= limit) return { due: one.on > from ? one.on : from, used: used + more, reached: true };
    used += more;
    last = one;
  }
  const days = last && baseline ? differenceInDays(parseISO(last.on), parseISO(baseline.on)) : 0;
  if (used === 0 || days < LEAST_DAYS) return { due: null, used, reached: false };
  const start = baseline!.on > from ? baseline!.on : from;
  return { due: format(addDays(parseISO(start), Math.floor((limit / used) * days)), 'yyyy-MM-dd'), used, reached: false };
}

/** Uses before the calibration are none since. */
function onTheDay(sorted: readonly UseCount[], from: string): UseCount | undefined {
  const before = sorted.findLast((one) => one.on <= from);
  const after = sorted.find((one) => one.on > from);
  if (!before || !after || after.count < before.count) return before ?? after;
  const days = (to: string) => differenceInDays(parseISO(to), parseISO(before.on));
  return { on: from, count: Math.round(before.count + ((after.count - before.count) * days(from)) / days(after.on)) };
}
