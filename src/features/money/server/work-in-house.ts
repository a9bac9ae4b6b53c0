import { differenceInCalendarDays, parseISO } from 'date-fns';
import { and, asc, desc, eq, isNotNull, isNull, ne, sql } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { asset, customer, instrumentModel, offer, receipt, runSummary, ticket, type TicketStatus } from '@/data/schema';
import { dateIn } from '@/platform/clock';
import { readSettings } from '@/platform/settings';
import { TURNAROUND_OF } from '../spans';

const MOST = 500;

export interface WorkLine {
  ticketId: string;
  code: string;
  status: TicketStatus;
  place: number | null;
  customerId: string;
  customer: string;
  phone: string;
  instrument: string;
  serial: string;
  receivedOn: string;
  daysHere: number;
  promiseOn: string | null;
  /** Days behind the promise; nothing where it is kept, or nothing was promised. */
  late: number;
  offer: string | null;
  /** Days that it stands ready and nobody fetched it. */
  readyFor: number | null;
}

/** Every instrument in the house with what presses: promises that are overdue, offers that wait, what nobody fetches; and how long instruments stayed lately. Most late first. */
export async function workInHouse(tx: Transaction, now: Date) {
  const { zone } = await readSettings(tx);
  const today = dateIn(zone, now);
  const rows = await tx
    .select({
      ticket,
      receivedAt: receipt.receivedAt,
      customer: customer.name,
      phone: customer.phone,
      serial: asset.serial,
      maker: instrumentModel.maker,
      model: instrumentModel.name,
      offer: offer.number,
      readySince: sql<string | null>`coalesce(${runSummary.approvedAt}, ${runSummary.finishedAt})`,
    })
    .from(ticket)
    .innerJoin(receipt, eq(receipt.id, ticket.receiptId))
    .innerJoin(customer, eq(customer.id, ticket.customerId))
    .innerJoin(asset, eq(asset.id, ticket.assetId))
    .innerJoin(instrumentModel, eq(instrumentModel.id, asset.modelId))
    .leftJoin(offer, and(eq(offer.ticketId, ticket.id), isNull(offer.answer)))
    .leftJoin(runSummary, eq(runSummary.runId, ticket.runId))
    .where(ne(ticket.status, 'returned'))
    .orderBy(asc(ticket.promiseOn), asc(receipt.receivedAt))
    .limit(MOST);
  const since = (day: string) => differenceInCalendarDays(parseISO(today), parseISO(day));
  const lines = rows.map((row): WorkLine => {
    const receivedOn = dateIn(zone, row.receivedAt);
    const { promiseOn } = row.ticket;
    const ready = row.ticket.status === 'toReturn' && row.readySince ? since(dateIn(zone, new Date(row.readySince))) : null;
    return {
      ticketId: row.ticket.id,
      code: row.ticket.code,
      status: row.ticket.status,
      place: row.ticket.place,
      customerId: row.ticket.customerId,
      customer: row.customer,
      phone: row.phone,
      instrument: `${row.maker} ${row.model}`,
      serial: row.serial,
      receivedOn,
      daysHere: since(receivedOn),
      promiseOn,
      late: promiseOn && row.ticket.status !== 'toReturn' ? Math.max(0, since(promiseOn)) : 0,
      offer: row.offer,
      readyFor: ready,
    };
  });
  lines.sort((a, b) => b.late - a.late || (b.readyFor ?? -1) - (a.readyFor ?? -1) || b.daysHere - a.daysHere);
  // Of the last so many: a house of many years asks no more than a young one.
  const last = tx
    .select({
      stayed: sql<number>`ceil(extract(epoch from ${ticket.returnedAt} - ${receipt.receivedAt}) / 86400)::int`.as('stayed'),
    })
    .from(ticket)
    .innerJoin(receipt, eq(receipt.id, ticket.receiptId))
    .where(isNotNull(ticket.returnedAt))
    .orderBy(desc(ticket.returnedAt))
    .limit(TURNAROUND_OF)
    .as('last');
  const [turned] = await tx
    .select({
      n: sql<number>`count(*)::int`,
      middle: sql<number>`percentile_disc(0.5) within group (order by ${last.stayed})`,
      most: sql<number>`percentile_disc(0.9) within group (order by ${last.stayed})`,
    })
    .from(last);
  return { today, lines, turnaround: turned?.n ? turned : null };
}
