import { randomUUID } from 'node:crypto';
import { eq, lt } from 'drizzle-orm';
import { say } from '@/core/words/say';
import { database, type Database } from '@/data/connection';
import { drawnSheet } from '@/data/schema';
import { askJob, type Jobs } from '@/platform/jobs';
import { Problem } from '@/platform/problem';
import { blankSheetPdf } from './blank-sheet-pdf';
import '@/core/words/en/answers';

const KEPT_MS = 60_000;

/** A blank sheet, drawn by the jobs process while this waits. Null where there is none of that model. Errors: Problem (503). */
export async function askBlankSheet(what: {
  modelId: string;
  assetId?: string;
}): Promise<{ bytes: Buffer; name: string } | null> {
  const [db, sheetId] = [database(), randomUUID()];
  await askJob(db, 'drawSheet', { sheetId, ...what }, sheetJob(sheetId));
  const [row] = await db.delete(drawnSheet).where(eq(drawnSheet.id, sheetId)).returning();
  if (!row) throw new Problem(say({ code: 'paper.waits' }), {}, 503);
  return row.bytes && row.name ? { bytes: row.bytes, name: row.name } : null;
}

export const sheetJob = (sheetId: string): string => `sheet/${sheetId}`;

/** The jobs process's side: draws it and lays it where whoever asked takes it from. */
export async function drawBlankSheet(db: Database, { sheetId, ...what }: Jobs['drawSheet'], now: Date): Promise<void> {
  const sheet = await db.transaction((tx) => blankSheetPdf(tx, { ...what, now }));
  await db.delete(drawnSheet).where(lt(drawnSheet.drawnAt, new Date(now.getTime() - KEPT_MS)));
  await db
    .insert(drawnSheet)
    .values({ id: sheetId, name: sheet?.name ?? null, bytes: sheet?.bytes ?? null, drawnAt: now })
    .onConflictDoNothing();
}
