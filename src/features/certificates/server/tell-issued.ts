import { and, asc, eq, ne, notInArray, sql } from 'drizzle-orm';
import { say, type Language } from '@/core/words/say';
import type { Transaction } from '@/data/connection';
import { certificate, customer, customerContact, receipt, ticket } from '@/data/schema';
import { greet, itemOnLine, letterWriter, signedBy } from '@/platform/letter-text';
import { hostOf, putMails } from '@/platform/put-mail';
import { readSettings } from '@/platform/settings';
import type { UseCaseContext } from '@/platform/use-case';
import '@/core/words/en/letters';
import '@/core/words/de';

/**
 * A document that was approved goes to its customer: to the first contact who is there for certificates, else to the customer's own address, with the PDF and what of the receipt is ready for collection. Nothing where the workshop or
 * the customer doesn't want it, or there is no address. Sent by the jobs process, in the same transaction that issues: what is taken back is never sent.
 */
export async function tellIssued({ tx, now }: UseCaseContext, certificateId: string): Promise<void> {
  const settings = await readSettings(tx);
  if (!settings.mailCertificates) return;
  const [found] = await tx
    .select({ document: certificate, owner: customer })
    .from(certificate)
    .innerJoin(customer, eq(customer.id, certificate.customerId))
    .where(eq(certificate.id, certificateId));
  if (!found?.owner.wantsCertificates) return;
  const { document, owner } = found;
  const { language } = owner;
  const to = await certificatesTo(tx, owner);
  if (!to.email) return;
  const { item, conformity } = document.content as { item: Item; conformity?: { sentences?: string[] } };
  const without = document.series === 'N';
  const write = await letterWriter(tx, without ? 'withoutCalibration' : 'document');
  const letter = write(language, {
    greeting: greet(to.name, language),
    number: document.number,
    instrument: itemOnLine(item, language),
    statements: (conformity?.sentences ?? []).join('\n'),
    ready: (await readyLines(tx, document.ticketId, language)).join('\n'),
    workshop: signedBy(settings),
  });
  await putMails(tx, [{ customerId: owner.id, recipient: to.email, ...letter, attachedCertificate: document.id }], {
    now,
    kind: 'document',
    host: hostOf(settings.mailFrom),
  });
}

interface Item {
  maker: string;
  model: string;
  serial: string;
  tag?: string;
}

/** To whom documents go: the first contact who is there for them, else the customer's own. */
async function certificatesTo(
  tx: Transaction,
  { id, contact, email }: typeof customer.$inferSelect,
): Promise<{ name: string; email: string }> {
  const [first] = await tx
    .select({ name: customerContact.name, email: customerContact.email })
    .from(customerContact)
    .where(
      and(
        eq(customerContact.customerId, id),
        sql`'certificates' = any(${customerContact.purposes})`,
        ne(customerContact.email, ''),
      ),
    )
    .orderBy(asc(customerContact.createdAt), asc(customerContact.id))
    .limit(1);
  return first ?? { name: contact, email };
}

/** Whether all that came together can be fetched, or how many are still worked on. */
async function readyLines(tx: Transaction, ticketId: string | null, language: Language): Promise<string[]> {
  if (!ticketId) return [];
  const [own] = await tx
    .select({ receiptId: ticket.receiptId, number: receipt.number })
    .from(ticket)
    .innerJoin(receipt, eq(receipt.id, ticket.receiptId))
    .where(eq(ticket.id, ticketId));
  if (!own) return [];
  const open = await tx
    .select({ id: ticket.id })
    .from(ticket)
    .where(
      and(eq(ticket.receiptId, own.receiptId), ne(ticket.id, ticketId), notInArray(ticket.status, ['toReturn', 'returned'])),
    );
  return [say({ code: 'letter.ready', numbers: { receipt: own.number, open: open.length } }, language)];
}
