import { randomUUID } from 'node:crypto';
import { eq, sql } from 'drizzle-orm';
import { say } from '@/core/words/say';
import { importBatch, importRow } from '@/data/schema';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import type { ImportKind } from '../import-fields';
import { MOST_ROWS } from '../schemas';
import { heldBatch } from './held-batch';
import '@/core/words/en/imports';

/** Begins a table: its headings. Rows follow. */
export async function beginImport(
  { tx, actor, now }: UseCaseContext,
  { kind, fileName, columns }: { kind: ImportKind; fileName: string; columns: string[] },
): Promise<{ batchId: string }> {
  need(actor, 'office');
  const id = randomUUID();
  await tx.insert(importBatch).values({ id, kind, fileName, columns: columns.map((one) => one.trim()), by: actor.name, at: now });
  return { batchId: id };
}

/** Rows of a table, some hundred at a time, in turn; `last` closes it. Errors: Problem (409) for rows out of turn, or of a table that is closed; (400) for too many. */
export async function addRows(
  { tx, actor }: UseCaseContext,
  { batchId, first, rows, last }: { batchId: string; first: number; rows: string[][]; last: boolean },
): Promise<{ rows: number }> {
  need(actor, 'office');
  const batch = await heldBatch(tx, batchId, ['filling']);
  if (first !== batch.rows + 1) throw new Problem(say({ code: 'import.outOfTurn' }), {}, 409);
  const count = batch.rows + rows.length;
  if (count > MOST_ROWS) throw new Problem(say({ code: 'import.rows', numbers: { count, most: MOST_ROWS } }));
  await tx.execute(sql`insert into import_row (batch_id, line, cells)
    select ${batchId}::uuid, ${first}::int + place::int - 1, cells from jsonb_array_elements(${JSON.stringify(rows)}::jsonb) with ordinality as given (cells, place)`);
  await tx
    .update(importBatch)
    .set({ rows: count, ...(last ? { state: 'staged' as const } : {}) })
    .where(eq(importBatch.id, batchId));
  return { rows: count };
}

/** Puts a table aside that was not taken in: its rows go, that it was read stays on record. */
export async function dropImport({ tx, actor }: UseCaseContext, { batchId }: { batchId: string }): Promise<void> {
  need(actor, 'office');
  await heldBatch(tx, batchId, ['filling', 'staged', 'judged']);
  await tx.delete(importRow).where(eq(importRow.batchId, batchId));
  await tx.update(importBatch).set({ state: 'dropped' }).where(eq(importBatch.id, batchId));
}
