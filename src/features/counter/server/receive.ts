import { and, eq, inArray, ne, sql } from 'drizzle-orm';
import { say } from '@/core/words/say';
import type { Transaction } from '@/data/connection';
import { asset, assetChannel, customer, instrumentModel, receipt, ticket, type Inspection } from '@/data/schema';
import { noteArrived } from '@/features/bookings/server';
import { recordAudit } from '@/platform/audit';
import { keepSamples } from './keep-samples';
import { nextNumber } from '@/platform/next-number';
import { need } from '@/platform/need';
import { may } from '@/platform/permission';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import type { AssetInput, ReceiptInput } from '../receive-schema';
import '@/core/words/en/answers';
import '@/core/words/en/receipts';
import { heldReceipt } from './change-receipt';
import { withdrawOffer } from './withdraw-offer';

/** A new instrument with its model's channels. A serial that this maker has used already is not made twice: the existing one is named. */
export async function createAsset({ tx, actor, now }: UseCaseContext, input: AssetInput): Promise<{ id: string }> {
  need(actor, 'receive');
  const [model] = await tx.select().from(instrumentModel).where(eq(instrumentModel.id, input.modelId));
  if (!model) throw new Problem('Choose the model.', { modelId: 'Choose the model.' });
  const [existing] = await tx
    .select({ id: asset.id, customer: customer.name })
    .from(asset)
    .innerJoin(customer, eq(asset.customerId, customer.id))
    .where(and(sql`lower(${asset.maker}) = lower(${model.maker})`, sql`upper(${asset.serial}) = upper(${input.serial})`));
  if (existing)
    throw new Problem(
      `${model.maker} ${input.serial} exists already and belongs to ${existing.customer}.`,
      { serial: `This serial is on record for ${existing.customer}.` },
      409,
      { code: 'duplicateSerial', assetId: existing.id },
    );
  const [row] = await tx
    .insert(asset)
    .values({
      customerId: input.customerId,
      modelId: model.id,
      maker: model.maker,
      part: model.traits.part ?? 'body',
      serial: input.serial,
      tag: input.tag,
      createdAt: now,
    })
    .returning({ id: asset.id });
  if (model.channels.length) {
    await tx.insert(assetChannel).values(
      model.channels.map((channel, position) => {
        const stated = input.channels.find((candidate) => candidate.role === channel.role);
        return {
          assetId: row!.id,
          position,
          ...channel,
          status: (stated?.status ?? 'fitted') as 'fitted',
          sensorSerial: stated?.sensorSerial || null,
        };
      }),
    );
  }
  return row!;
}

/** A declaration has come for what was contaminated, or it was cleaned: the work may begin. Errors: Problem for a ticket that waits for none. */
export async function declareClean(
  { tx, actor }: UseCaseContext,
  { ticketId, note }: { ticketId: string; note: string },
): Promise<void> {
  if (!may(actor.role, 'receive')) throw new Problem('The counter takes declarations.', {}, 403);
  const [row] = await tx.select().from(ticket).where(eq(ticket.id, ticketId)).for('update');
  if (row?.inspection.clean?.result !== 'fault') throw new Problem('This ticket waits for no declaration.', {}, 409);
  const before = row.inspection.clean.note ?? '';
  await tx
    .update(ticket)
    .set({ inspection: { ...row.inspection, clean: { result: 'pass', note: [before, note].filter(Boolean).join('; ') } } })
    .where(eq(ticket.id, ticketId));
}

const inHouseAlready = (serial: string, index: number, code?: string) =>
  new Problem(
    say(code ? { code: 'receive.inHouseWith', numbers: { serial, code } } : { code: 'receive.inHouse', numbers: { serial } }),
    { [`instruments[${index}].assetId`]: 'In the house already.' },
    409,
  );

/** Null where another counter received the same instrument at this moment: the index lets one ticket in. */
async function insertTicket(tx: Transaction, values: typeof ticket.$inferInsert): Promise<{ id: string; code: string } | null> {
  const [made] = await tx
    .insert(ticket)
    .values(values)
    .onConflictDoNothing({ target: ticket.assetId, where: sql`${ticket.status} <> 'returned'` })
    .returning({ id: ticket.id, code: ticket.code });
  return made ?? null;
}

