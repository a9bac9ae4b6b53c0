import { format, parseISO } from 'date-fns';
import { electrodeCondition, ELECTRODE_LIMITS, type Condition, type ElectrodeLimits } from '../ph/electrode-condition';
import type { ProbeKind, ProbeResult } from './probe-result';
import { probeTrend, type ProbeTrend } from './probe-trend';

export interface ProbeHistoryEntry {
  date: string;
  slopePercent: number | null;
  offsetMv: number | null;
  cellConstant: number | null;
  responseSeconds: number | null;
  /** Care that belongs to this calibration: a new series begins with it. */
  care: string[];
}

export interface ProbeWords {
  condition: Condition;
  /** The condition in words, the reason first that weighs most. */
  sentence: string;
  reasons: string[];
  forecast: { trend: ProbeTrend; limit: number; what: string; sentence: string } | null;
  /** Why there is no forecast. */
  noForecast: string | null;
}

/** Lowest slope that is still worth a calibration, by kind, in %: electrode and ion 90 (memory), oxygen 75 (common practice), conductivity 90 of the standard (common practice). */
const FLOOR: Partial<Record<ProbeKind, number>> = {
  pH: ELECTRODE_LIMITS.failBelowPercent,
  ion: 90,
  oxygen: 75,
  conductivity: 90,
};
const WHAT: Partial<Record<ProbeKind, string>> = {
  pH: 'slope',
  ion: 'slope a decade',
  oxygen: 'oxygen slope',
  conductivity: 'share of the standard as found',
};
const CARE: Partial<Record<ProbeKind, [caution: string, fail: string]>> = {
  pH: ['try fresh buffer, then clean and soak', 'fresh buffer, clean and soak; else replace the electrode'],
  ion: ['fresh standards, then condition the membrane', 'condition or replace the membrane'],
  oxygen: [
    'new electrolyte and membrane, then polarise',
    'new membrane and electrolyte, clean the cathode, polarise; else replace',
  ],
  conductivity: ['clean the cell, swing out bubbles, fresh standard', 'clean the cell; still off: replace it'],
};

/** The part of a history since the last care action or change that began a new series. */
export function presentSeries<Entry extends { care: string[] }>(history: Entry[]): Entry[] {
  const begun = history.findLastIndex((one) => one.care.length > 0);
  return begun < 0 ? history : history.slice(begun);
}

/**
 * The condition of a probe in words, with its reasons, and a forecast only where at least five calibrations of one series speak for it.
 * Arguments: the present result, the history oldest first with the present one last (dates as calendar dates), limits that differ from the usual. Errors: RangeError of the parts.
 * Source: limits are common practice or memory as marked; forecast as `probeTrend`.
 *
 * @example
 * probeWords({ result, history }).sentence // 'Slope 93.0 %: try fresh buffer, then clean and soak.'
 */
export function probeWords({
  result,
  history,
  limits = {},
}: {
  result: Pick<ProbeResult, 'kind' | 'segments' | 'slopePercent' | 'offsetMv' | 'responseSeconds' | 'cellConstant'>;
  history: ProbeHistoryEntry[];
  limits?: Partial<ElectrodeLimits>;
}): ProbeWords {
  const { condition, reasons } = conditionOf(result, limits);
  const { slopePercent, kind } = result;
  const care = CARE[kind];
  const name = slopePercent === null ? null : `${cap(WHAT[kind] ?? 'slope')} ${slopePercent.toFixed(1)} %`;
  const advice = care && condition !== 'good' ? `: ${care[condition === 'fail' ? 1 : 0]}` : '';
  const series = presentSeries(history).filter((one) => one.slopePercent !== null);
  const limit = limits.failBelowPercent ?? FLOOR[kind];
  const trend =
    limit === undefined
      ? null
      : probeTrend({ history: series.map((one) => ({ date: one.date, value: one.slopePercent! })), limit });
  return {
    condition,
    sentence: name ? `${name}${advice}.` : reasons[0] ? reasons[0] : 'Not enough was measured to judge the probe.',
    reasons,
    forecast:
      trend && limit !== undefined
        ? { trend, limit, what: WHAT[kind] ?? 'slope', sentence: forecastSentence(trend, limit, slopePercent) }
        : null,
    noForecast: trend
      ? null
      : series.length < history.length
        ? `No forecast yet: ${series.length} calibration${series.length === 1 ? '' : 's'} since the last care, it takes five.`
        : `No forecast: it takes five calibrations, there ${series.length === 1 ? 'is' : 'are'} ${series.length}.`,
  };
}

