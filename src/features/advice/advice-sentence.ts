import { MONTH, type IntervalAdvice } from '@/core/history/advise-interval';
import type { Every } from '@/core/interval/next-due';
import { say } from '@/core/words/say';
import { day } from '@/ui/format';
import '@/core/words/en/advice';

/** How long an interval is, in words. */
export const everyText = (every: Every): string =>
  say({
    code: 'advice.every',
    numbers: { days: 'days' in every ? every.days : 0, months: 'months' in every ? every.months : 0 },
  });

/** How often, as people say it: in 1 of 5. */
export function oddsText(share: number): string {
  if (share < 0.01) return say({ code: 'advice.seldom' });
  if (share > 0.6 && share < 0.95) return say({ code: 'advice.often' });
  return say({ code: 'advice.odds', numbers: { odds: Math.round(1 / share) } });
}

/** One sentence of advice with its reason. */
export function adviceSentence(advice: IntervalAdvice, present: Every): string {
  const { way, code } = advice;
  if (way === 'none' || code === 'tooFew' || !advice.every) return say({ code: 'advice.tooFew' });
  const every = everyText(advice.every);
  if (way === 'drift') {
    const by = advice.newSensorBy ? day(advice.newSensorBy) : 'none';
    return say({
      code: `advice.drift.${code}`,
      numbers: { why: driftWhy(advice, present), every, by, limited: advice.limited ? 'yes' : 'no' },
    });
  }
  if (code === 'tooFast') throw new RangeError('way must be drift where a sensor is too fast');
  if (way === 'reliability') {
    const { inTolerance, visits } = advice.numbers;
    const why = say({ code: 'advice.reliability', numbers: { within: inTolerance ?? 0, visits: visits ?? 0 } });
    return say({ code: `advice.reliability.${code}`, numbers: { why, every } });
  }
  const why = say({ code: 'advice.staircase', numbers: { percent: Math.round((advice.numbers.share ?? 0) * 100) } });
  return say({ code: `advice.staircase.${code}`, numbers: { why, every } });
}

/** Under half a per cent a month nothing drifts that anybody would notice. */
const LITTLE = 0.5;

function driftWhy({ worst, within }: IntervalAdvice, present: Every): string {
  const between = everyText(present);
  if (!worst || Math.abs(worst.perMonth) < LITTLE)
    return say({ code: 'advice.still', numbers: { present: between, odds: oddsText(1 - (within?.present ?? 1)) } });
  const way = worst.perMonth < 0 ? 'loses' : 'gains';
  const percent = Math.abs(worst.perMonth).toFixed(Math.abs(worst.perMonth) < 10 ? 1 : 0);
  return say({
    code: 'advice.goes',
    numbers: { channel: worst.label, way, percent, present: between, odds: oddsText(worst.outside) },
  });
}

/** Visits a year of an interval. */
export const visitsAYear = (every: Every): number => 365.25 / ('days' in every ? every.days : every.months * MONTH);
