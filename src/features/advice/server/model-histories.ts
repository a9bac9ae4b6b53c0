import { differenceInCalendarDays, parseISO } from 'date-fns';
import { and, asc, eq, gt, sql } from 'drizzle-orm';
import { driftGroup, sumsOf, type DriftSums } from '@/core/history/drift-of';
import { driftSteps, type ChannelVisit } from '@/core/history/drift-steps';
import { survival, type Served } from '@/core/history/survival';
import type { Fails } from '@/core/stored/advice';
import type { Database, Transaction } from '@/data/connection';
import { asset, instrumentModel, modelHistory } from '@/data/schema';
import { channelVisits } from './channel-visits';

/** Instruments at once: their visits are some megabytes. */
export const AT_ONCE = 500;
const YEARS_BACK = 3;

/** Ids of a model's instruments or of all, page by page by key. */
export async function* assetPages(db: Database, modelId?: string): AsyncGenerator<string[]> {
  for (let after = '00000000-0000-0000-0000-000000000000'; ;) {
    const rows = await db
      .select({ id: asset.id })
      .from(asset)
      .where(and(gt(asset.id, after), modelId ? eq(asset.modelId, modelId) : undefined))
      .orderBy(asc(asset.id))
      .limit(AT_ONCE);
    if (rows.length) yield rows.map((row) => row.id);
    if (rows.length < AT_ONCE) return;
    after = rows.at(-1)!.id;
  }
}

/** What the sensors of each model do over time, made anew from what is on record. In memory a few figures a sensor of one model. */
export async function keepModelHistories(db: Database, now: Date): Promise<number> {
  const models = await db.select({ id: instrumentModel.id }).from(instrumentModel).orderBy(asc(instrumentModel.id));
  for (const { id } of models) {
    const sensors = await sensorsOf(db, id, now);
    await db.transaction(async (tx) => {
      const row = { madeAt: now, ...(await sharesOf(tx, id, now)), ...sensors, fails: await failsOf(tx, id, now) };
      await tx
        .insert(modelHistory)
        .values({ modelId: id, ...row })
        .onConflictDoUpdate({ target: modelHistory.modelId, set: row });
    });
  }
  return models.length;
}

/** How the sensors of a model drift, and how long they serve, by the role of their channel. */
async function sensorsOf(db: Database, modelId: string, now: Date) {
  const sums: Record<string, DriftSums[]> = {};
  const served: Record<string, { label: string; lives: Served[] }> = {};
  for await (const ids of assetPages(db, modelId))
    for (const { role, label, visits } of await db.transaction((tx) => channelVisits(tx, ids))) {
      for (const steps of driftSteps(visits)) if (steps.length) (sums[role] ??= []).push(sumsOf(steps));
      (served[role] ??= { label, lives: [] }).lives.push(...livesOf(visits, now));
    }
  const drift = Object.entries(sums).flatMap(([role, of]) => {
    const group = driftGroup(of);
    return group ? [[role, { ...group, label: served[role]!.label }] as const] : [];
  });
  const lives = Object.entries(served).flatMap(([role, { label, lives: of }]) => {
    const { steps, ...rest } = survival({ served: of });
    // Nothing is said of sensors of which none was ever changed.
    return rest.ended ? [[role, { label, ...rest, steps: thinned(steps) }] as const] : [];
  });
  return { drift: Object.fromEntries(drift), lives: Object.fromEntries(lives) };
}

/** Sensors of one channel: each from when it was fitted, or first seen here, until the next one or the last look at it. */
function livesOf(visits: readonly ChannelVisit[], now: Date): Served[] {
  const lives: Served[] = [];
  let since = visits[0]?.at;
  for (const { at, newSensor } of visits) {
    if (!newSensor || !since) continue;
    lives.push({ days: Math.max(1, differenceInCalendarDays(parseISO(at), parseISO(since))), ended: true });
    since = at;
  }
  const last = visits.at(-1)?.at;
  // Of an instrument that came no more nothing is known since.
  const days =
    since && last ? differenceInCalendarDays(parseISO(last < now.toISOString() ? last : now.toISOString()), parseISO(since)) : 0;
  if (days >= 1) lives.push({ days, ended: false });
  return lives;
}

/** So many steps of a curve are kept. */
const MOST_STEPS = 60;
const thinned = <T>(steps: readonly T[]): T[] => {
  const nth = Math.ceil(steps.length / MOST_STEPS);
  return steps.filter((_one, index) => index % nth === 0 || index === steps.length - 1);
};

const years = (now: Date) => sql`s.started_at > ${now.toISOString()}::timestamptz - make_interval(years => ${YEARS_BACK})`;

/** Visits of three years that found something, and how many found it within. */
async function sharesOf(tx: Transaction, modelId: string, now: Date): Promise<{ within: number; visits: number }> {
  const { rows } = await tx.execute<{ within: number; visits: number }>(sql`
    select (count(*) filter (where s.as_found = 'within'))::int as within, count(*)::int as visits
    from run_summary s join asset a on a.id = s.asset_id
    where a.model_id = ${modelId} and s.status = 'approved' and not s.practice and s.as_found in ('within', 'outside') and ${years(now)}`);
  return rows[0]!;
}

/** Channels that were found outside, the worst first. */
async function failsOf(tx: Transaction, modelId: string, now: Date): Promise<Fails[]> {
  const { rows } = await tx.execute<{ label: string; outside: number; of: number }>(sql`
    select r.label, (count(distinct r.run_id) filter (where r.found_state = 'outside'))::int as outside, count(distinct r.run_id)::int as "of"
    from channel_result r join run_summary s on s.run_id = r.run_id join asset a on a.id = s.asset_id
    where a.model_id = ${modelId} and s.status = 'approved' and not s.practice and r.found_state is not null and ${years(now)}
    group by r.label order by 2 desc, 1`);
  return rows.map(({ label, outside, of }) => ({ label, outside, of }));
}
