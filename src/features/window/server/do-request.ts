import { and, eq } from 'drizzle-orm';
import { ValidationError } from 'yup';
import { say } from '@/core/words/say';
import type { Actor, Role } from '@/core/record/event';
import type { Database, Transaction } from '@/data/connection';
import { asset, booking, customer, customerBump, windowRequest, type WindowAnswer } from '@/data/schema';
import { endBooking, insertBooking, updateBooking } from '@/features/bookings/server';
import { asActor } from '@/platform/as-actor';
import { recordAudit } from '@/platform/audit';
import { Problem } from '@/platform/problem';
import { parse } from '@/platform/shape';
import type { UseCaseContext } from '@/platform/use-case';
import { takeOwnLog } from './take-own-log';
import { REQUESTS } from './request-schema';
import '@/core/words/en/window';

type Row = typeof windowRequest.$inferSelect;

/**
 * Does what somebody asked at their window, once, with all the checks of the counter's own use cases and only for what is theirs. What is refused is said in the request's answer; nothing of it stays half-done.
 * Errors: what the database says; the job tries again.
 */
export async function doWindowRequest(db: Database, requestId: string, now: Date): Promise<void> {
  const waiting = and(eq(windowRequest.id, requestId), eq(windowRequest.state, 'waiting'));
  const [row] = await db.select().from(windowRequest).where(waiting);
  if (!row) return;
  try {
    await db.transaction(async (tx) => {
      const [held] = await tx.select().from(windowRequest).where(waiting).for('update');
      if (!held) return;
      const context = await contextOf(tx, held, now);
      const answer = await work(context, held);
      await tx.update(windowRequest).set({ state: 'done', answer, doneAt: now }).where(eq(windowRequest.id, requestId));
      await recordAudit(context, `window.${held.kind}`, held.assetId ?? answer.id ?? held.customerId);
    });
  } catch (error) {
    const answer = refusalOf(error);
    if (!answer) throw error;
    await db.transaction(async (tx) => {
      await contextOf(tx, row, now);
      await tx.update(windowRequest).set({ state: 'refused', answer, doneAt: now }).where(waiting);
    });
  }
}

function refusalOf(error: unknown): WindowAnswer | null {
  if (error instanceof Problem) return { message: error.message, fields: error.fields };
  if (error instanceof ValidationError) {
    const each = error.inner.length ? error.inner : [error];
    return { message: each[0]!.message, fields: Object.fromEntries(each.map(({ path, message }) => [path ?? '', message])) };
  }
  return null;
}

/** In the customer's name: a role that is none of the house's, so that nothing is done that asks a permission. */
async function contextOf(tx: Transaction, row: Row, now: Date): Promise<UseCaseContext> {
  const [owner] = await tx.select({ name: customer.name }).from(customer).where(eq(customer.id, row.customerId));
  const actor: Actor = {
    id: `window:${row.contactId ?? ''}`,
    name: `${row.byName}, ${owner?.name ?? ''}`,
    role: 'public' as Role,
  };
  await asActor(tx, actor, `window.${row.kind}`);
  return { tx, actor, now };
}

async function work(context: UseCaseContext, { kind, what, customerId, byName, assetId }: Row): Promise<WindowAnswer> {
  const { tx, now } = context;
  switch (kind) {
    case 'book': {
      const given = await parse(REQUESTS.book, what);
      return insertBooking(context, { ...given, customerId, contact: given.contact || byName });
    }
    case 'changeBooking': {
      const { id, ...given } = await parse(REQUESTS.changeBooking, what);
      await ownBooking(tx, id, customerId);
      await updateBooking(context, id, given);
      return { id };
    }
    case 'cancelBooking': {
      const { id, why } = await parse(REQUESTS.cancelBooking, what);
      await ownBooking(tx, id, customerId);
      await endBooking(context, id, why);
      return { id };
    }
    case 'bump': {
      const given = await parse(REQUESTS.bump, what);
      await ownAsset(tx, given.assetId, customerId);
      const { passed, outputs, note } = given;
      await tx.insert(customerBump).values({ assetId: given.assetId, customerId, at: now, byName, passed, outputs, note });
      return {};
    }
    case 'stationLog': {
      const { text } = await parse(REQUESTS.stationLog, what);
      return { message: say({ code: 'window.logTaken', numbers: await takeOwnLog(context, { text, customerId, byName }) }) };
    }
    case 'fault':
    case 'gone':
      await parse(REQUESTS[kind], what);
      await ownAsset(tx, assetId, customerId);
      return {};
  }
}

/** Errors: Problem (404) for another customer's, as for one that isn't. */
async function ownAsset(tx: Transaction, id: string | null, customerId: string): Promise<void> {
  const [row] = id
    ? await tx
        .select({ id: asset.id })
        .from(asset)
        .where(and(eq(asset.id, id), eq(asset.customerId, customerId)))
    : [];
  if (!row) throw new Problem(say({ code: 'window.notYours' }), {}, 404);
}
async function ownBooking(tx: Transaction, id: string, customerId: string): Promise<void> {
  const [row] = await tx
    .select({ id: booking.id })
    .from(booking)
    .where(and(eq(booking.id, id), eq(booking.customerId, customerId)));
  if (!row) throw new Problem(say({ code: 'window.notYours' }), {}, 404);
}
