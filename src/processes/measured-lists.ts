import { drizzle } from 'drizzle-orm/node-postgres';
import { Pool } from 'pg';
import type { Transaction } from '@/data/connection';
import { listAssets } from '@/features/assets/server';
import { listCertificates } from '@/features/certificates/server';
import { findAnything, listTickets } from '@/features/counter/server';
import { listCustomers } from '@/features/customers/server';
import { dueCounts, dueList } from '@/features/due/server';
import { workInHouse } from '@/features/money/server';

type Use = (tx: Transaction) => Promise<unknown>;
const BENCH = { id: 'bench', name: 'Bench', role: 'administrator' as const };
const today = new Date().toISOString().slice(0, 10);
const find =
  (text: string): Use =>
  (tx) =>
    findAnything({ tx, actor: BENCH, now: new Date() }, { text });

/** Lists that people wait for: the page, and the use cases behind it whose statements it can't do without. */
export const LISTS: Record<string, { path: string; uses: Use[] }> = {
  instruments: { path: '/assets', uses: [(tx) => listAssets(tx, {})] },
  'instruments searched': { path: '/assets?q=LRG-77', uses: [(tx) => listAssets(tx, { q: 'LRG-77' })] },
  customers: { path: '/customers', uses: [(tx) => listCustomers(tx, { today })] },
  'due list': { path: '/due', uses: [(tx) => dueList(tx, { window: 'overdue', today }), (tx) => dueCounts(tx, today)] },
  certificates: { path: '/certificates', uses: [(tx) => listCertificates(tx, {})] },
  tickets: { path: '/tickets', uses: [(tx) => listTickets(tx, {})] },
  'work in the house': { path: '/work', uses: [(tx) => workInHouse(tx, new Date())] },
};

/** What is found from the bar: exact and by its beginning may grow little, misspelt more. */
export const SEARCHES: Record<string, { use: Use; goal: number }> = {
  'found exactly': { use: find('LRG-7777'), goal: 1.3 },
  'found by its beginning': { use: find('LRG-77'), goal: 1.3 },
  'found misspelt': { use: find('LRG-77x7'), goal: 3 },
};

/** The statements of a use case, each prepared once and then run alone, ms, the middle of so many looks. */
export class Statements {
  private readonly pool = new Pool({ connectionString: process.env.DATABASE_URL, max: 1, pipeline: true });
  private made = 0;

  async prepare(uses: readonly Use[]): Promise<() => Promise<void>> {
    const said: { text: string; values: unknown[] }[] = [];
    const db = drizzle(this.pool, {
      logger: { logQuery: (text, values) => void said.push({ text, values }) },
    });
    for (const use of uses) await db.transaction((tx) => use(tx as unknown as Transaction));
    const statements = said
      .filter((one) => /^\s*(select|with)/i.test(one.text))
      .map((one) => ({ ...one, name: `measured-${(this.made += 1)}` }));
    return async () => {
      for (const one of statements) await this.pool.query(one);
    };
  }

  close = (): Promise<void> => this.pool.end();
}

/** The use case as the house runs it, in a transaction of its own. */
export const inHouse = (pool: Pool, use: Use) => () => drizzle(pool).transaction((tx) => use(tx as unknown as Transaction));
