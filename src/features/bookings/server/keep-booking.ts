import { addDays, format, parseISO } from 'date-fns';
import { and, eq, inArray, sql } from 'drizzle-orm';
import { hasRoom, mondayOf, type Ceiling } from '@/core/booking/week-load';
import { say } from '@/core/words/say';
import type { Transaction } from '@/data/connection';
import { asset, booking, bookingItem } from '@/data/schema';
import { dateIn } from '@/platform/clock';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import { readSettings, type WorkshopSettings } from '@/platform/settings';
import type { UseCaseContext } from '@/platform/use-case';
import { day } from '@/ui/format';
import { amountOf, bookedInWeek, WEEKS_AHEAD } from './read-load';
import '@/core/words/en/bookings';

export interface Announced {
  customerId: string;
  arrivesOn: string;
  wholeWeek: boolean;
  contact: string;
  note: string;
  assetIds: string[];
  /** The workshop takes it although the week is full. */
  over?: boolean | undefined;
}

const beside = (field: string, sentence: string, status: 400 | 404 | 409 = 400) =>
  new Problem(sentence, { [field]: sentence }, status);
export const ceilingOf = ({ weekInstruments, weekHours }: WorkshopSettings): Ceiling => ({
  instruments: weekInstruments > 0 ? weekInstruments : null,
  hours: weekHours > 0 ? weekHours : null,
});

/** The next week after a day that has room, as its Monday; null where none of those ahead has. */
async function nextWithRoom(tx: Transaction, after: string, ids: string[], ceiling: Ceiling, now: Date, except: string | null) {
  const more = await amountOf(tx, ids, now);
  let week = mondayOf(after);
  for (let ahead = 0; ahead < WEEKS_AHEAD; ahead += 1) {
    week = format(addDays(parseISO(week), 7), 'yyyy-MM-dd');
    if (hasRoom(await bookedInWeek(tx, week, now, except), more, ceiling)) return week;
  }
  return null;
}

/** Checks day, instruments and room, with the weeks held: of two that book the last place one is told. Errors: Problem (400), (404), (409), beside their fields. */
export async function checkBooking(
  context: UseCaseContext,
  given: Announced,
  except: string | null,
): Promise<{ overCeiling: boolean }> {
  const { tx, now } = context;
  const settings = await readSettings(tx);
  if (given.arrivesOn < (given.wholeWeek ? mondayOf(dateIn(settings.zone, now)) : dateIn(settings.zone, now)))
    throw beside('arrivesOn', say({ code: 'booking.past' }));
  await tx.execute(sql`select pg_advisory_xact_lock(hashtext('bookings of a week'))`);
  const rows = await tx
    .select({ id: asset.id, customerId: asset.customerId, status: asset.status, serial: asset.serial })
    .from(asset)
    .where(inArray(asset.id, given.assetIds));
  if (rows.length < new Set(given.assetIds).size || rows.some((row) => row.customerId !== given.customerId))
    throw beside('assetIds', say({ code: 'booking.notTheirs' }), 404);
  const ended = rows.find((row) => row.status === 'retired');
  if (ended) throw beside('assetIds', say({ code: 'booking.ended', numbers: { serial: ended.serial } }));
  const [taken] = await tx
    .select({ serial: asset.serial })
    .from(bookingItem)
    .innerJoin(asset, eq(asset.id, bookingItem.assetId))
    .where(
      and(
        inArray(bookingItem.assetId, given.assetIds),
        eq(bookingItem.open, true),
        except ? sql`${bookingItem.bookingId} <> ${except}::uuid` : undefined,
      ),
    )
    .limit(1);
  if (taken) throw beside('assetIds', say({ code: 'booking.twice', numbers: { serial: taken.serial } }), 409);
  const ceiling = ceilingOf(settings);
  const room = hasRoom(await bookedInWeek(tx, given.arrivesOn, now, except), await amountOf(tx, given.assetIds, now), ceiling);
  if (room || given.over) return { overCeiling: !room };
  const next = await nextWithRoom(tx, given.arrivesOn, given.assetIds, ceiling, now, except);
  const numbers = { week: day(mondayOf(given.arrivesOn)), next: next ? day(next) : '' };
  throw beside('arrivesOn', say({ code: next ? 'booking.full' : 'booking.fullAll', numbers }), 409);
}

