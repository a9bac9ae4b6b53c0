import { eq } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { asset, customer, instrumentModel, receipt, ticket } from '@/data/schema';
import { readSettings } from '@/platform/settings';
import { isId } from '@/platform/shape';

/** A ticket with all that its slip shows, and the other tickets of the same receipt. */
export async function ticketSlip(tx: Transaction, id: string) {
  if (!isId(id)) return null;
  const [row] = await tx
    .select({ ticket, receipt, customer, asset, model: instrumentModel.name, kind: instrumentModel.kind })
    .from(ticket)
    .innerJoin(receipt, eq(ticket.receiptId, receipt.id))
    .innerJoin(customer, eq(ticket.customerId, customer.id))
    .innerJoin(asset, eq(ticket.assetId, asset.id))
    .innerJoin(instrumentModel, eq(asset.modelId, instrumentModel.id))
    .where(eq(ticket.id, id));
  if (!row) return null;
  const together = await tx
    .select({ id: ticket.id, code: ticket.code, serial: asset.serial, maker: asset.maker, model: instrumentModel.name })
    .from(ticket)
    .innerJoin(asset, eq(ticket.assetId, asset.id))
    .innerJoin(instrumentModel, eq(asset.modelId, instrumentModel.id))
    .where(eq(ticket.receiptId, row.receipt.id))
    .orderBy(ticket.code);
  return { ...row, together, workshop: await readSettings(tx) };
}
