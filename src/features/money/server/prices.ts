import { asc, eq, isNull, sql } from 'drizzle-orm';
import { say } from '@/core/words/say';
import { violatedUnique } from '@/data/database-problem';
import type { Transaction } from '@/data/connection';
import { price } from '@/data/schema';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import type { PriceInput } from '../money-schema';
import '@/core/words/en/money';

export type Price = typeof price.$inferSelect;

/** Prices that are offered, services first; with those that ended where they are asked for. */
export const pricesNow = (tx: Transaction, { ended = false }: { ended?: boolean } = {}): Promise<Price[]> =>
  tx
    .select()
    .from(price)
    .where(ended ? undefined : isNull(price.endedAt))
    .orderBy(
      sql`${price.endedAt} is not null`,
      sql`array_position(array['service', 'part', 'other'], ${price.what})`,
      asc(sql`lower(${price.name})`),
    );

async function held({ tx }: UseCaseContext, id: string): Promise<Price> {
  const [row] = await tx.select().from(price).where(eq(price.id, id)).for('update');
  if (!row) throw new Problem(say({ code: 'price.unknown' }), {}, 404);
  if (row.endedAt) throw new Problem(say({ code: 'price.ended' }), {}, 409);
  return row;
}

async function oneOfAKind<T>(write: () => Promise<T>): Promise<T> {
  try {
    return await write();
  } catch (error) {
    if (!['price_of_service', 'price_name'].includes(violatedUnique(error) ?? '')) throw error;
    const sentence = say({ code: 'price.taken' });
    throw new Problem(sentence, { name: sentence }, 409);
  }
}

/** A new price, or another amount for one: offers and positions made before keep theirs. Errors: Problem (403), (404), (409) for a second price of the same, or where somebody else changed it since. */
export async function keepPrice(context: UseCaseContext, { priceId, version, ...input }: PriceInput): Promise<{ id: string }> {
  need(context.actor, 'office');
  const { tx } = context;
  const values = { ...input, service: input.what === 'service' ? input.service : null };
  if (!priceId) {
    const [row] = await oneOfAKind(() => tx.insert(price).values(values).returning({ id: price.id }));
    return row!;
  }
  const row = await held(context, priceId);
  if (row.version !== version) throw new Problem(say({ code: 'price.meanwhile' }), {}, 409, { code: 'changedMeanwhile' });
  await oneOfAKind(() =>
    tx
      .update(price)
      .set({ ...values, version: row.version + 1 })
      .where(eq(price.id, priceId)),
  );
  return { id: priceId };
}

/** Suggested no more. Errors: Problem (403), (404), (409). */
export async function endPrice(context: UseCaseContext, { priceId, why }: { priceId: string; why: string }): Promise<void> {
  need(context.actor, 'office');
  const row = await held(context, priceId);
  await context.tx
    .update(price)
    .set({ endedAt: context.now, endedWhy: why, version: row.version + 1 })
    .where(eq(price.id, priceId));
}
