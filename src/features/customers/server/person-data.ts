import { and, asc, eq, or, sql } from 'drizzle-orm';
import { say } from '@/core/words/say';
import type { Transaction } from '@/data/connection';
import { changeRow } from '@/data/change-row';
import { changeLog, customer, customerContact, mail, offer, receipt, ticket } from '@/data/schema';
import { recordAudit } from '@/platform/audit';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import { isId } from '@/platform/shape';
import type { UseCaseContext } from '@/platform/use-case';
import '@/core/words/en/customers';

/**
 * All that is held on one person at a customer, to be given to them (a right of whoever is in a register; local law says how): the entry itself and what it was changed from, mails to their address, receipts and offers
 * that name them. What names them on a document stays with the document. Errors: Problem (403), (404).
 */
export async function personData(context: UseCaseContext, { customerId, contactId }: Asked) {
  const { tx, actor, now } = context;
  need(actor, 'receive');
  const [found] =
    isId(customerId) && isId(contactId)
      ? await tx
          .select({ contact: customerContact, customer })
          .from(customerContact)
          .innerJoin(customer, eq(customer.id, customerContact.customerId))
          .where(and(eq(customerContact.id, contactId), eq(customerContact.customerId, customerId)))
      : [];
  if (!found) throw new Problem(say({ code: 'contact.unknown' }), {}, 404);
  const { contact } = found;
  await recordAudit(context, 'givePersonData', `contact ${contactId}, ${found.customer.name}`);
  return {
    givenOn: now.toISOString(),
    givenBy: actor.name,
    entry: { ...contact, customer: found.customer.name },
    changes: await changesOf(tx, contactId),
    mails: contact.email ? await mailsTo(tx, contact.email) : [],
    receipts: await tx
      .select({ number: receipt.number, receivedAt: receipt.receivedAt, contact: receipt.contact, note: receipt.note })
      .from(receipt)
      .where(and(eq(receipt.customerId, customerId), names(receipt.contact, contact)))
      .orderBy(asc(receipt.receivedAt)),
    offers: await tx
      .select({ number: offer.number, answer: offer.answer, answeredBy: offer.answeredBy, answeredAt: offer.answeredAt })
      .from(offer)
      .innerJoin(ticket, eq(ticket.id, offer.ticketId))
      .where(and(eq(ticket.customerId, customerId), names(offer.answeredBy, contact)))
      .orderBy(asc(offer.answeredAt)),
  };
}

interface Asked {
  customerId: string;
  contactId: string;
}

/** A text that somebody typed names a person by their name or their address. */
const names = (text: typeof receipt.contact | typeof offer.answeredBy, { name, email }: { name: string; email: string }) =>
  or(sql`strpos(lower(${text}), lower(${name})) > 0`, email ? sql`strpos(lower(${text}), lower(${email})) > 0` : undefined);

const changesOf = (tx: Transaction, contactId: string) =>
  tx
    .select({ at: changeLog.at, kind: changeLog.kind, before: changeRow.before, after: changeRow.after })
    .from(changeLog)
    .where(and(eq(changeLog.tableName, 'customer_contact'), eq(changeLog.rowKey, contactId)))
    .orderBy(asc(changeLog.id));

const mailsTo = (tx: Transaction, email: string) =>
  tx
    .select({ subject: mail.subject, body: mail.body, state: mail.state, createdAt: mail.createdAt, sentAt: mail.sentAt })
    .from(mail)
    .where(sql`lower(${mail.recipient}) = lower(${email})`)
    .orderBy(asc(mail.createdAt));
