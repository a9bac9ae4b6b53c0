import { addDays, addMonths, format, parseISO, differenceInCalendarDays } from 'date-fns';
import { eq, sql } from 'drizzle-orm';
import type { IntervalAdvice } from '@/core/history/advise-interval';
import { driftSteps, driftSummed } from '@/core/history/drift-steps';
import { forecastError, type ErrorForecast } from '@/core/history/forecast-error';
import { MONTH } from '@/core/history/advise-interval';
import type { Every } from '@/core/interval/next-due';
import type { Transaction } from '@/data/connection';
import { asset } from '@/data/schema';
import { rawHistory } from '@/features/bench/server';
import { advise } from './advise';

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

const NOTHING = '00000000-0000-0000-0000-000000000000';

/** Errors: none; null for an instrument that there is not. */
export async function assetOutlook(tx: Transaction, assetId: string): Promise<AssetOutlook | null> {
  const [advised] = await advise(tx, [assetId]);
  const [row] = await tx.select({ nextDue: asset.nextDue }).from(asset).where(eq(asset.id, assetId));
  if (!advised || !row) return null;
  const { present, from, advice } = advised;
  const on = from && present ? later(row.nextDue, from, present) : null;
  const raw = (await rawHistory(tx, assetId, NOTHING)).outputs;
  return {
    present,
    advice,
    on,
    litresARun: await litresOf(tx, assetId),
    channels: advised.channels.map(({ channel, label, outlook, left, visits }) => {
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
        steps: driftSteps(visits).at(-1)!.length,
        summed: driftSummed(visits).at(-1)?.summed ?? null,
        newSensors: visits.flatMap((one) => (one.newSensor ? [one.at] : [])),
        raw: outputs.length > 1 ? { first: outputs[0]!.raw, now: outputs.at(-1)!.raw } : null,
      };
    }),
  };
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
