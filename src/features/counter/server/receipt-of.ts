import { asc, eq } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { asset, customer, instrumentModel, receipt, ticket } from '@/data/schema';
import { readSettings } from '@/platform/settings';
import { isId } from '@/platform/shape';

/** A receipt with every ticket on it; null where the id is nobody's. */
export async function receiptOf(tx: Transaction, id: string) {
  if (!isId(id)) return null;
  const [head] = await tx
    .select({ receipt, customer })
    .from(receipt)
    .innerJoin(customer, eq(customer.id, receipt.customerId))
    .where(eq(receipt.id, id));
  if (!head) return null;
  const lines = await tx
    .select({ ticket, asset, maker: instrumentModel.maker, model: instrumentModel.name, kind: instrumentModel.kind })
    .from(ticket)
    .innerJoin(asset, eq(asset.id, ticket.assetId))
    .innerJoin(instrumentModel, eq(instrumentModel.id, asset.modelId))
    .where(eq(ticket.receiptId, id))
    .orderBy(asc(ticket.code));
  return { ...head, lines, workshop: await readSettings(tx), over: lines.every((line) => line.ticket.status === 'returned') };
}
export type ReceiptFound = NonNullable<Awaited<ReturnType<typeof receiptOf>>>;
