import { and, asc, eq, isNull, sql } from 'drizzle-orm';
import Papa from 'papaparse';
import { amountOf } from '@/core/money/position';
import type { Transaction } from '@/data/connection';
import { asset, customer, instrumentModel, jobPosition, offer, receipt, ticket } from '@/data/schema';
import { dateIn } from '@/platform/clock';
import { readSettings } from '@/platform/settings';

const FIELDS = [
  'delivered',
  'customer',
  'customer_address',
  'receipt',
  'ticket',
  'instrument',
  'serial',
  'kind',
  'position',
  'part_number',
  'quantity',
  'each',
  'amount',
  'currency',
  'offer',
];

/** Positions of what was handed back between two days (workshop’s zone, both in it), for whoever writes the invoices. Struck ones are left out. */
export async function deliveredCsv(tx: Transaction, { from, to }: { from: string; to: string }): Promise<string> {
  const { zone } = await readSettings(tx);
  const day = sql<string>`(${ticket.returnedAt} at time zone ${zone})::date`;
  const rows = await tx
    .select({ position: jobPosition, ticket, receipt, customer, asset, model: instrumentModel, offer: offer.number })
    .from(jobPosition)
    .innerJoin(ticket, eq(ticket.id, jobPosition.ticketId))
    .innerJoin(receipt, eq(receipt.id, ticket.receiptId))
    .innerJoin(customer, eq(customer.id, ticket.customerId))
    .innerJoin(asset, eq(asset.id, ticket.assetId))
    .innerJoin(instrumentModel, eq(instrumentModel.id, asset.modelId))
    .leftJoin(offer, eq(offer.id, jobPosition.offerId))
    .where(and(isNull(jobPosition.struckAt), sql`${day} between ${from}::date and ${to}::date`))
    .orderBy(asc(ticket.returnedAt), asc(ticket.code), asc(jobPosition.ord));
  return Papa.unparse(
    {
      fields: FIELDS,
      data: rows.map((row) => [
        dateIn(zone, row.ticket.returnedAt!),
        row.customer.name,
        row.customer.address.replaceAll('\n', ', '),
        row.receipt.number,
        row.ticket.code,
        `${row.model.maker} ${row.model.name}`,
        row.asset.serial,
        row.position.what,
        row.position.name,
        row.position.partNumber,
        row.position.quantity,
        row.position.each,
        amountOf(row.position),
        row.position.currency,
        row.offer ?? '',
      ]),
    },
    { escapeFormulae: true, newline: '\n' },
  );
}
