import { desc, eq } from 'drizzle-orm';
import type { ReferenceSnapshot } from '@/core/record/reference-snapshot';
import type { Transaction } from '@/data/connection';
import { asset, reference, referenceBooking, referenceCheck, referenceTotal, run } from '@/data/schema';
import { referenceSnapshot } from './snapshot';

export interface ReferencePage {
  snapshot: ReferenceSnapshot;
  row: typeof reference.$inferSelect;
  checks: (typeof referenceCheck.$inferSelect)[];
  uses: { runId: string; litres: string; at: Date; by: string; serial: string; maker: string }[];
  drawnL: number;
}

/** A bottle or a piece of equipment with all that happened to it: who used it, when, on what, how much. Newest first. */
export async function referencePage(tx: Transaction, id: string): Promise<ReferencePage | null> {
  const snapshot = await referenceSnapshot(tx, id);
  if (!snapshot) return null;
  const [row] = await tx.select().from(reference).where(eq(reference.id, id));
  const uses = await tx
    .select({
      runId: referenceBooking.runId,
      litres: referenceBooking.litres,
      at: referenceBooking.at,
      by: referenceBooking.by,
      serial: asset.serial,
      maker: asset.maker,
    })
    .from(referenceBooking)
    .innerJoin(run, eq(run.id, referenceBooking.runId))
    .innerJoin(asset, eq(asset.id, run.assetId))
    .where(eq(referenceBooking.referenceId, id))
    .orderBy(desc(referenceBooking.at))
    .limit(50);
  const [total] = await tx
    .select({ litres: referenceTotal.litres })
    .from(referenceTotal)
    .where(eq(referenceTotal.referenceId, id));
  return {
    snapshot,
    row: row!,
    checks: await tx
      .select()
      .from(referenceCheck)
      .where(eq(referenceCheck.referenceId, id))
      .orderBy(desc(referenceCheck.at), desc(referenceCheck.id))
      .limit(50),
    uses,
    drawnL: Number(total?.litres ?? 0),
  };
}
