import { sql } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';

const TOKEN = /^[0-9a-f]{36}$/;

/** Whose reminders a link of a mail is about, and whether they still come; with `press` they end. Null for a link that is none. */
export async function unsubscribe(
  tx: Transaction,
  token: string,
  press: boolean,
): Promise<{ name: string; wants: boolean } | null> {
  if (!TOKEN.test(token)) return null;
  const { rows } = await tx.execute<{ name: string; wants: boolean }>(sql`select * from public_unsubscribe(${token}, ${press})`);
  return rows[0] ?? null;
}
