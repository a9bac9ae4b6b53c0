import { and, desc, inArray, lt, sql } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { houseCheck } from '@/data/schema';

/** What the jobs process does at its hours. */
export const BY_THE_CLOCK = ['reminders', 'returns', 'lots', 'advice', 'verify', 'anchor', 'backup'] as const;
const SHOWN = 60;

export interface JobNow extends Record<string, unknown> {
  task: string;
  waiting: number;
  running: number;
  failing: number;
  given_up: number;
  next_at: string | null;
  problem: string | null;
}

/** What of each kind waits, is under way, was put off or given up. */
export async function jobsNow(tx: Transaction): Promise<JobNow[]> {
  const { rows } = await tx.execute<JobNow>(sql`select * from jobs_now()`);
  return rows;
}

/** What was done by the clock, the newest first, paged by key. */
export async function jobsDone(tx: Transaction, before?: string) {
  const key = Number(before);
  const rows = await tx
    .select()
    .from(houseCheck)
    .where(
      and(
        inArray(houseCheck.kind, [...BY_THE_CLOCK, 'restore']),
        Number.isSafeInteger(key) && key > 0 ? lt(houseCheck.id, key) : undefined,
      ),
    )
    .orderBy(desc(houseCheck.id))
    .limit(SHOWN + 1);
  return { rows: rows.slice(0, SHOWN), next: rows.length > SHOWN ? String(rows[SHOWN - 1]!.id) : null };
}
