import { eq, sql } from 'drizzle-orm';
import { say } from '@/core/words/say';
import { importBatch } from '@/data/schema';
import { dateIn } from '@/platform/clock';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import { readSettings } from '@/platform/settings';
import type { UseCaseContext } from '@/platform/use-case';
import { byTheTable } from './by-the-table';
import { takeBottles } from './take-bottles';
import { heldBatch } from './held-batch';
import '@/core/words/en/imports';

/** So long a table can be taken back as one. */
export const TAKE_BACK_DAYS = 7;

export interface Taken {
  customers: number;
  instruments: number;
  bottles: number;
}

/**
 * Takes the new rows of a judged table in, in one act: customers that are new, then instruments with the channels of their models and their due dates. What came on record since it was judged is left alone, whatever the verdict said.
 * Errors: Problem (409) for a table that was not looked at, or where nothing is new.
 */
export async function takeImport({ tx, actor, now }: UseCaseContext, { batchId }: { batchId: string }): Promise<Taken> {
  need(actor, 'office');
  const { kind, fileName } = await heldBatch(tx, batchId, ['judged', 'taking']);
  await byTheTable(tx);
  if (kind === 'bottles') {
    const bottles = await takeBottles({ tx, actor, now }, batchId);
    if (bottles === 0) throw new Problem(say({ code: 'import.nothingToTake' }), {}, 409);
    await tx.update(importBatch).set({ state: 'taken', takenBy: actor.name, takenAt: now }).where(eq(importBatch.id, batchId));
    return { customers: 0, instruments: 0, bottles };
  }
  const at = now.toISOString();
  const made = await tx.execute<{ n: number }>(sql`with wanted as (
      select distinct on (lower(given->>'customer')) gen_random_uuid() as id, given from import_row where batch_id = ${batchId} and verdict = 'new' and customer_id is null order by lower(given->>'customer'), line
    ), made as (
      insert into customer (id, name, address, contact, email, phone, created_at)
      select id, given->>'customer', coalesce(given->>'address', ''), coalesce(given->>'contact', ''), coalesce(given->>'email', ''), coalesce(given->>'phone', ''), ${at}::timestamptz from wanted
      on conflict do nothing returning id, name
    ) update import_row r set made_customer = made.id, customer_id = made.id from made
      where r.batch_id = ${batchId} and r.verdict = 'new' and lower(r.given->>'customer') = lower(made.name) returning 1 as n`);
  const [{ customers = 0 } = {}] = (
    await tx.execute<{ customers: number }>(
      sql`select count(distinct made_customer)::int as customers from import_row where batch_id = ${batchId}`,
    )
  ).rows;
  // Who was made by somebody else meanwhile is whose it is.
  await tx.execute(sql`update import_row r set customer_id = c.id from customer c
    where r.batch_id = ${batchId} and r.verdict = 'new' and r.customer_id is null and lower(c.name) = lower(r.given->>'customer') and c.merged_into is null`);
  const instruments = kind === 'instruments' ? await takeInstruments({ tx, now }, batchId, fileName) : 0;
  if (made.rows.length + instruments === 0) throw new Problem(say({ code: 'import.nothingToTake' }), {}, 409);
  await tx.update(importBatch).set({ state: 'taken', takenBy: actor.name, takenAt: now }).where(eq(importBatch.id, batchId));
  return { customers, instruments, bottles: 0 };
}

/** Due when the table says; where it says only when it was last calibrated, so long after it as the model's interval is. */
async function takeInstruments({ tx, now }: Pick<UseCaseContext, 'tx' | 'now'>, batchId: string, file: string): Promise<number> {
  const at = now.toISOString();
  await tx.execute(sql`insert into customer_site (customer_id, name, created_at)
    select distinct on (r.customer_id, lower(r.given->>'site')) r.customer_id, r.given->>'site', ${at}::timestamptz from import_row r
    where r.batch_id = ${batchId} and r.verdict = 'new' and r.customer_id is not null and r.given->>'site' is not null order by r.customer_id, lower(r.given->>'site'), r.line
    on conflict do nothing`);
  const today = dateIn((await readSettings(tx)).zone, now);
  const reason = say({ code: 'import.basis', numbers: { file } });
  const { rows } = await tx.execute<{ n: number }>(sql`with wanted as (
      select r.line, gen_random_uuid() as id, r.customer_id, s.id as site_id, m.id as model_id, m.maker, coalesce(m.traits->>'part', 'body') as part, r.given->>'serial' as serial, coalesce(r.given->>'tag', '') as tag,
        coalesce((r.given->>'due')::date, ((r.given->>'last')::date + case when p.every ? 'months' then make_interval(months => (p.every->>'months')::int) else make_interval(days => (p.every->>'days')::int) end)::date) as due,
        coalesce(r.given->>'last', ${today}::text) as since
      from import_row r join instrument_model m on m.id = r.model_id left join interval_policy p on p.scope = 'model' and p.model_id = m.id
        left join customer_site s on s.customer_id = r.customer_id and s.ended_at is null and lower(s.name) = lower(r.given->>'site')
      where r.batch_id = ${batchId} and r.verdict = 'new' and r.customer_id is not null
    ), made as (
      insert into asset (id, customer_id, site_id, model_id, maker, serial, tag, part, next_due, due_basis, created_at)
      select id, customer_id, site_id, model_id, maker, serial, tag, part, due, case when due is not null then jsonb_build_object('from', since, 'reason', ${reason}::text) end, ${at}::timestamptz from wanted
      on conflict do nothing returning id
    ) update import_row r set made_asset = wanted.id from wanted join made on made.id = wanted.id where r.batch_id = ${batchId} and r.line = wanted.line returning 1 as n`);
  await tx.execute(sql`insert into asset_channel (asset_id, position, role, label, measurand, unit, resolution, lowest, highest, tolerance, calibration_gas, principle, clean_air, scale, water, alarms)
    select r.made_asset, ch.place - 1, ch.one->>'role', ch.one->>'label', ch.one->>'measurand', ch.one->>'unit', ch.one->>'resolution', ch.one->>'lowest', ch.one->>'highest', ch.one->'tolerance',
      ch.one->>'calibrationGas', ch.one->>'principle', ch.one->>'cleanAir', ch.one->'scale', ch.one->'water', ch.one->'alarms'
    from import_row r join instrument_model m on m.id = r.model_id cross join jsonb_array_elements(m.channels) with ordinality as ch (one, place)
    where r.batch_id = ${batchId} and r.made_asset is not null`);
  return rows.length;
}

/** Takes a table back as one: what it made goes, as long as nothing rests on it; what something rests on stays and is counted. Errors: Problem (409) too late, or for a table that was not taken. */
export async function takeImportBack(
  { tx, actor, now }: UseCaseContext,
  { batchId }: { batchId: string },
): Promise<Taken & { stayed: number }> {
  need(actor, 'office');
  const batch = await heldBatch(tx, batchId, ['taken']);
  await byTheTable(tx);
  if (now.getTime() - batch.takenAt!.getTime() > TAKE_BACK_DAYS * 86_400_000)
    throw new Problem(say({ code: 'import.late', numbers: { days: TAKE_BACK_DAYS } }), {}, 409);
  const { rows } = await tx.execute<Taken & { stayed: number } & Record<string, unknown>>(
    sql`select * from take_import_back(${batchId}::uuid)`,
  );
  await tx
    .update(importBatch)
    .set({ state: 'takenBack', takenBackBy: actor.name, takenBackAt: now })
    .where(eq(importBatch.id, batchId));
  return rows[0]!;
}