/** The receipt of a delivery: a new one, or the one that these came with. Errors: Problem (404), (409) for another customer's, or one whose instruments have all left. */
async function receiptFor(context: UseCaseContext, input: ReceiptInput): Promise<{ id: string; number: string }> {
  const { tx, now, actor } = context;
  if (input.receiptId) {
    const row = await heldReceipt(context, input.receiptId);
    if (row.customerId !== input.customerId) throw new Problem(say({ code: 'receipt.otherCustomer' }), {}, 409);
    const [here] = await tx
      .select({ id: ticket.id })
      .from(ticket)
      .where(and(eq(ticket.receiptId, row.id), ne(ticket.status, 'returned')))
      .limit(1);
    if (!here) throw new Problem(say({ code: 'receipt.closed' }), {}, 409);
    return row;
  }
  const { number } = await nextNumber(context, 'receipt');
  const { customerId, contact, note } = input;
  const [row] = await tx
    .insert(receipt)
    .values({ number, customerId, contact, note, receivedAt: now, receivedBy: actor.name })
    .returning({ id: receipt.id });
  return { id: row!.id, number };
}

/** Takes instruments in: one receipt, a ticket each. */
export async function receive(
  context: UseCaseContext,
  input: ReceiptInput,
): Promise<{ receiptId: string; number: string; tickets: { id: string; code: string }[] }> {
  const { tx, now, actor } = context;
  need(actor, 'receive');
  const ids = input.instruments.map((instrument) => instrument.assetId);
  const assets = await tx.select().from(asset).where(inArray(asset.id, ids));
  const inHouse = await tx
    .select({ assetId: ticket.assetId, code: ticket.code })
    .from(ticket)
    .where(and(inArray(ticket.assetId, ids), ne(ticket.status, 'returned')));
  input.instruments.forEach((instrument, index) => {
    const found = assets.find((candidate) => candidate.id === instrument.assetId);
    if (!found)
      throw new Problem('This instrument is not on record.', { [`instruments[${index}].assetId`]: 'Not on record.' }, 404);
    if (found.customerId !== input.customerId)
      throw new Problem(
        `${found.serial} belongs to another customer. One receipt is for one customer.`,
        { [`instruments[${index}].assetId`]: 'Belongs to another customer.' },
        409,
      );
    const open = inHouse.find((candidate) => candidate.assetId === instrument.assetId);
    if (open || ids.indexOf(instrument.assetId) !== index) throw inHouseAlready(found.serial, index, open?.code);
  });
  const { id: receiptId, number } = await receiptFor(context, input);
  const tickets: { id: string; code: string }[] = [];
  for (const instrument of input.instruments) {
    const { number: code } = await nextNumber(context, 'ticket');
    const made = await insertTicket(tx, {
      receiptId,
      customerId: input.customerId,
      assetId: instrument.assetId,
      code,
      service: instrument.service,
      rule: instrument.rule as 'simple',
      promiseOn: instrument.promiseOn || null,
      dueAgreed: instrument.dueAgreed,
      inspection: instrument.inspection as Inspection,
      note: instrument.note,
      createdAt: now,
    });
    if (!made) throw inHouseAlready(assets.find((one) => one.id === instrument.assetId)!.serial, tickets.length);
    if (instrument.samples) await keepSamples({ tx, now, actor }, { assetId: instrument.assetId, ...instrument.samples });
    tickets.push(made);
  }
  if (input.bookingId) await noteArrived(context, { id: input.bookingId, receiptId });
  if (input.receiptId) await recordAudit(context, 'addToReceipt', number, { tickets: tickets.map((one) => one.code) });
  return { receiptId, number, tickets };
}

/** Hands an instrument back: the ticket is closed. */
export async function returnTicket(context: UseCaseContext, { ticketId }: { ticketId: string }): Promise<void> {
  const { tx, actor, now } = context;
  need(actor, 'receive');
  const closed = await tx
    .update(ticket)
    .set({ status: 'returned', returnedAt: now })
    .where(and(eq(ticket.id, ticketId), eq(ticket.status, 'toReturn')))
    .returning({ id: ticket.id });
  if (closed.length === 0) throw new Problem('Only what is approved can be handed back.', {}, 409);
  await withdrawOffer(context, ticketId);
}
