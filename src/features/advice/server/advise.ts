import { asc, inArray, sql } from 'drizzle-orm';
import { adviseInterval, type ChannelOutlook, type IntervalAdvice } from '@/core/history/advise-interval';
import { sumsOf } from '@/core/history/drift-of';
import { driftSteps, type DriftStep } from '@/core/history/drift-steps';
import { driftOutlook } from '@/core/history/forecast-error';
import type { Every } from '@/core/interval/next-due';
import type { Database, Transaction } from '@/data/connection';
import { asset, intervalAdvice, modelHistory } from '@/data/schema';
import { policiesOfMany } from '@/features/due/server';
import { asActor } from '@/platform/as-actor';
import { BY_ITSELF } from '@/platform/by-itself';
import { dateIn } from '@/platform/clock';
import { readSettings, type WorkshopSettings } from '@/platform/settings';
import { channelVisits, type ChannelHistory } from './channel-visits';
import { assetPages } from './model-histories';

/** No shorter and no longer interval is advised. */
export const SHORTEST: Every = { days: 14 };
export const LONGEST: Every = { months: 24 };

export interface Advised {
  assetId: string;
  /** Null where nobody set an interval: there is nothing to advise on. */
  present: Every | null;
  /** Day of the last visit; null before the first. */
  from: string | null;
  advice: IntervalAdvice | null;
  channels: (ChannelOutlook & Pick<ChannelHistory, 'channel' | 'role' | 'visits'> & { steps: DriftStep[] })[];
}

/** How often instruments are to be found within, by the workshop's settings. */
export type Aim = Pick<WorkshopSettings, 'foundWithinPercent' | 'zone'>;
export type AdvisedAsset = Pick<typeof asset.$inferSelect, 'id' | 'customerId' | 'modelId'>;

/** What is advised for these instruments, from what is on record of each and of its model. */
export async function advise(
  tx: Transaction,
  rows: readonly AdvisedAsset[],
  { foundWithinPercent, zone }: Aim,
): Promise<Advised[]> {
  if (rows.length === 0) return [];
  const [policies, models, histories] = await Promise.all([
    policiesOfMany(tx, rows),
    tx
      .select()
      .from(modelHistory)
      .where(inArray(modelHistory.modelId, [...new Set(rows.map((row) => row.modelId))])),
    channelVisits(
      tx,
      rows.map((row) => row.id),
    ),
  ]);
  return rows.map((row) => {
    const model = models.find((one) => one.modelId === row.modelId);
    const channels = histories
      .filter((one) => one.assetId === row.id)
      .map(({ channel, role, label, visits }) => {
        const kind = model?.drift[role] ?? null;
        // Those of the sensor that is in it now.
        const steps = driftSteps(visits).at(-1)!;
        return {
          channel,
          role,
          label,
          visits,
          steps,
          outlook: driftOutlook(sumsOf(steps), kind),
          left: visits.findLast((one) => one.left !== null)?.left ?? null,
          kind: kind ? { rate: kind.rate, spread: 2 * Math.sqrt(kind.between) } : null,
        };
      });
    const last = channels
      .flatMap((one) => one.visits.at(-1)?.at ?? [])
      .toSorted()
      .at(-1);
    const from = last ? dateIn(zone, new Date(last)) : null;
    const every = policies.get(row.id)?.every ?? null;
    const present = every ? ('days' in every ? { days: every.days } : { months: every.months }) : null;
    const advice =
      present && from
        ? adviseInterval({
            channels,
            from,
            present,
            target: foundWithinPercent / 100,
            shortest: SHORTEST,
            longest: LONGEST,
            ofModel: model ? { within: model.within, visits: model.visits } : null,
            lastShare: lastShareOf(channels, last!),
          })
        : null;
    return { assetId: row.id, present, from, advice, channels };
  });
}

/** Largest error that the last visit found, over its tolerance. */
function lastShareOf(channels: readonly { visits: ChannelHistory['visits'] }[], at: string): number | null {
  const found = channels.flatMap((one) => one.visits.find((visit) => visit.at === at)?.found ?? []);
  return found.length ? Math.max(...found.map((one) => Math.abs(one))) / 100 : null;
}

/** Keeps the advice for these instruments; takes away what there was where nothing is advised any more. */
export async function keepAdvice(tx: Transaction, assetIds: readonly string[], now: Date): Promise<number> {
  const rows = await tx
    .select({ id: asset.id, customerId: asset.customerId, modelId: asset.modelId })
    .from(asset)
    .where(inArray(asset.id, [...assetIds]))
    .orderBy(asc(asset.id));
  const advised = await advise(tx, rows, await readSettings(tx));
  const made = advised.flatMap(({ assetId, advice }) => (advice ? [{ assetId, advice }] : []));
  const gone = assetIds.filter((id) => !made.some((one) => one.assetId === id));
  if (gone.length) await tx.delete(intervalAdvice).where(inArray(intervalAdvice.assetId, gone));
  if (made.length)
    await tx
      .insert(intervalAdvice)
      .values(
        made.map(({ assetId, advice }) => ({
          assetId,
          madeAt: now,
          way: advice.way,
          code: advice.code,
          outside: advice.within ? 1 - advice.within.present : null,
          advice,
        })),
      )
      .onConflictDoUpdate({
        target: intervalAdvice.assetId,
        set: {
          madeAt: sql`excluded.made_at`,
          way: sql`excluded.way`,
          code: sql`excluded.code`,
          outside: sql`excluded.outside`,
          advice: sql`excluded.advice`,
        },
      });
  return made.length;
}

/** The night's advice on every instrument, page by page. */
export async function adviseAll(db: Database, now: Date): Promise<number> {
  let advised = 0;
  for await (const ids of assetPages(db))
    advised += await db.transaction(async (tx) => {
      await asActor(tx, BY_ITSELF, 'job');
      return keepAdvice(tx, ids, now);
    });
  return advised;
}
