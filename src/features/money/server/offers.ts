import { and, eq, isNull } from 'drizzle-orm';
import { totalOf, type Position } from '@/core/money/position';
import { say } from '@/core/words/say';
import type { Transaction } from '@/data/connection';
import { jobPosition, offer, ticket, type OfferAnswer } from '@/data/schema';
import { withdrawQuestions } from '@/platform/ask-customer';
import { need } from '@/platform/need';
import { nextNumber } from '@/platform/next-number';
import { Problem } from '@/platform/problem';
import { readSettings } from '@/platform/settings';
import type { UseCaseContext } from '@/platform/use-case';
import '@/core/words/en/money';
import '@/core/words/en/tickets';

/** A ticket whose instrument is in the house, its row held. Errors: Problem (404), (409) once it was handed back. */
export async function ticketInHouse({ tx }: Pick<UseCaseContext, 'tx'>, id: string) {
  const [row] = await tx.select().from(ticket).where(eq(ticket.id, id)).for('update');
  if (!row) throw new Problem(say({ code: 'ticket.unknown' }), {}, 404);
  if (row.status === 'returned') throw new Problem(say({ code: 'money.closed' }), {}, 409);
  return row;
}

/** The offer of a ticket that waits for the customer’s word, if there is one. */
export async function offerThatWaits(tx: Transaction, ticketId: string) {
  const [row] = await tx
    .select()
    .from(offer)
    .where(and(eq(offer.ticketId, ticketId), isNull(offer.answer)));
  return row ?? null;
}

/** What was found and what mending costs, with a number of its own series. Until it is answered no run begins on the ticket. Errors: Problem (403), (404), (409) where one waits already. */
export async function makeOffer(
  context: UseCaseContext,
  { ticketId, finding, positions }: { ticketId: string; finding: string; positions: Position[] },
): Promise<{ id: string; number: string }> {
  need(context.actor, 'bench');
  const { tx, actor, now } = context;
  await ticketInHouse(context, ticketId);
  const waits = await offerThatWaits(tx, ticketId);
  if (waits) throw new Problem(say({ code: 'offer.openAlready', numbers: { number: waits.number } }), {}, 409);
  const { currency } = await readSettings(tx);
  const { number } = await nextNumber(context, 'offer');
  const [row] = await tx
    .insert(offer)
    .values({ ticketId, number, finding, positions, currency, total: totalOf(positions), madeBy: actor.name, madeAt: now })
    .returning({ id: offer.id });
  return { id: row!.id, number };
}

/** What the customer said, by whom and how; what was accepted becomes positions of the job. Errors: Problem (403), (404), (409) where it was answered already. */
export async function answerOffer(
  context: UseCaseContext,
  { offerId, answer, by, how }: { offerId: string; answer: OfferAnswer; by: string; how: string },
): Promise<void> {
  need(context.actor, 'receive');
  const { tx, actor, now } = context;
  const [row] = await tx.select().from(offer).where(eq(offer.id, offerId)).for('update');
  if (!row) throw new Problem(say({ code: 'offer.unknown' }), {}, 404);
  if (row.answer) throw new Problem(say({ code: 'offer.answeredAlready' }), {}, 409);
  await ticketInHouse(context, row.ticketId);
  await tx
    .update(offer)
    .set({ answer, answeredBy: by || actor.name, answeredHow: how, notedBy: actor.name, answeredAt: now })
    .where(eq(offer.id, offerId));
  await withdrawQuestions(context, offerId);
  if (answer !== 'accepted') return;
  await tx.insert(jobPosition).values(
    row.positions.map((one) => ({
      ...one,
      ticketId: row.ticketId,
      currency: row.currency,
      offerId,
      notedBy: actor.name,
      notedAt: now,
    })),
  );
}
