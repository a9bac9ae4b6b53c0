import { and, asc, eq, isNull, sql } from 'drizzle-orm';
import { spareRefusal } from '@/core/supply/spare';
import { say } from '@/core/words/say';
import type { Transaction } from '@/data/connection';
import { violatedUnique } from '@/data/database-problem';
import { stockItem, stockUse } from '@/data/schema';
import { ticketInHouse } from '@/features/money/server';
import { recordAudit } from '@/platform/audit';
import { dateIn } from '@/platform/clock';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import { readSettings } from '@/platform/settings';
import type { UseCaseContext } from '@/platform/use-case';
import type { SpareInput } from '../stock-schema';
import '@/core/words/en/stock';

export type Spare = typeof stockItem.$inferSelect;
const nameOf = ({ name, serial, partNumber }: Spare): string => [name, serial || partNumber].filter(Boolean).join(' ');

/** Spares that are kept, by kind and name; with those that were written off where they are asked for. */
export const listSpares = (tx: Transaction, { ended = false }: { ended?: boolean } = {}): Promise<Spare[]> =>
  tx
    .select()
    .from(stockItem)
    .where(ended ? undefined : isNull(stockItem.endedAt))
    .orderBy(
      sql`${stockItem.endedAt} is not null`,
      asc(stockItem.kind),
      asc(sql`lower(${stockItem.name})`),
      asc(stockItem.shelfUntil),
    );

/** The spare's row, held until the transaction ends. Errors: Problem (404). */
async function held({ tx }: UseCaseContext, id: string): Promise<Spare> {
  const [row] = await tx.select().from(stockItem).where(eq(stockItem.id, id)).for('update');
  if (!row) throw new Problem(say({ code: 'spare.unknown' }), {}, 404);
  return row;
}

async function once<T>(write: () => Promise<T>): Promise<T> {
  try {
    return await write();
  } catch (error) {
    if (violatedUnique(error) !== 'stock_serial') throw error;
    const sentence = say({ code: 'spare.taken' });
    throw new Problem(sentence, { serial: sentence }, 409);
  }
}

/** Puts a spare on the shelf, or corrects one, its count as well. Errors: Problem (403), (404); (409) for a serial that is here, one that was written off, or where somebody changed it since. */
export async function keepSpare(context: UseCaseContext, { itemId, version, ...input }: SpareInput): Promise<{ id: string }> {
  need(context.actor, 'receive');
  const { tx, actor, now } = context;
  if (!itemId) {
    const values = { ...input, madeBy: actor.name, madeAt: now };
    const [row] = await once(() => tx.insert(stockItem).values(values).returning({ id: stockItem.id }));
    return row!;
  }
  const row = await held(context, itemId);
  if (row.endedAt) throw new Problem(say({ code: 'spare.refused.ended' }), {}, 409);
  if (row.version !== version) throw new Problem(say({ code: 'spare.meanwhile' }), {}, 409, { code: 'changedMeanwhile' });
  await once(() =>
    tx
      .update(stockItem)
      .set({ ...input, version: row.version + 1 })
      .where(eq(stockItem.id, itemId)),
  );
  return { id: itemId };
}

/** Writes a spare off: it is offered no more. Errors: Problem (403), (404), (409). */
export async function endSpare(context: UseCaseContext, { itemId, why }: { itemId: string; why: string }): Promise<void> {
  need(context.actor, 'receive');
  const row = await held(context, itemId);
  if (row.endedAt) throw new Problem(say({ code: 'spare.refused.ended' }), {}, 409);
  await context.tx
    .update(stockItem)
    .set({ endedWhy: why, endedBy: context.actor.name, endedAt: context.now, version: row.version + 1 })
    .where(eq(stockItem.id, itemId));
}

/** Fits so many of a spare into the instrument of a ticket. Errors: Problem (403), (404); (409) once it was handed back, past its shelf life, or where so many are not left. */
export async function fitSpare(
  context: UseCaseContext,
  { ticketId, itemId, quantity }: { ticketId: string; itemId: string; quantity: number },
): Promise<void> {
  need(context.actor, 'bench');
  const { tx, actor, now } = context;
  const ticket = await ticketInHouse(context, ticketId);
  const row = await held(context, itemId);
  const day = dateIn((await readSettings(tx)).zone, now);
  const why = spareRefusal({ ...row, ended: row.endedAt !== null }, { day, wanted: quantity });
  if (why) {
    const sentence = say({ code: `spare.refused.${why}`, numbers: { on: row.shelfUntil ?? '', left: row.quantity } });
    throw new Problem(sentence, { [why === 'tooFew' ? 'quantity' : 'itemId']: sentence }, 409);
  }
  await tx
    .update(stockItem)
    .set({ quantity: row.quantity - quantity, version: row.version + 1 })
    .where(eq(stockItem.id, itemId));
  await tx.insert(stockUse).values({ itemId, ticketId, quantity, usedBy: actor.name, usedAt: now });
  await recordAudit(context, 'fitSpare', ticket.code, { spare: nameOf(row), quantity });
}

/** Puts a spare back that was not fitted after all. Errors: Problem (403), (404), (409). */
export async function putSpareBack(context: UseCaseContext, { useId, why }: { useId: string; why: string }): Promise<void> {
  need(context.actor, 'bench');
  const { tx, actor, now } = context;
  const [use] = await tx.select().from(stockUse).where(eq(stockUse.id, useId)).for('update');
  if (!use) throw new Problem(say({ code: 'spare.unknown' }), {}, 404);
  if (use.backAt) throw new Problem(say({ code: 'spare.isBack' }), {}, 409);
  const ticket = await ticketInHouse(context, use.ticketId);
  const row = await held(context, use.itemId);
  await once(() =>
    tx
      .update(stockItem)
      .set({ quantity: row.quantity + use.quantity, version: row.version + 1 })
      .where(eq(stockItem.id, row.id)),
  );
  await tx.update(stockUse).set({ backWhy: why, backBy: actor.name, backAt: now }).where(eq(stockUse.id, useId));
  await recordAudit(context, 'putSpareBack', ticket.code, { spare: nameOf(row), quantity: use.quantity, why });
}

/** What was fitted into the instrument of a ticket, what was put back after all too, and what there is to fit. */
export async function sparesOf(tx: Transaction, ticketId: string) {
  const used = await tx
    .select({ use: stockUse, item: stockItem })
    .from(stockUse)
    .innerJoin(stockItem, eq(stockItem.id, stockUse.itemId))
    .where(eq(stockUse.ticketId, ticketId))
    .orderBy(asc(stockUse.usedAt));
  const left = await tx
    .select()
    .from(stockItem)
    .where(and(isNull(stockItem.endedAt), sql`${stockItem.quantity} > 0`))
    .orderBy(asc(stockItem.kind), asc(sql`lower(${stockItem.name})`), asc(stockItem.shelfUntil));
  return { used, left };
}