const dayOf = ({ arrivesOn, wholeWeek }: Announced) => (wholeWeek ? mondayOf(arrivesOn) : arrivesOn);

/** Announces instruments; whoever may says so by the wrapper they come through. */
export async function insertBooking(context: UseCaseContext, given: Announced): Promise<{ id: string }> {
  const { tx, now, actor } = context;
  const { overCeiling } = await checkBooking(context, given, null);
  const { customerId, wholeWeek, contact, note } = given;
  const [row] = await tx
    .insert(booking)
    .values({
      customerId,
      arrivesOn: dayOf(given),
      wholeWeek,
      contact,
      note,
      overCeiling,
      madeAt: now,
      changedAt: now,
      madeBy: actor.name,
    })
    .returning({ id: booking.id });
  await tx.insert(bookingItem).values([...new Set(given.assetIds)].map((assetId) => ({ bookingId: row!.id, assetId })));
  return row!;
}

/** A booking that still stands, held. Errors: Problem (404), (409). */
export async function heldBooking({ tx }: UseCaseContext, id: string) {
  const [row] = await tx.select().from(booking).where(eq(booking.id, id)).for('update');
  if (!row) throw new Problem(say({ code: 'booking.unknown' }), {}, 404);
  if (row.state !== 'announced') throw new Problem(say({ code: `booking.is.${row.state}` }), {}, 409);
  return row;
}

/** Another day, other instruments. */
export async function updateBooking(context: UseCaseContext, id: string, given: Omit<Announced, 'customerId'>): Promise<void> {
  const { tx, now } = context;
  const row = await heldBooking(context, id);
  const whole = { ...given, customerId: row.customerId };
  const { overCeiling } = await checkBooking(context, whole, id);
  const { wholeWeek, contact, note } = given;
  await tx
    .update(booking)
    .set({ arrivesOn: dayOf(whole), wholeWeek, contact, note, overCeiling, changes: row.changes + 1, changedAt: now })
    .where(eq(booking.id, id));
  await tx.delete(bookingItem).where(eq(bookingItem.bookingId, id));
  await tx.insert(bookingItem).values([...new Set(given.assetIds)].map((assetId) => ({ bookingId: id, assetId })));
}

/** They don't come. */
export async function endBooking(context: UseCaseContext, id: string, why: string): Promise<void> {
  const { tx, now, actor } = context;
  const row = await heldBooking(context, id);
  await tx
    .update(booking)
    .set({ state: 'cancelled', endedAt: now, endedBy: actor.name, endedWhy: why, changedAt: now, changes: row.changes + 1 })
    .where(eq(booking.id, id));
  await tx.update(bookingItem).set({ open: false }).where(eq(bookingItem.bookingId, id));
}

/** The counter books for a customer. Errors: Problem (403) and those of the check. */
export async function announce(context: UseCaseContext, given: Announced): Promise<{ id: string }> {
  need(context.actor, 'receive');
  return insertBooking(context, given);
}
export async function changeBooking(
  context: UseCaseContext,
  { id, ...given }: Omit<Announced, 'customerId'> & { id: string },
): Promise<void> {
  need(context.actor, 'receive');
  await updateBooking(context, id, given);
}
export async function cancelBooking(context: UseCaseContext, { id, why }: { id: string; why: string }): Promise<void> {
  need(context.actor, 'receive');
  await endBooking(context, id, why);
}

/** They came, with this receipt. One that was cancelled meanwhile stays so; they came all the same. */
export async function noteArrived(
  { tx, now, actor }: UseCaseContext,
  { id, receiptId }: { id: string; receiptId: string },
): Promise<void> {
  need(actor, 'receive');
  const rows = await tx
    .update(booking)
    .set({ state: 'arrived', receiptId, endedAt: now, endedBy: actor.name, changedAt: now, changes: sql`${booking.changes} + 1` })
    .where(and(eq(booking.id, id), eq(booking.state, 'announced')))
    .returning({ id: booking.id });
  if (rows.length) await tx.update(bookingItem).set({ open: false }).where(eq(bookingItem.bookingId, id));
}
