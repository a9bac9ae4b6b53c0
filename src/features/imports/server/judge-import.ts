import { and, asc, eq, gt, sql } from 'drizzle-orm';
import type { ImportField } from '@/core/stored/import';
import type { Transaction } from '@/data/connection';
import { importBatch, importRow } from '@/data/schema';
import { need } from '@/platform/need';
import type { UseCaseContext } from '@/platform/use-case';
import type { ImportKind } from '../import-fields';
import type { DayOrder } from '@/core/quantity/read-day';
import { findBottles } from './find-bottles';
import { byTheTable } from './by-the-table';
import { heldBatch } from './held-batch';
import { readRow } from './read-row';

/** Rows read at a time. */
const PAGE = 5000;
/** Names that share so much of their threes of letters are asked about (pg_trgm). */
const ALIKE = 0.5;

interface Choice {
  batchId: string;
  mapping: Partial<Record<ImportField, number>>;
  dayOrder: DayOrder;
  customers: Record<string, string>;
  models: Record<string, string>;
}

/**
 * Judges every row of a table by the columns that are chosen: new, on record already, to be decided, or not taken, and why. Nothing of the house is changed; it can be judged again with other columns or decisions.
 * Errors: Problem (404), (409) for a table that is still read, or was taken.
 */
export async function judgeImport(
  { tx, actor }: UseCaseContext,
  { batchId, mapping, dayOrder, customers, models }: Choice,
): Promise<void> {
  need(actor, 'office');
  const { kind } = await heldBatch(tx, batchId, ['staged', 'judged']);
  await byTheTable(tx);
  const chosen = Object.fromEntries(Object.entries(mapping).filter(([, column]) => column !== undefined)) as Choice['mapping'];
  await readRows(tx, batchId, chosen, { kind, dayOrder });
  await findTwice(tx, batchId, kind);
  if (kind === 'bottles') await findBottles(tx, batchId);
  else await findCustomers(tx, batchId, customers);
  if (kind === 'instruments') {
    await findModels(tx, batchId, models);
    await findInstruments(tx, batchId);
  }
  await tx.execute(sql`update import_row set verdict = case
      when jsonb_path_exists(problems, '$[*] ? (@.code != "likeCustomer" && @.code != "unknownModel")') then 'bad'
      when jsonb_array_length(problems) > 0 then 'ask'
      when verdict = 'there' then 'there'
      else 'new' end
    where batch_id = ${batchId}`);
  await tx
    .update(importBatch)
    .set({ state: 'judged', mapping: { ...chosen, dayOrder }, decisions: { customers, models } })
    .where(eq(importBatch.id, batchId));
}

/** What each row says for itself. */
async function readRows(
  tx: Transaction,
  batchId: string,
  mapping: Choice['mapping'],
  how: { kind: ImportKind; dayOrder: DayOrder },
): Promise<void> {
  for (let after = 0; ;) {
    const rows = await tx
      .select({ line: importRow.line, cells: importRow.cells })
      .from(importRow)
      .where(and(eq(importRow.batchId, batchId), gt(importRow.line, after)))
      .orderBy(asc(importRow.line))
      .limit(PAGE);
    if (rows.length === 0) return;
    const read = rows.map(({ line, cells }) => ({ line, ...readRow(cells, mapping, how) }));
    await tx.execute(sql`update import_row r set given = g.given, problems = g.problems, verdict = null, customer_id = null, model_id = null
      from jsonb_to_recordset(${JSON.stringify(read)}::jsonb) as g (line int, given jsonb, problems jsonb) where r.batch_id = ${batchId} and r.line = g.line`);
    after = rows.at(-1)!.line;
  }
}

/** The same thing twice in one table: the first counts. */
async function findTwice(tx: Transaction, batchId: string, kind: ImportKind): Promise<void> {
  const [same, field] =
    kind === 'customers'
      ? [sql`lower(given->>'customer')`, 'customer']
      : kind === 'bottles'
        ? [sql`upper(given->>'lot') || '/' || (given->>'gas')`, 'gas']
        : [sql`lower(coalesce(given->>'maker', '') || ' ' || (given->>'model')) || '/' || upper(given->>'serial')`, 'serial'];
  await tx.execute(sql`update import_row r set problems = problems || jsonb_build_array(jsonb_build_object('code', 'twice', 'field', ${field}::text, 'numbers', jsonb_build_object('line', d.first)))
    from (select line, first_value(line) over (partition by ${same} order by line) as first from import_row where batch_id = ${batchId} and ${same} is not null) d
    where r.batch_id = ${batchId} and r.line = d.line and d.first <> d.line`);
}

