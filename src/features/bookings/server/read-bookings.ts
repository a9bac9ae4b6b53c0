import { and, asc, desc, eq, inArray, sql, type SQL } from 'drizzle-orm';
import Papa from 'papaparse';
import type { Transaction } from '@/data/connection';
import { asset, booking, bookingItem, customer, instrumentModel, receipt } from '@/data/schema';
import { isId } from '@/platform/shape';

const MOST = 200;

export interface BookedItem {
  assetId: string;
  serial: string;
  item: string;
}
export type BookingRow = Awaited<ReturnType<typeof rowsOf>>[number];

async function rowsOf(tx: Transaction, which: SQL | undefined, order: SQL, limit = MOST) {
  const rows = await tx
    .select({
      id: booking.id,
      customerId: booking.customerId,
      customer: customer.name,
      arrivesOn: booking.arrivesOn,
      wholeWeek: booking.wholeWeek,
      contact: booking.contact,
      note: booking.note,
      state: booking.state,
      overCeiling: booking.overCeiling,
      madeBy: booking.madeBy,
      endedWhy: booking.endedWhy,
      receiptId: booking.receiptId,
      receipt: receipt.number,
    })
    .from(booking)
    .innerJoin(customer, eq(customer.id, booking.customerId))
    .leftJoin(receipt, eq(receipt.id, booking.receiptId))
    .where(which)
    .orderBy(order, asc(booking.id))
    .limit(limit);
  const items = rows.length
    ? await tx
        .select({
          bookingId: bookingItem.bookingId,
          assetId: asset.id,
          serial: asset.serial,
          item: sql<string>`${asset.maker} || ' ' || ${instrumentModel.name}`,
        })
        .from(bookingItem)
        .innerJoin(asset, eq(asset.id, bookingItem.assetId))
        .innerJoin(instrumentModel, eq(instrumentModel.id, asset.modelId))
        .where(
          inArray(
            bookingItem.bookingId,
            rows.map((row) => row.id),
          ),
        )
        .orderBy(asc(asset.serial))
    : [];
  return rows.map((row) => ({
    ...row,
    items: items
      .filter((one) => one.bookingId === row.id)
      .map(({ assetId, serial, item }): BookedItem => ({ assetId, serial, item })),
  }));
}

/** Who should come today, with who should have come: the earliest first. A week counts from its Monday until its Sunday is over. */
export const arrivals = (tx: Transaction, today: string) =>
  rowsOf(tx, and(eq(booking.state, 'announced'), sql`${booking.arrivesOn} <= ${today}::date`), asc(booking.arrivesOn));

/** What is announced for later. */
export const announcedLater = (tx: Transaction, today: string) =>
  rowsOf(tx, and(eq(booking.state, 'announced'), sql`${booking.arrivesOn} > ${today}::date`), asc(booking.arrivesOn));

/** What came or was called off lately. */
export const endedLately = (tx: Transaction) => rowsOf(tx, sql`${booking.state} <> 'announced'`, desc(booking.endedAt), 20);

/** All of a customer's, the newest first. */
export const bookingsOf = (tx: Transaction, customerId: string) =>
  rowsOf(tx, eq(booking.customerId, customerId), desc(booking.arrivesOn), 50);

export async function bookingById(tx: Transaction, id: string | undefined): Promise<BookingRow | null> {
  return isId(id) ? ((await rowsOf(tx, eq(booking.id, id), asc(booking.id), 1))[0] ?? null) : null;
}

/** A customer's instruments that may be announced, what is due soonest first. */
export async function bookable(tx: Transaction, customerId: string) {
  return tx
    .select({
      id: asset.id,
      serial: asset.serial,
      tag: asset.tag,
      item: sql<string>`${asset.maker} || ' ' || ${instrumentModel.name}`,
      nextDue: asset.nextDue,
      booked: sql<string | null>`(select i.booking_id from booking_item i where i.asset_id = ${asset.id} and i.open)`,
    })
    .from(asset)
    .innerJoin(instrumentModel, eq(instrumentModel.id, asset.modelId))
    .where(
      and(
        eq(asset.customerId, customerId),
        eq(asset.part, 'body'),
        sql`${asset.status} <> 'retired' and not exists (select from ticket t where t.asset_id = ${asset.id} and t.status <> 'returned')`,
      ),
    )
    .orderBy(sql`${asset.nextDue} nulls last`, asc(asset.serial))
    .limit(MOST);
}

/** All bookings as a table. */
export async function bookingsCsv(tx: Transaction): Promise<string> {
  const rows = await rowsOf(tx, undefined, desc(booking.arrivesOn), 20_000);
  return Papa.unparse(
    {
      fields: ['arrives_on', 'whole_week', 'customer', 'state', 'instruments', 'note', 'made_by', 'receipt', 'why'],
      data: rows.map((row) => [
        row.arrivesOn,
        row.wholeWeek ? 'yes' : 'no',
        row.customer,
        row.state,
        row.items.map((one) => one.serial).join(' '),
        row.note,
        row.madeBy,
        row.receipt ?? '',
        row.endedWhy,
      ]),
    },
    { escapeFormulae: true },
  );
}
