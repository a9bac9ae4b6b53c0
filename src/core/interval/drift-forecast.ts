import { addDays, differenceInCalendarDays, format, parseISO } from 'date-fns';
import { requireAbove, requireRange } from '../range-error';
import { fitLine } from '../uncertainty/fit-line';
import { coverageFactor } from '../uncertainty/student';
import { nextDue } from './next-due';

export interface DriftForecast {
  /** Change a month of 30.44 days, with its standard uncertainty, in the unit of the errors. */
  perMonth: number;
  sPerMonth: number;
  /** Day on which the prediction interval of one more error first meets a limit; null when it doesn't within the horizon. */
  meetsToleranceOn: string | null;
  /** Day on which the line itself meets it. */
  lineMeetsOn: string | null;
  code: 'forecast' | 'withinHorizon' | 'alreadyOutside' | 'tooFew';
  sentence: string;
}

const MONTH = 30.4375;

/**
 * When drift brings an instrument to its tolerance: a straight line through the as-found errors of one series (between two adjustments or sensor changes) and the date at which the
 * prediction interval of the next error first meets a limit. Says nothing from fewer than five points.
 * Arguments: errors with calendar dates, tolerance above 0, coverage in (0, 1) 0.95 by default, horizon in days. Errors: RangeError.
 * Source: JCGM 100:2008, H.3 (line and its uncertainty), prediction interval with Student's t; ILAC-G24/OIML D 10 (control by drift).
 *
 * @example
 * driftForecast({ history, tolerance: 2.5 }).meetsToleranceOn // '2027-03-02'
 */
export function driftForecast({
  history,
  tolerance,
  coverage = 0.95,
  horizonDays = 1825,
}: {
  history: { date: string; error: number }[];
  tolerance: number;
  coverage?: number;
  horizonDays?: number;
}): DriftForecast {
  requireAbove('tolerance', tolerance, 0);
  requireRange('horizonDays', horizonDays, 1, 36_500);
  history.forEach(({ date, error }, index) => {
    nextDue({ from: date, every: { days: 1 } });
    requireRange(`history[${index}].error`, error, -Infinity, Infinity);
  });
  const sorted = [...history].sort((a, b) => a.date.localeCompare(b.date));
  const nothing = { perMonth: 0, sPerMonth: 0, meetsToleranceOn: null, lineMeetsOn: null };
  if (sorted.length < 5)
    return { ...nothing, code: 'tooFew', sentence: `A forecast needs at least five calibrations, there are ${sorted.length}.` };
  const start = parseISO(sorted[0]!.date);
  const x = sorted.map(({ date }) => differenceInCalendarDays(parseISO(date), start));
  const fit = fitLine({ x, y: sorted.map(({ error }) => error) });
  const t = coverageFactor({ coverage, dof: fit.dof });
  const reach = (day: number) => t * fit.residual * Math.sqrt(1 + 1 / x.length + (day - fit.meanX) ** 2 / fit.sumSquaresX);
  const line = (day: number) => fit.intercept + fit.slope * day;
  const last = x[x.length - 1]!;
  const rates = { perMonth: fit.slope * MONTH, sPerMonth: fit.sSlope * MONTH };
  const date = (day: number | null) => (day === null ? null : format(addDays(start, day), 'yyyy-MM-dd'));
  const first = (outside: (day: number) => boolean) => {
    for (let day = last; day <= last + horizonDays; day += 1) if (outside(day)) return day;
    return null;
  };
  const meets = first((day) => Math.abs(line(day)) + reach(day) >= tolerance);
  const found = { ...rates, meetsToleranceOn: date(meets), lineMeetsOn: date(first((day) => Math.abs(line(day)) >= tolerance)) };
  const rate = `${rates.perMonth >= 0 ? '+' : '−'}${Math.abs(rates.perMonth).toPrecision(2)} a month`;
  if (meets === null)
    return {
      ...found,
      code: 'withinHorizon',
      sentence: `Drifts ${rate}; stays within the tolerance for at least ${horizonDays} days.`,
    };
  if (meets === last)
    return {
      ...found,
      code: 'alreadyOutside',
      sentence: `Drifts ${rate}; the next error may already lie outside the tolerance.`,
    };
  return {
    ...found,
    code: 'forecast',
    sentence: `Drifts ${rate}; the next error may meet the tolerance from ${date(meets)} on.`,
  };
}