/** Whose it is: the customer of that name, else what was decided about it, else a question where one is much like it, else a new one. In a table of customers one of that name is on record already. */
async function findCustomers(tx: Transaction, batchId: string, decided: Record<string, string>): Promise<void> {
  await tx.execute(sql`update import_row r set customer_id = c.id, verdict = case when b.kind = 'customers' then 'there' end
    from customer c, import_batch b where r.batch_id = ${batchId} and b.id = r.batch_id and lower(c.name) = lower(r.given->>'customer') and c.merged_into is null`);
  await tx.execute(sql`update import_row r set customer_id = c.id, verdict = case when b.kind = 'customers' then 'there' end
    from jsonb_each_text(${JSON.stringify(decided)}::jsonb) d, customer c, import_batch b
    where r.batch_id = ${batchId} and b.id = r.batch_id and r.customer_id is null and r.given->>'customer' = d.key and c.id::text = d.value`);
  await tx.execute(sql`update import_row r set problems = problems || jsonb_build_array(jsonb_build_object('code', 'likeCustomer', 'field', 'customer', 'numbers', jsonb_build_object('customer', n.name, 'like', n.near)))
    from (
      select names.name, (select c.name from customer c where c.merged_into is null and lower(c.name) % lower(names.name) and similarity(lower(c.name), lower(names.name)) > ${ALIKE}
        order by similarity(lower(c.name), lower(names.name)) desc, c.id limit 1) as near
      from (select distinct given->>'customer' as name from import_row where batch_id = ${batchId} and customer_id is null and given->>'customer' is not null) names
      where not exists (select 1 from jsonb_each_text(${JSON.stringify(decided)}::jsonb) d where d.key = names.name)
    ) n
    where r.batch_id = ${batchId} and r.customer_id is null and r.given->>'customer' = n.name and n.near is not null`);
}

/** Which model it is: by maker and name, by name alone where only one has it, or by what was decided about the name. */
async function findModels(tx: Transaction, batchId: string, decided: Record<string, string>): Promise<void> {
  const called = sql`trim(coalesce(r.given->>'maker', '') || ' ' || (r.given->>'model'))`;
  await tx.execute(sql`update import_row r set model_id = m.id from instrument_model m
    where r.batch_id = ${batchId} and m.retired_at is null and lower(m.maker || ' ' || m.name) = lower(${called})`);
  await tx.execute(sql`update import_row r set model_id = m.id from (select lower(name) as name, (array_agg(id))[1] as id from instrument_model where retired_at is null group by lower(name) having count(*) = 1) m
    where r.batch_id = ${batchId} and r.model_id is null and r.given->>'maker' is null and m.name = lower(r.given->>'model')`);
  await tx.execute(sql`update import_row r set model_id = m.id from jsonb_each_text(${JSON.stringify(decided)}::jsonb) d, instrument_model m
    where r.batch_id = ${batchId} and r.model_id is null and ${called} = d.key and m.id::text = d.value`);
  await tx.execute(sql`update import_row r set problems = problems || jsonb_build_array(jsonb_build_object('code', 'unknownModel', 'field', 'model', 'numbers', jsonb_build_object('model', ${called})))
    where r.batch_id = ${batchId} and r.model_id is null and r.given->>'model' is not null`);
}

/** An instrument of that maker and serial is on record already: it is left as it is. */
async function findInstruments(tx: Transaction, batchId: string): Promise<void> {
  await tx.execute(sql`update import_row r set verdict = 'there' from instrument_model m, asset a
    where r.batch_id = ${batchId} and m.id = r.model_id and lower(a.maker) = lower(m.maker) and upper(a.serial) = upper(r.given->>'serial')`);
}
