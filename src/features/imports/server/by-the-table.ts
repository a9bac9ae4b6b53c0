import { sql } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';

/**
 * For the rest of this transaction statements work on a whole table of rows. The rows were written a moment ago, so that the database knows nothing of how many there are and would compare each with each; and what takes a hundred thousand rows may take its time. Nothing is compiled: a loop that can't be avoided counts as so dear then that triggers would be compiled anew for each row.
 */
export async function byTheTable(tx: Transaction): Promise<void> {
  await tx.execute(sql`set local enable_nestloop = off`);
  await tx.execute(sql`set local jit = off`);
  await tx.execute(sql`set local statement_timeout = '5min'`);
}
