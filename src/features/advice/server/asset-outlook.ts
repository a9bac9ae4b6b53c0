import { addDays, addMonths, format, parseISO, differenceInCalendarDays } from 'date-fns';
import { sql } from 'drizzle-orm';
import type { IntervalAdvice } from '@/core/history/advise-interval';
import { driftSummed } from '@/core/history/drift-steps';
import { forecastError, type ErrorForecast } from '@/core/history/forecast-error';
import { MONTH } from '@/core/history/advise-interval';
import type { Every } from '@/core/interval/next-due';
import type { Transaction } from '@/data/connection';
import { rawOutputs } from '@/features/bench/server';
import { advise, type Aim, type AdvisedAsset } from './advise';

/** What the history of one instrument says, for its card. */
export interface AssetOutlook {
  present: Every | null;
  advice: IntervalAdvice | null;
  /** Day of the forecast: when it is due, else after its interval. */
  on: string | null;
  litresARun: number | null;
  channels: {
    channel: string;
    label: string;
    forecast: ErrorForecast | null;
    perMonth: number | null;
    sPerMonth: number | null;
    by: 'own' | 'kind' | null;
    steps: number;
    summed: number | null;
    newSensors: string[];
    raw: { now: string; first: string } | null;
  }[];
}

/** As-found errors of one channel, in per cent of the tolerance that each was judged by, the oldest first. */
export interface Found {
  label: string;
  visits: { at: string; found: number | null }[];
}

/** Errors: none; beside what is said, what each of its visits found, for the curve. */
export async function assetOutlook(
  tx: Transaction,
  asset: AdvisedAsset & { nextDue: string | null },
  aim: Aim,
): Promise<{ outlook: AssetOutlook; found: Found[] }> {
  const [[advised], raw, litresARun] = await Promise.all([
    advise(tx, [asset], aim),
    rawOutputs(tx, asset.id),
    litresOf(tx, asset.id),
  ]);
  const { present, from, advice, channels } = advised!;
  const on = from && present ? later(asset.nextDue, from, present) : null;
  const outlook = {
    present,
    advice,
    on,
    litresARun,
    channels: channels.map(({ channel, label, outlook, left, visits, steps }) => {
      const outputs = raw[channel] ?? [];
      return {
        channel,
        label,
        forecast:
          outlook && left !== null && on && from
            ? forecastError({ outlook, left, days: Math.max(1, differenceInCalendarDays(parseISO(on), parseISO(from))) })
            : null,
        perMonth: outlook ? outlook.rate * MONTH : null,
        sPerMonth: outlook ? outlook.sRate * MONTH : null,
        by: outlook?.by ?? null,
        steps: steps.length,
        summed: driftSummed(visits).at(-1)?.summed ?? null,
        newSensors: visits.flatMap((one) => (one.newSensor ? [one.at] : [])),
        raw: outputs.length > 1 ? { first: outputs[0]!.raw, now: outputs.at(-1)!.raw } : null,
      };
    }),
  };
  return { outlook, found: channels.map(({ label, visits }) => ({ label, visits })) };
}

/** When it is due; where that has passed or is not known, after its interval. */
function later(due: string | null, from: string, present: Every): string {
  if (due && due > from) return due;
  const start = parseISO(from);
  return format('days' in present ? addDays(start, present.days) : addMonths(start, present.months), 'yyyy-MM-dd');
}

/** What its last approved run drew, litres; null where that was nothing. */
async function litresOf(tx: Transaction, assetId: string): Promise<number | null> {
  const { rows } = await tx.execute<{ litres: number | null }>(sql`
    select (select sum(b.litres)::float8 from reference_booking b where b.run_id = s.run_id) as litres
    from run_summary s where s.asset_id = ${assetId} and s.status = 'approved' order by s.started_at desc limit 1`);
  return rows[0]?.litres || null;
}
