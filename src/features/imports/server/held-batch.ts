import { eq } from 'drizzle-orm';
import { say } from '@/core/words/say';
import type { Transaction } from '@/data/connection';
import { importBatch, type ImportState } from '@/data/schema';
import { Problem } from '@/platform/problem';
import '@/core/words/en/imports';

/** A table, held until the transaction ends: two who act on it come one after the other. Errors: Problem (404), (409) where it stands otherwise. */
export async function heldBatch(tx: Transaction, id: string, states: ImportState[]) {
  const [batch] = await tx.select().from(importBatch).where(eq(importBatch.id, id)).for('update');
  if (!batch) throw new Problem(say({ code: 'import.gone' }), {}, 404);
  if (!states.includes(batch.state)) throw new Problem(say({ code: 'import.notNow', numbers: { state: batch.state } }), {}, 409);
  return batch;
}
