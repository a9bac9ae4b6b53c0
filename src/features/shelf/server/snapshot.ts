import { eq, inArray, sql } from 'drizzle-orm';
import { Dec } from '@/core/quantity/decimal';
import { gasAvailable } from '@/core/supply/gas-available';
import type { ReferenceSnapshot } from '@/core/run/reference-snapshot';
import type { Transaction } from '@/data/connection';
import { reference, referenceBooking } from '@/data/schema';

type Row = typeof reference.$inferSelect;

/** References as they stand now, ready to be copied into a run: what is left is the content at the last pressure reading less what was drawn. */
export async function referenceSnapshots(tx: Transaction, ids?: string[]): Promise<ReferenceSnapshot[]> {
  const rows = await tx
    .select()
    .from(reference)
    .where(ids ? inArray(reference.id, ids) : undefined)
    .orderBy(reference.kind, reference.name, reference.lot);
  const drawn = await tx
    .select({ id: referenceBooking.referenceId, litres: sql<string>`sum(${referenceBooking.litres})` })
    .from(referenceBooking)
    .where(ids ? inArray(referenceBooking.referenceId, ids) : undefined)
    .groupBy(referenceBooking.referenceId);
  return rows.map((row) => {
    if (!row.waterVolumeL || !row.pressureBar) return toSnapshot(row, null);
    const content = gasAvailable({ waterVolumeL: Number(row.waterVolumeL), gaugePressureBar: Number(row.pressureBar) });
    return toSnapshot(
      row,
      Dec.max(0, new Dec(content).minus(drawn.find((entry) => entry.id === row.id)?.litres ?? 0))
        .toDecimalPlaces(1)
        .toFixed(),
    );
  });
}

export async function referenceSnapshot(tx: Transaction, id: string): Promise<ReferenceSnapshot | null> {
  const [found] = /^[0-9a-f-]{36}$/.test(id) ? await referenceSnapshots(tx, [id]) : [];
  return found ?? null;
}

function toSnapshot(row: Row, available: string | null): ReferenceSnapshot {
  return {
    id: row.id,
    kind: row.kind,
    name: row.name,
    lot: row.lot,
    components: row.components,
    ...(row.certificate ? { certificate: row.certificate } : {}),
    ...(row.traceability ? { traceability: row.traceability } : {}),
    ...(row.expires ? { expires: row.expires } : {}),
    ...(row.balance ? { balance: row.balance } : {}),
    ...(row.recalled ? { recalled: row.recalled } : {}),
    ...(available === null ? {} : { availableL: available }),
  };
}

/** Where a bottle was used: newest first. */
export async function referenceUse(tx: Transaction, id: string) {
  return tx
    .select({ runId: referenceBooking.runId, litres: referenceBooking.litres, at: referenceBooking.at, by: referenceBooking.by })
    .from(referenceBooking)
    .where(eq(referenceBooking.referenceId, id))
    .orderBy(sql`${referenceBooking.at} desc`)
    .limit(50);
}
