import { and, desc, eq, inArray, ne } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { asset, runSummary, stationEntry, stationRecord } from '@/data/schema';

/** `runId`: the run that was made of it, unless it was given up. */
export type EntryView = typeof stationEntry.$inferSelect & { assetSerial: string; runId: string | null };

/** Runs that rows were made into, by row; one that was given up counts no more. */
export async function recordsOf(tx: Transaction, entries: string[]): Promise<Map<string, string>> {
  if (entries.length === 0) return new Map();
  const rows = await tx
    .select({ entryId: stationRecord.entryId, runId: stationRecord.runId })
    .from(stationRecord)
    .innerJoin(runSummary, eq(runSummary.runId, stationRecord.runId))
    .where(and(inArray(stationRecord.entryId, entries), ne(runSummary.status, 'aborted')));
  return new Map(rows.map((row) => [row.entryId, row.runId]));
}

/** What stations did to an instrument, newest first. */
export async function entriesOf(tx: Transaction, assetId: string): Promise<(typeof stationEntry.$inferSelect)[]> {
  return tx.select().from(stationEntry).where(eq(stationEntry.assetId, assetId)).orderBy(desc(stationEntry.at)).limit(40);
}

export async function latestEntries(tx: Transaction): Promise<EntryView[]> {
  const rows = await tx
    .select({ entry: stationEntry, serial: asset.serial })
    .from(stationEntry)
    .innerJoin(asset, eq(asset.id, stationEntry.assetId))
    .orderBy(desc(stationEntry.at))
    .limit(40);
  const records = await recordsOf(
    tx,
    rows.map(({ entry }) => entry.id),
  );
  return rows.map(({ entry, serial }) => ({ ...entry, assetSerial: serial, runId: records.get(entry.id) ?? null }));
}
