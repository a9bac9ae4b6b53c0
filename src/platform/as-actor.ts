import { sql } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import type { Actor } from '@/core/record/event';

/** Tells the database who asks and by which door, until the transaction ends: its change log says so of every row. */
export async function asActor(
  tx: Transaction,
  { id, name, role }: Pick<Actor, 'id' | 'name' | 'role'>,
  door: string,
): Promise<void> {
  await tx.execute(
    sql`select set_config('werkbank.actor', ${JSON.stringify({ id, name, role })}, true), set_config('werkbank.door', ${door}, true)`,
  );
}
