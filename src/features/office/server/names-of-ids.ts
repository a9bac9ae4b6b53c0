import { sql } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';

/** What people call a row, and the page that it has. */
export interface Named {
  name: string;
  href: string | null;
}

const WHERE: [table: string, name: string, href: ((id: string) => string) | null][] = [
  ['user', 'name', null],
  ['customer', 'name', (id) => `/customers/${id}`],
  ['asset', 'serial', (id) => `/assets/${id}`],
  ['instrument_model', "maker || ' ' || name", (id) => `/models/${id}`],
  ['ticket', 'code', (id) => `/tickets/${id}`],
  ['certificate', 'number', (id) => `/certificates/${id}`],
  ['reference', "name || ' ' || lot", (id) => `/shelf/${id}`],
];
/** A run is called by its ticket. */
const RUNS = sql`select run_id::text as id, code as name from ticket where run_id`;

/** Names of ids, wherever they stand; an id of nothing that has a name is left out. One question a kind, by primary key. */
export async function namesOfIds(tx: Transaction, ids: string[]): Promise<Record<string, Named>> {
  const names: Record<string, Named> = {};
  if (!ids.length) return names;
  const list = sql.param(`{${ids.join(',')}}`);
  for (const [table, name, href] of WHERE) {
    const keyed = table === 'user' ? sql`id = any(${list}::text[])` : sql`id = any(${list}::uuid[])`;
    const { rows } = await tx.execute<{ id: string; name: string }>(
      sql`select id::text as id, ${sql.raw(name)} as name from ${sql.identifier(table)} where ${keyed}`,
    );
    for (const row of rows) names[row.id] = { name: row.name, href: href?.(row.id) ?? null };
  }
  const runs = await tx.execute<{ id: string; name: string }>(sql`${RUNS} = any(${list}::uuid[])`);
  for (const row of runs.rows) names[row.id] = { name: row.name, href: `/runs/${row.id}` };
  return names;
}
