import { and, asc, desc, eq, isNull } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { asset, certificate, customer, instrumentModel, jobPosition, offer, receipt, ticket } from '@/data/schema';
import { dateIn } from '@/platform/clock';
import { readSettings } from '@/platform/settings';
import { isId } from '@/platform/shape';

/** An offer with all that its paper says; null where the ticket has none of that id. */
export async function offerOnPaper(tx: Transaction, ticketId: string, offerId: string) {
  if (!isId(ticketId) || !isId(offerId)) return null;
  const [row] = await tx
    .select({ offer, ticket, customer, serial: asset.serial, model: instrumentModel })
    .from(offer)
    .innerJoin(ticket, eq(ticket.id, offer.ticketId))
    .innerJoin(customer, eq(customer.id, ticket.customerId))
    .innerJoin(asset, eq(asset.id, ticket.assetId))
    .innerJoin(instrumentModel, eq(instrumentModel.id, asset.modelId))
    .where(and(eq(offer.id, offerId), eq(offer.ticketId, ticketId)));
  if (!row) return null;
  const { model, serial, ...rest } = row;
  return { ...rest, instrument: { model: `${model.maker} ${model.name}`, serial }, workshop: await readSettings(tx) };
}
export type OfferOnPaper = NonNullable<Awaited<ReturnType<typeof offerOnPaper>>>;

/** What one receipt brought, job by job, with the lines that count; null where the ticket is unknown. */
export async function deliveryOnPaper(tx: Transaction, ticketId: string) {
  if (!isId(ticketId)) return null;
  const [asked] = await tx
    .select({ receipt, customer })
    .from(ticket)
    .innerJoin(receipt, eq(receipt.id, ticket.receiptId))
    .innerJoin(customer, eq(customer.id, ticket.customerId))
    .where(eq(ticket.id, ticketId));
  if (!asked) return null;
  const workshop = await readSettings(tx);
  const rows = await tx
    .select({ ticket, serial: asset.serial, model: instrumentModel })
    .from(ticket)
    .innerJoin(asset, eq(asset.id, ticket.assetId))
    .innerJoin(instrumentModel, eq(instrumentModel.id, asset.modelId))
    .where(eq(ticket.receiptId, asked.receipt.id))
    .orderBy(asc(ticket.code));
  const jobs = [];
  for (const row of rows) {
    const lines = await tx
      .select()
      .from(jobPosition)
      .where(and(eq(jobPosition.ticketId, row.ticket.id), isNull(jobPosition.struckAt)))
      .orderBy(asc(jobPosition.ord));
    const [document] = row.ticket.runId
      ? await tx
          .select({ number: certificate.number })
          .from(certificate)
          .where(eq(certificate.runId, row.ticket.runId))
          .orderBy(desc(certificate.issuedAt))
          .limit(1)
      : [];
    jobs.push({
      code: row.ticket.code,
      model: `${row.model.maker} ${row.model.name}`,
      serial: row.serial,
      returnedOn: row.ticket.returnedAt ? dateIn(workshop.zone, row.ticket.returnedAt) : null,
      uncalibrated: row.ticket.ended === 'uncalibrated',
      document: document?.number ?? null,
      lines,
    });
  }
  return { ...asked, jobs, workshop, currency: jobs.flatMap((job) => job.lines)[0]?.currency ?? workshop.currency };
}
export type DeliveryOnPaper = NonNullable<Awaited<ReturnType<typeof deliveryOnPaper>>>;
