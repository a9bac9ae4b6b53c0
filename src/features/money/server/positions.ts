import { asc, eq } from 'drizzle-orm';
import { totalOf, type Position } from '@/core/money/position';
import { say } from '@/core/words/say';
import type { Transaction } from '@/data/connection';
import { jobPosition, offer } from '@/data/schema';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import { readSettings } from '@/platform/settings';
import type { UseCaseContext } from '@/platform/use-case';
import { ticketInHouse } from './offers';
import '@/core/words/en/money';

/** A line of the job. Errors: Problem (403), (404), (409) once it was handed back. */
export async function notePosition(
  context: UseCaseContext,
  { ticketId, position }: { ticketId: string; position: Position },
): Promise<void> {
  need(context.actor, 'receive');
  await ticketInHouse(context, ticketId);
  const { currency } = await readSettings(context.tx);
  await context.tx
    .insert(jobPosition)
    .values({ ...position, ticketId, currency, notedBy: context.actor.name, notedAt: context.now });
}

/** A line that was wrong counts no more; it stays readable. Errors: Problem (403), (404), (409). */
export async function strikePosition(
  context: UseCaseContext,
  { positionId, why }: { positionId: string; why: string },
): Promise<void> {
  need(context.actor, 'receive');
  const { tx, actor, now } = context;
  const [row] = await tx.select().from(jobPosition).where(eq(jobPosition.id, positionId)).for('update');
  if (!row) throw new Problem(say({ code: 'money.unknownPosition' }), {}, 404);
  if (row.struckAt) throw new Problem(say({ code: 'money.alreadyStruck' }), {}, 409);
  await ticketInHouse(context, row.ticketId);
  await tx.update(jobPosition).set({ struckWhy: why, struckBy: actor.name, struckAt: now }).where(eq(jobPosition.id, positionId));
}

/** Offers and lines of a job, the oldest first, and what the lines that count come to. */
export async function moneyOf(tx: Transaction, ticketId: string) {
  const offers = await tx.select().from(offer).where(eq(offer.ticketId, ticketId)).orderBy(asc(offer.madeAt));
  const positions = await tx.select().from(jobPosition).where(eq(jobPosition.ticketId, ticketId)).orderBy(asc(jobPosition.ord));
  return { offers, positions, total: totalOf(positions.filter((one) => !one.struckAt)) };
}
