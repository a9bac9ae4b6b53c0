import { and, eq, sql } from 'drizzle-orm';
import { BLANKED } from '@/core/record/blanked';
import { say } from '@/core/words/say';
import type { Transaction } from '@/data/connection';
import { customer, customerContact, mail, personKey } from '@/data/schema';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import { heldCustomer, requireKeeper } from './keep-customer';
import '@/core/words/en/customers';

/** Contacts that were taken away and can still be read in the log: whoever asks to be forgotten may have left years ago. */
export async function formerContacts(tx: Transaction, customerId: string) {
  const { rows } = await tx.execute<{ id: string; name: string }>(sql`
    select k.row_id as id, coalesce((select unseal(l.before)->>'name' from change_log l where l.table_name = 'customer_contact' and l.row_key = k.row_id and l.kind = 'taken' order by l.id desc limit 1), '') as name
    from person_key k where k.about = 'customer_contact' and k.customer_id = ${customerId} and not exists (select from customer_contact c where c.id::text = k.row_id) order by k.made_at, k.id`);
  return rows;
}

interface Given {
  customerId: string;
  /** Left out: the contact that stands with the customer itself. */
  contactId?: string | undefined;
  why: string;
}

/**
 * Blanks a person at a customer: the entry goes, what the log kept of it can't be read any more because its key is destroyed, and mails that went to their address no longer say to whom. What was certified, and papers that name
 * them (receipts, offers), stay as they were handed out. Hashes and chains hold. Local law says who may ask for it.
 * Errors: Problem (403), (404) where nobody is on record; (409) while a mail to them waits.
 */
export async function blankPerson(context: UseCaseContext, { customerId, contactId }: Given): Promise<{ mails: number }> {
  requireKeeper(context);
  const { tx } = context;
  const held = await heldCustomer(context, customerId);
  const [contact] = contactId
    ? await tx
        .select()
        .from(customerContact)
        .where(and(eq(customerContact.id, contactId), eq(customerContact.customerId, customerId)))
    : [];
  const person = contactId ? contact : { name: held.contact, email: held.email, phone: held.phone };
  if (!contactId && !held.contact && !held.email && !held.phone) throw new Problem(say({ code: 'contact.unknown' }), {}, 404);
  await tx.execute(sql`select set_config('werkbank.blanking', 'yes', true)`);
  const mails = person?.email ? await blankMails(tx, customerId, person) : 0;
  const keys = await tx
    .delete(personKey)
    .where(
      and(
        eq(personKey.customerId, customerId),
        eq(personKey.about, contactId ? 'customer_contact' : 'customer'),
        eq(personKey.rowId, contactId ?? customerId),
      ),
    )
    .returning({ id: personKey.id });
  if (contactId && !contact && keys.length === 0) throw new Problem(say({ code: 'contact.unknown' }), {}, 404);
  if (contactId) await tx.delete(customerContact).where(eq(customerContact.id, contactId));
  else
    await tx
      .update(customer)
      .set({ contact: '', email: '', phone: '', version: held.version + 1 })
      .where(eq(customer.id, customerId));
  await tx.execute(sql`select set_config('werkbank.blanking', '', true)`);
  return { mails };
}

/** Mails to an address lose it, and the name where they say it. Errors: Problem (409) while one is on its way. */
async function blankMails(
  tx: Transaction,
  customerId: string,
  { email, name }: { email: string; name: string },
): Promise<number> {
  const theirs = and(eq(mail.customerId, customerId), sql`lower(${mail.recipient}) = lower(${email})`);
  const [waiting] = await tx
    .select({ id: mail.id })
    .from(mail)
    .where(and(theirs, sql`${mail.state} in ('queued', 'sending')`));
  if (waiting) throw new Problem(say({ code: 'blanking.mailWaits' }), {}, 409);
  // A name that is empty is in every text.
  const without = (text: typeof mail.body | typeof mail.subject) =>
    sql`replace(${name ? sql`replace(${text}, ${name}, ${BLANKED})` : text}, ${email}, ${BLANKED})`;
  const rows = await tx
    .update(mail)
    .set({ recipient: BLANKED, subject: without(mail.subject), body: without(mail.body) })
    .where(theirs)
    .returning({ id: mail.id });
  return rows.length;
}
