import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import { Pool } from 'pg';
import * as schema from './schema';

export type Database = NodePgDatabase<typeof schema>;
export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0];

// One pool a process, kept across the development server's reloads.
const kept = globalThis as { werkbankPool?: Pool };

export function pool(): Pool {
  if (!kept.werkbankPool) {
    kept.werkbankPool = new Pool({
      connectionString: process.env.DATABASE_URL,
      max: 20,
      connectionTimeoutMillis: 4000,
      idleTimeoutMillis: 30_000,
    });
    // A connection that breaks while idle is replaced; without a listener it would end the process.
    kept.werkbankPool.on('error', () => undefined);
  }
  return kept.werkbankPool;
}

export function database(): Database {
  return drizzle(pool(), { schema });
}

export async function closeDatabase(): Promise<void> {
  await kept.werkbankPool?.end();
  delete kept.werkbankPool;
}
