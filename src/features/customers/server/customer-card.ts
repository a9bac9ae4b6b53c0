import { and, asc, desc, eq, inArray, isNull, ne, or, sql } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { changeRow } from '@/data/change-row';
import {
  asset,
  certificate,
  changeLog,
  customer,
  customerContact,
  customerMerge,
  instrumentModel,
  mail,
  ticket,
} from '@/data/schema';
import { isId } from '@/platform/shape';
import { formerContacts } from './blank-person';
import { sitesOf } from './keep-site';
import { agreedTolerances } from './keep-tolerance';
import { UNDO_HOURS } from './merge';

/** Of each kind so many stand on a customer's page; the lists have the rest. */
const MOST = 40;

/** All that is on record about a customer, with what belongs to those that were merged into it. Null where there is none. */
export async function customerCard(tx: Transaction, id: string, now: Date) {
  if (!isId(id)) return null;
  const [row] = await tx.select().from(customer).where(eq(customer.id, id));
  if (!row) return null;
  const gone = await tx.select({ id: customer.id, name: customer.name }).from(customer).where(eq(customer.mergedInto, id));
  const all = [id, ...gone.map((one) => one.id)];
  const [into] = row.mergedInto
    ? await tx.select({ id: customer.id, name: customer.name }).from(customer).where(eq(customer.id, row.mergedInto))
    : [];
  const contacts = await tx
    .select()
    .from(customerContact)
    .where(eq(customerContact.customerId, id))
    .orderBy(asc(customerContact.createdAt), asc(customerContact.id));
  const instruments = await tx
    .select({
      id: asset.id,
      serial: asset.serial,
      tag: asset.tag,
      maker: asset.maker,
      model: instrumentModel.name,
      status: asset.status,
      nextDue: asset.nextDue,
    })
    .from(asset)
    .innerJoin(instrumentModel, eq(asset.modelId, instrumentModel.id))
    .where(eq(asset.customerId, id))
    .orderBy(sql`${asset.status} = 'retired'`, sql`${asset.nextDue} nulls last`, asset.id)
    .limit(MOST + 1);
  const work = await tx
    .select({ id: ticket.id, code: ticket.code, status: ticket.status, serial: asset.serial, model: instrumentModel.name })
    .from(ticket)
    .innerJoin(asset, eq(asset.id, ticket.assetId))
    .innerJoin(instrumentModel, eq(asset.modelId, instrumentModel.id))
    .where(and(inArray(ticket.customerId, all), ne(ticket.status, 'returned')))
    .orderBy(asc(ticket.code));
  const documents = await tx
    .select({
      id: certificate.id,
      number: certificate.number,
      revision: certificate.revision,
      issuedAt: certificate.issuedAt,
      serial: asset.serial,
    })
    .from(certificate)
    .innerJoin(asset, eq(asset.id, certificate.assetId))
    .where(inArray(certificate.customerId, all))
    .orderBy(desc(certificate.issuedAt), desc(certificate.id))
    .limit(MOST + 1);
  const mails = await tx
    .select({ id: mail.id, subject: mail.subject, recipient: mail.recipient, state: mail.state, createdAt: mail.createdAt })
    .from(mail)
    .where(inArray(mail.customerId, all))
    .orderBy(desc(mail.createdAt), mail.id)
    .limit(10);
  const merges = await tx
    .select({
      id: customerMerge.id,
      gone: customer.name,
      at: customerMerge.mergedAt,
      by: customerMerge.mergedBy,
      moved: customerMerge.moved,
    })
    .from(customerMerge)
    .innerJoin(customer, eq(customer.id, customerMerge.gone))
    .where(and(eq(customerMerge.stays, id), isNull(customerMerge.undoneAt)))
    .orderBy(desc(customerMerge.mergedAt));
  const history = await tx
    .select(changeRow)
    .from(changeLog)
    .where(
      and(
        ne(changeLog.kind, 'there'),
        or(
          and(eq(changeLog.tableName, 'customer'), eq(changeLog.rowKey, id)),
          contacts.length
            ? and(
                eq(changeLog.tableName, 'customer_contact'),
                inArray(
                  changeLog.rowKey,
                  contacts.map((one) => one.id),
                ),
              )
            : undefined,
        ),
      ),
    )
    .orderBy(desc(changeLog.id))
    .limit(20);
  return {
    customer: row,
    into: into ?? null,
    contacts,
    former: await formerContacts(tx, id),
    sites: await sitesOf(tx, id),
    tolerances: await agreedTolerances(tx, id),
    models: await modelsToAgree(tx),
    instruments: instruments.slice(0, MOST),
    moreInstruments: instruments.length > MOST,
    work,
    documents: documents.slice(0, MOST),
    moreDocuments: documents.length > MOST,
    mails,
    merges: merges.map(({ moved, at, ...one }) => ({
      ...one,
      at,
      instruments: moved.assets.length,
      mayUndo: now.getTime() - at.getTime() <= UNDO_HOURS * 3_600_000,
    })),
    history,
  };
}

/** Models in use with the channels for which a tolerance may be agreed. */
async function modelsToAgree(tx: Transaction) {
  const rows = await tx
    .select({
      id: instrumentModel.id,
      maker: instrumentModel.maker,
      name: instrumentModel.name,
      channels: instrumentModel.channels,
    })
    .from(instrumentModel)
    .where(isNull(instrumentModel.retiredAt))
    .orderBy(asc(instrumentModel.maker), asc(instrumentModel.name));
  return rows.map(({ channels, maker, name, id }) => ({
    id,
    name: `${maker} ${name}`,
    channels: channels.map(({ role, label, unit }) => ({ role, label, unit })),
  }));
}