function forecastSentence(trend: ProbeTrend, limit: number, now: number | null): string {
  const rate = Math.abs(trend.perMonth);
  const way = trend.perMonth < 0 ? 'falls' : 'rises';
  // A rate smaller than twice its own uncertainty is no trend.
  if (rate < 2 * trend.sPerMonth && !trend.to)
    return `No clear trend: ${way} ${rate.toFixed(1)} % a month, within its own scatter.`;
  if (now !== null && now < limit) return `${cap(way)} ${rate.toFixed(1)} % a month; it is past ${limit} % already.`;
  if (!trend.from) return `${cap(way)} ${rate.toFixed(1)} % a month; stays above ${limit} % for the years ahead.`;
  const month = (date: string) => format(parseISO(date), 'MMMM yyyy');
  if (!trend.to) return `${cap(way)} ${rate.toFixed(1)} % a month, may reach ${limit} % from ${month(trend.from)} on.`;
  return month(trend.from) === month(trend.to)
    ? `${cap(way)} ${rate.toFixed(1)} % a month, reaches ${limit} % in ${month(trend.from)}.`
    : `${cap(way)} ${rate.toFixed(1)} % a month, reaches ${limit} % between ${month(trend.from)} and ${month(trend.to)}.`;
}

function conditionOf(
  result: Parameters<typeof probeWords>[0]['result'],
  limits: Partial<ElectrodeLimits>,
): { condition: Condition; reasons: string[] } {
  if (result.kind === 'pH' && result.offsetMv !== null) {
    const judged = electrodeCondition({
      electrode: { segments: result.segments, offsetMv: result.offsetMv },
      ...(result.responseSeconds === null ? {} : { responseSeconds: result.responseSeconds }),
      limits,
    });
    return { condition: judged.condition, reasons: judged.reasons.map((one) => one.sentence) };
  }
  const reasons: string[] = [];
  let condition: Condition = 'good';
  const worse = (to: Condition, text: string) => {
    if (to === 'fail' || condition === 'good') condition = to;
    reasons.push(text);
  };
  const floor = FLOOR[result.kind];
  const { slopePercent, cellConstant, responseSeconds } = result;
  if (slopePercent !== null && floor !== undefined) {
    if (slopePercent < floor) worse('fail', `${cap(WHAT[result.kind]!)} ${slopePercent.toFixed(1)} % is under ${floor} %.`);
    else if (slopePercent < floor + 5)
      worse('caution', `${cap(WHAT[result.kind]!)} ${slopePercent.toFixed(1)} % is near its floor of ${floor} %.`);
    else if (slopePercent > 115)
      worse('caution', `${cap(WHAT[result.kind]!)} ${slopePercent.toFixed(1)} % is more than a sound probe gives.`);
    else reasons.push(`${cap(WHAT[result.kind]!)} ${slopePercent.toFixed(1)} %.`);
  }
  if (cellConstant !== null) reasons.push(`Cell constant ${cellConstant} 1/cm.`);
  if (responseSeconds !== null && responseSeconds > ELECTRODE_LIMITS.responseSeconds)
    worse('caution', `It took ${Math.round(responseSeconds)} s to settle.`);
  return { condition, reasons };
}

const cap = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
