import { eq } from 'drizzle-orm';
import { violatedUnique } from '@/data/database-problem';
import { ticket } from '@/data/schema';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import { readSettings } from '@/platform/settings';
import type { UseCaseContext } from '@/platform/use-case';

/** Puts a ticket on a bench place, or back into the in-tray (place null). The warm-up clock runs from here; moving between places doesn't restart it. */
export async function placeTicket(
  { tx, actor, now }: UseCaseContext,
  { ticketId, place }: { ticketId: string; place: number | null },
): Promise<void> {
  need(actor, 'bench');
  const [row] = await tx.select().from(ticket).where(eq(ticket.id, ticketId)).for('update');
  if (!row) throw new Problem('This ticket does not exist.', {}, 404);
  if (row.status !== 'inTray' && row.status !== 'onBench')
    throw new Problem(`Ticket ${row.code} is not waiting for the bench.`, {}, 409);
  if (place === null) {
    await tx.update(ticket).set({ place: null, placedAt: null, status: 'inTray' }).where(eq(ticket.id, ticketId));
    return;
  }
  const { places } = await readSettings(tx);
  if (place < 1 || place > places) throw new Problem(`There are ${places} bench places.`);
  try {
    await tx
      .update(ticket)
      .set({ place, placedAt: row.place === null ? now : row.placedAt, status: 'onBench' })
      .where(eq(ticket.id, ticketId));
  } catch (error) {
    if (violatedUnique(error) === 'ticket_place')
      throw new Problem(`Place ${place} is taken. Clear it first, or choose another.`, {}, 409);
    throw error;
  }
}
