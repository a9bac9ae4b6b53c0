import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import { Pool } from 'pg';

export type Database = NodePgDatabase;
export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0];

/** How long one statement, one wait for a lock, and a transaction in which nothing happens may last, in ms. Work over the whole house (verifying, filling) states its own. */
const STATEMENT_MS = Number(process.env.WERKBANK_STATEMENT_MS ?? 20_000);
export const LIMITS = {
  statement_timeout: STATEMENT_MS,
  lock_timeout: Math.min(10_000, STATEMENT_MS),
  idle_in_transaction_session_timeout: STATEMENT_MS,
};

// One pool a process, kept across the development server's reloads.
const kept = globalThis as { werkbankPool?: Pool; werkbankDatabase?: Database };

export function pool(): Pool {
  if (!kept.werkbankPool) {
    kept.werkbankPool = new Pool({
      connectionString: process.env.DATABASE_URL,
      max: 20,
      connectionTimeoutMillis: 4000,
      idleTimeoutMillis: 30_000,
      // Reads of one transaction that don't need each other are sent together (Promise.all): the next is read while the last is taken apart.
      pipeline: true,
      ...LIMITS,
    });
    // A connection that breaks while idle is replaced; without a listener it would end the process.
    kept.werkbankPool.on('error', () => undefined);
  }
  return kept.werkbankPool;
}

/** Made without the schema: each transaction would make a query builder for each of its tables anew, and nobody uses those. */
export function database(): Database {
  kept.werkbankDatabase ??= drizzle(pool());
  return kept.werkbankDatabase;
}

export async function closeDatabase(): Promise<void> {
  await kept.werkbankPool?.end();
  delete kept.werkbankPool;
  delete kept.werkbankDatabase;
}
