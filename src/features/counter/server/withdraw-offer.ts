import { and, eq, isNull } from 'drizzle-orm';
import { offer } from '@/data/schema';
import type { UseCaseContext } from '@/platform/use-case';

/** An instrument that leaves the house takes its question with it: an offer that still waits would wait for ever. Errors: none. */
export async function withdrawOffer({ tx, actor, now }: UseCaseContext, ticketId: string): Promise<void> {
  await tx
    .update(offer)
    .set({ answer: 'withdrawn', answeredBy: actor.name, answeredHow: 'counter', notedBy: actor.name, answeredAt: now })
    .where(and(eq(offer.ticketId, ticketId), isNull(offer.answer)));
}
