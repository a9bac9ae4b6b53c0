import { and, asc, desc, eq, gt, sql } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { importBatch, importRow, instrumentModel, type ImportVerdict } from '@/data/schema';
import { guessColumns } from '../import-fields';

export const VERDICTS: readonly ImportVerdict[] = ['new', 'ask', 'bad', 'there'];
const SHOWN = 50;
const MOST_BATCHES = 40;

/** Tables that were read, the newest first. */
export async function listImports(tx: Transaction) {
  return tx.select().from(importBatch).orderBy(desc(importBatch.at)).limit(MOST_BATCHES);
}

/** Columns as they were chosen for the last table with the same headings; else as the headings say. */
async function remembered(tx: Transaction, batch: typeof importBatch.$inferSelect) {
  const [before] = await tx
    .select({ mapping: importBatch.mapping })
    .from(importBatch)
    .where(and(eq(importBatch.kind, batch.kind), eq(importBatch.columns, batch.columns), sql`${importBatch.mapping} <> '{}'`))
    .orderBy(desc(importBatch.at))
    .limit(1);
  return before?.mapping ?? guessColumns(batch.kind, batch.columns);
}

/** One table: its columns, a few rows, what was found, and what is asked. Null where there is none. */
export async function importPage(
  tx: Transaction,
  { id, verdict, after = 0 }: { id: string; verdict?: string | undefined; after?: number },
) {
  const [batch] = await tx.select().from(importBatch).where(eq(importBatch.id, id));
  if (!batch) return null;
  const mapping = Object.keys(batch.mapping).length ? batch.mapping : await remembered(tx, batch);
  const of = eq(importRow.batchId, id);
  const counted = await tx
    .select({ verdict: importRow.verdict, n: sql<number>`count(*)::int` })
    .from(importRow)
    .where(of)
    .groupBy(importRow.verdict);
  const counts = Object.fromEntries(VERDICTS.map((one) => [one, counted.find((row) => row.verdict === one)?.n ?? 0])) as Record<
    ImportVerdict,
    number
  >;
  const shown = VERDICTS.find((one) => one === verdict);
  const rows = await tx
    .select()
    .from(importRow)
    .where(and(of, shown ? eq(importRow.verdict, shown) : undefined, gt(importRow.line, after)))
    .orderBy(asc(importRow.line))
    .limit(SHOWN + 1);
  const asked = await tx.execute<{ code: string; name: string; like: string | null; like_id: string | null; n: number }>(sql`
    select p.one->>'code' as code, coalesce(p.one->'numbers'->>'customer', p.one->'numbers'->>'model') as name, max(p.one->'numbers'->>'like') as like, count(*)::int as n,
      (select c.id::text from customer c where c.name = max(p.one->'numbers'->>'like') and c.merged_into is null limit 1) as like_id
    from import_row cross join jsonb_array_elements(problems) as p (one) where batch_id = ${id} and p.one->>'code' in ('likeCustomer', 'unknownModel')
    group by 1, 2 order by count(*) desc, 1, 2 limit 200`);
  const models = await tx
    .select({ id: instrumentModel.id, name: sql<string>`${instrumentModel.maker} || ' ' || ${instrumentModel.name}` })
    .from(instrumentModel)
    .where(sql`${instrumentModel.retiredAt} is null`)
    .orderBy(asc(instrumentModel.maker), asc(instrumentModel.name));
  const [made = { customers: 0, instruments: 0, bottles: 0 }] =
    batch.state === 'taken'
      ? await tx
          .select({
            customers: sql<number>`count(distinct ${importRow.madeCustomer})::int`,
            instruments: sql<number>`count(${importRow.madeAsset})::int`,
            bottles: sql<number>`count(${importRow.madeReference})::int`,
          })
          .from(importRow)
          .where(of)
      : [];
  return {
    batch,
    mapping,
    made,
    counts,
    rows: rows.slice(0, SHOWN),
    next: rows.length > SHOWN ? rows[SHOWN - 1]!.line : null,
    asked: asked.rows,
    models,
  };
}
