import { desc, eq } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { asset, stationEntry } from '@/data/schema';

export type EntryView = typeof stationEntry.$inferSelect & { assetSerial: string };

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
  return rows.map(({ entry, serial }) => ({ ...entry, assetSerial: serial }));
}
