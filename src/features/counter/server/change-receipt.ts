import { and, asc, eq, inArray } from 'drizzle-orm';
import { say } from '@/core/words/say';
import { receipt, ticket } from '@/data/schema';
import { recordAudit } from '@/platform/audit';
import { need } from '@/platform/need';
import { nextNumber } from '@/platform/next-number';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import type { ReceiptChange, ReceiptSplit } from '../receipt-schema';
import { cancelTicket } from './end-ticket';
import '@/core/words/en/receipts';

/** The receipt's row, held until the transaction ends. Errors: Problem (403), (404). */
export async function heldReceipt({ tx, actor }: UseCaseContext, id: string) {
  need(actor, 'receive');
  const [row] = await tx.select().from(receipt).where(eq(receipt.id, id)).for('update');
  if (!row) throw new Problem(say({ code: 'receipt.unknown' }), {}, 404);
  return row;
}

/**
 * Corrects who brought it and what was noted.
 * Errors: Problem (403), (404); (409) where somebody else changed it since it was opened: `fields` says of each that differs what is on record now.
 */
export async function correctReceipt(context: UseCaseContext, { receiptId, seen, ...input }: ReceiptChange): Promise<void> {
  const row = await heldReceipt(context, receiptId);
  const moved = (['contact', 'note'] as const).filter((name) => row[name] !== seen[name] && row[name] !== input[name]);
  if (moved.length) {
    const fields = moved.map((name) => [
      name,
      row[name] ? say({ code: 'receipt.isNow', numbers: { text: row[name] } }) : say({ code: 'receipt.isNowEmpty' }),
    ]);
    throw new Problem(say({ code: 'receipt.meanwhile' }), Object.fromEntries(fields), 409, { code: 'changedMeanwhile' });
  }
  await context.tx.update(receipt).set(input).where(eq(receipt.id, receiptId));
  await recordAudit(context, 'correctReceipt', row.number, {
    before: { contact: row.contact, note: row.note },
    after: input,
  });
}

/**
 * Puts some of a receipt's instruments on one of their own, which arrived at the same moment.
 * Errors: Problem (403), (404); (409) for a ticket that is not on it; with `fields.ticketIds` where none would be left.
 */
export async function splitReceipt(
  context: UseCaseContext,
  { receiptId, contact, ticketIds }: ReceiptSplit,
): Promise<{ id: string; number: string }> {
  const row = await heldReceipt(context, receiptId);
  const { tx } = context;
  const lines = await tx.select({ id: ticket.id, code: ticket.code }).from(ticket).where(eq(ticket.receiptId, receiptId));
  const moved = lines.filter((line) => ticketIds.includes(line.id));
  if (moved.length !== new Set(ticketIds).size) throw new Problem(say({ code: 'receipt.elsewhere' }), {}, 409);
  if (moved.length === lines.length)
    throw new Problem(say({ code: 'receipt.splitSome' }), { ticketIds: say({ code: 'receipt.splitSome' }) }, 409);
  const { number } = await nextNumber(context, 'receipt');
  const { customerId, receivedAt, receivedBy, note } = row;
  const [made] = await tx
    .insert(receipt)
    .values({ number, customerId, contact, note, receivedAt, receivedBy })
    .returning({ id: receipt.id });
  await tx
    .update(ticket)
    .set({ receiptId: made!.id })
    .where(
      and(
        eq(ticket.receiptId, receiptId),
        inArray(
          ticket.id,
          moved.map((line) => line.id),
        ),
      ),
    );
  await recordAudit(context, 'splitReceipt', row.number, { to: number, tickets: moved.map((line) => line.code) });
  return { id: made!.id, number };
}

/** Cancels every ticket of a receipt on which nothing was done. Errors: Problem (403), (404), (409) once work on any has begun, or nothing of it is in the house. */
export async function cancelReceipt(
  context: UseCaseContext,
  { receiptId, why }: { receiptId: string; why: string },
): Promise<void> {
  const row = await heldReceipt(context, receiptId);
  const lines = await context.tx.select().from(ticket).where(eq(ticket.receiptId, receiptId)).orderBy(asc(ticket.code));
  const here = lines.filter((line) => line.status !== 'returned');
  if (here.length === 0) throw new Problem(say({ code: 'receipt.cancelNothing' }), {}, 409);
  const begun = here.filter((line) => line.runId);
  if (begun.length)
    throw new Problem(
      say({ code: 'receipt.cancelNotNow', numbers: { codes: begun.map((line) => line.code).join(', ') } }),
      {},
      409,
    );
  for (const line of here) await cancelTicket(context, { ticketId: line.id, why });
  await recordAudit(context, 'cancelReceipt', row.number, { why, tickets: here.map((line) => line.code) });
}
