import { sql } from 'drizzle-orm';
import type { Database, Transaction } from '@/data/connection';
import { hearing, onChange, tellChange } from './change-stream';

/** Every job there is, with what it is told. */
export interface Jobs {
  mail: Record<string, never>;
  drawDocument: { certificateId: string };
  walkProcedure: { procedureId: string };
  drawSheet: { sheetId: string; modelId: string; assetId?: string };
  nightly: Record<string, never>;
  backup: Record<string, never>;
  reminders: Record<string, never>;
  judgeAnew: { suspicionId: string };
  windowLink: { email: string };
  windowRequest: { requestId: string };
  customerAnswer: { questionId: string };
  returns: Record<string, never>;
  takeImport: { batchId: string; by: string };
}
export type JobName = keyof Jobs;

interface Manner {
  /** Jobs with the same key are one until it begins. */
  key: string;
  /** Jobs of one queue go one after the other. */
  queue?: string;
  /** Lower goes first. */
  priority?: number;
  attempts?: number;
  at?: Date;
}

/** Leaves a job to the jobs process, in the caller's transaction: what is rolled back is never done. */
export async function enqueue<Name extends JobName>(
  tx: Transaction | Database,
  name: Name,
  what: Jobs[Name],
  { key, queue, priority = 0, attempts = 25, at }: Manner,
): Promise<void> {
  await tx.execute(
    sql`select enqueue_job(${name}, ${JSON.stringify(what)}::json, ${key}, ${queue ?? null}, ${priority}, ${attempts}, ${at?.toISOString() ?? null}::timestamptz)`,
  );
}

/** How long somebody in front of a screen waits for a job, ms. */
const PATIENCE_MS = 20_000;

/** Asks for a job at once and waits until it is done, without holding a connection. False where it wasn't in time. */
export async function askJob<Name extends JobName>(db: Database, name: Name, what: Jobs[Name], key: string): Promise<boolean> {
  await hearing();
  let stop = () => undefined as void;
  let timer: NodeJS.Timeout | undefined;
  const done = new Promise<boolean>((resolve) => {
    timer = setTimeout(() => resolve(false), PATIENCE_MS);
    stop = onChange((channel, payload) => {
      if (channel === 'job_done' && payload === key) resolve(true);
    });
  });
  try {
    await enqueue(db, name, what, { key, priority: -10, attempts: 3 });
    return await done;
  } finally {
    clearTimeout(timer);
    stop();
  }
}

export const tellDone = (db: Database, key: string): Promise<void> => tellChange(db, 'job_done', key);
