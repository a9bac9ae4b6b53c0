import { eq } from 'drizzle-orm';
import { amountOf, type Position } from '@/core/money/position';
import { say } from '@/core/words/say';
import { customer, mail, offer } from '@/data/schema';
import type { Transaction } from '@/data/connection';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import { askCustomer, askedByMail } from '@/platform/ask-customer';
import { itemOnLine, letterWriter, signedBy } from '@/platform/letter-text';
import { hostOf, putMails } from '@/platform/put-mail';
import type { UseCaseContext } from '@/platform/use-case';
import { offerOnPaper } from './papers';
import { ticketInHouse } from './offers';
import '@/core/words/en/answer-page';
import '@/core/words/en/money';

/** Puts an offer that waits into the outbox, as its paper says it; again where it went astray. Errors: Problem (403), (404), (409) where it has its answer, or the instrument left. */
export async function mailOffer(context: UseCaseContext, { offerId, to }: { offerId: string; to: string }): Promise<void> {
  need(context.actor, 'receive');
  const { tx, now } = context;
  const [row] = await tx.select().from(offer).where(eq(offer.id, offerId)).for('update');
  if (!row) throw new Problem(say({ code: 'offer.unknown' }), {}, 404);
  if (row.answer) throw new Problem(say({ code: 'offer.answeredAlready' }), {}, 409);
  await ticketInHouse(context, row.ticketId);
  const found = (await offerOnPaper(tx, row.ticketId, row.id))!;
  const { instrument, workshop } = found;
  const line = (one: Position) =>
    `${one.quantity} × ${one.name}${one.partNumber ? ` (${one.partNumber})` : ''}: ${amountOf(one)} ${row.currency}`;
  const { language } = found.customer;
  const positions = row.positions.map(line).join('\n');
  const total = `${row.total} ${row.currency}`;
  const question = await askCustomer(context, {
    customerId: found.customer.id,
    about: 'offer',
    subjectId: row.id,
    language,
    asked: [say({ code: 'askedOf.offer', numbers: { number: row.number } }, language), row.finding, positions, total]
      .filter(Boolean)
      .join('\n\n'),
  });
  const write = await letterWriter(tx, 'offer');
  const letter = write(language, {
    answer: question.line,
    number: row.number,
    instrument: itemOnLine(instrument, language),
    ticket: found.ticket.code,
    finding: row.finding,
    positions,
    total,
    workshop: signedBy(workshop),
  });
  const [mailId] = await putMails(tx, [{ customerId: found.customer.id, recipient: to, ...letter }], {
    now,
    kind: 'offer',
    host: hostOf(workshop.mailFrom),
  });
  await askedByMail(tx, question.id, mailId);
  await tx.update(offer).set({ mailId: mailId! }).where(eq(offer.id, offerId));
}

/** Where offers of a ticket's customer go, and what became of each that went by mail. */
export async function offersByMail(tx: Transaction, ticketId: string, customerId: string) {
  const sent = await tx
    .select({ id: offer.id, recipient: mail.recipient, state: mail.state, at: mail.createdAt })
    .from(offer)
    .innerJoin(mail, eq(mail.id, offer.mailId))
    .where(eq(offer.ticketId, ticketId));
  const [to] = await tx.select({ email: customer.email }).from(customer).where(eq(customer.id, customerId));
  return { to: to?.email ?? '', sent: Object.fromEntries(sent.map((one) => [one.id, one])) };
}
export type OffersByMail = Awaited<ReturnType<typeof offersByMail>>;
