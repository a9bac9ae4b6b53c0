import { addDays, format, parseISO } from 'date-fns';
import { requireRange } from '../range-error';
import { fitLine } from '../uncertainty/fit-line';
import { coverageFactor } from '../uncertainty/student';

const MONTH = 30.4375;
const DAY_MS = 86_400_000;
/** Calendar dates as days: no zone, no clock change between them. */
const dayNumber = (date: string) => Math.round(Date.parse(`${date}T00:00:00Z`) / DAY_MS);
const FEWEST = 5;
const LEAP_DAYS = 8;
const BAND_DAYS = 730;
const BAND_STEPS = 30;

export interface ProbeTrend {
  perMonth: number;
  sPerMonth: number;
  /** The prediction interval of one more calibration holds the limit from the first to the second day; null where it doesn't within the horizon. */
  from: string | null;
  to: string | null;
  lineOn: string | null;
  /** The line with the prediction interval of one more calibration, for drawing. */
  band: { date: string; line: number; low: number; high: number }[];
}

/**
 * When a probe's slope (or another figure) comes down, or up, to its limit: a straight line through at least five calibrations of one series, with the prediction
 * interval of the next. Null from fewer than five, so that two points are never taken for a trend.
 * Arguments: figures with calendar dates, limit in the same unit, coverage in (0, 1), horizon in days. Errors: RangeError.
 * Source: JCGM 100:2008, H.3 (line and its uncertainty); prediction interval with Student's t.
 *
 * @example
 * probeTrend({ history, limit: 90 }) // { perMonth: -1.5, from: '2027-02-11', to: '2027-05-20', … }
 */
export function probeTrend({
  history,
  limit,
  coverage = 0.95,
  horizonDays = 1825,
}: {
  history: { date: string; value: number }[];
  limit: number;
  coverage?: number;
  horizonDays?: number;
}): ProbeTrend | null {
  requireRange('limit', limit, -1e6, 1e6);
  requireRange('horizonDays', horizonDays, 1, 36_500);
  history.forEach(({ value }, index) => requireRange(`history[${index}].value`, value, -1e6, 1e6));
  const sorted = [...history].sort((a, b) => a.date.localeCompare(b.date));
  if (sorted.length < FEWEST || sorted[0]!.date === sorted.at(-1)!.date) return null;
  const start = parseISO(sorted[0]!.date);
  const x = sorted.map(({ date }) => dayNumber(date) - dayNumber(sorted[0]!.date));
  const fit = fitLine({ x, y: sorted.map(({ value }) => value) });
  const t = coverageFactor({ coverage, dof: fit.dof });
  const reach = (day: number) => t * fit.residual * Math.sqrt(1 + 1 / x.length + (day - fit.meanX) ** 2 / fit.sumSquaresX);
  const line = (day: number) => fit.intercept + fit.slope * day;
  const last = x[x.length - 1]!;
  const falling = sorted.at(-1)!.value >= limit;
  const past = (value: number) => (falling ? value <= limit : value >= limit);
  const first = (of: (day: number) => number): string | null => {
    // Leaps first, then day by day: both curves bend slowly.
    for (let day = last; day <= last + horizonDays; day += LEAP_DAYS) {
      if (!past(of(day))) continue;
      let exact = day;
      while (exact > last && past(of(exact - 1))) exact -= 1;
      return format(addDays(start, exact), 'yyyy-MM-dd');
    }
    return null;
  };
  const near = falling ? -1 : 1;
  const meets = first(line);
  const to = first((day) => line(day) - near * reach(day));
  const end = Math.min(last + BAND_DAYS, to ? dayNumber(to) - dayNumber(sorted[0]!.date) : last + BAND_DAYS / 2);
  return {
    perMonth: fit.slope * MONTH,
    sPerMonth: fit.sSlope * MONTH,
    from: first((day) => line(day) + near * reach(day)),
    to,
    lineOn: meets,
    band: Array.from({ length: BAND_STEPS + 1 }, (_one, index) => {
      const day = Math.round((index * end) / BAND_STEPS);
      return {
        date: format(addDays(start, day), 'yyyy-MM-dd'),
        line: line(day),
        low: line(day) - reach(day),
        high: line(day) + reach(day),
      };
    }),
  };
}
