import { eq, inArray, sql } from 'drizzle-orm';
import { Dec } from '@/core/quantity/decimal';
import { gasAvailable } from '@/core/gas/gas-available';
import type { ReferenceSnapshot } from '@/core/run/reference-snapshot';
import type { Transaction } from '@/data/connection';
import { reference, referenceBooking } from '@/data/schema';

type Row = typeof reference.$inferSelect;

/** A reference as it stands now, ready to be copied into a run: what is left is the content at the last pressure reading less what was drawn. */
export async function referenceSnapshots(tx: Transaction, ids?: string[]): Promise<(ReferenceSnapshot & { kindOf: Row['kind']; drawnL: string; contentL: string | null })[]> {
  const rows = await tx.select().from(reference).where(ids ? inArray(reference.id, ids) : undefined).orderBy(reference.kind, reference.name, reference.lot);
  const drawn = await tx.select({ id: referenceBooking.referenceId, litres: sql<string>`sum(${referenceBooking.litres})` }).from(referenceBooking).groupBy(referenceBooking.referenceId);
  return rows.map((row) => {
    const drawnL = drawn.find((entry) => entry.id === row.id)?.litres ?? '0';
    const contentL = row.waterVolumeL && row.pressureBar ? new Dec(gasAvailable({ waterVolumeL: Number(row.waterVolumeL), gaugePressureBar: Number(row.pressureBar) })).toDecimalPlaces(1).toFixed() : null;
    const available = contentL === null ? null : Dec.max(0, new Dec(contentL).minus(drawnL)).toDecimalPlaces(1).toFixed();
    return { ...toSnapshot(row, available), kindOf: row.kind, drawnL, contentL };
  });
}

export async function referenceSnapshot(tx: Transaction, id: string): Promise<ReferenceSnapshot | null> {
  const [found] = /^[0-9a-f-]{36}$/.test(id) ? await referenceSnapshots(tx, [id]) : [];
  if (!found) return null;
  const { kindOf: _kind, drawnL: _drawn, contentL: _content, ...snapshot } = found;
  return snapshot;
}

function toSnapshot(row: Row, available: string | null): ReferenceSnapshot {
  return {
    id: row.id, kind: row.kind, name: row.name, lot: row.lot, components: row.components,
    ...(row.certificate ? { certificate: row.certificate } : {}), ...(row.traceability ? { traceability: row.traceability } : {}), ...(row.expires ? { expires: row.expires } : {}),
    ...(row.balance ? { balance: row.balance } : {}), ...(row.recalled ? { recalled: row.recalled } : {}), ...(available === null ? {} : { availableL: available }),
  };
}

/** Where a bottle was used: newest first. */
export async function referenceUse(tx: Transaction, id: string) {
  return tx.select({ runId: referenceBooking.runId, litres: referenceBooking.litres, at: referenceBooking.at, by: referenceBooking.by }).from(referenceBooking).where(eq(referenceBooking.referenceId, id)).orderBy(sql`${referenceBooking.at} desc`).limit(50);
}
