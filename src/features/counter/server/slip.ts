import { eq, inArray } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { asset, customer, instrumentModel, receipt, ticket } from '@/data/schema';
import { readSettings } from '@/platform/settings';
import { chosenIds, isId } from '@/platform/shape';

/** As many slips go into one print. */
const MOST_SLIPS = 1000;

const slips = (tx: Transaction, ids: string[]) =>
  tx
    .select({ ticket, receipt, customer, asset, model: instrumentModel.name, kind: instrumentModel.kind })
    .from(ticket)
    .innerJoin(receipt, eq(ticket.receiptId, receipt.id))
    .innerJoin(customer, eq(ticket.customerId, customer.id))
    .innerJoin(asset, eq(ticket.assetId, asset.id))
    .innerJoin(instrumentModel, eq(asset.modelId, instrumentModel.id))
    .where(inArray(ticket.id, ids))
    .orderBy(ticket.code);

/** The slips of chosen tickets, in the order of their codes. */
export async function slipsOf(tx: Transaction, ids: string[]) {
  const chosen = chosenIds(ids, MOST_SLIPS);
  if (chosen.length === 0) return [];
  const workshop = await readSettings(tx);
  return (await slips(tx, chosen)).map((row) => ({ ...row, workshop }));
}

/** A ticket with all that its slip shows, and the other tickets of the same receipt. */
export async function ticketSlip(tx: Transaction, id: string) {
  if (!isId(id)) return null;
  const [row] = await slips(tx, [id]);
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
