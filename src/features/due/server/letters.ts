import { and, asc, count, eq, inArray, ne } from 'drizzle-orm';
import { say } from '@/core/words/say';
import type { Transaction } from '@/data/connection';
import { customer, mail } from '@/data/schema';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import '@/core/words/en/due';

/** So many at once: a printer's tray. */
const AT_ONCE = 200;

/** What waits for a hand: letters to print, mails that were refused. */
export async function postToDo(tx: Transaction): Promise<{ letters: number; refused: number }> {
  const rows = await tx
    .select({ state: mail.state, n: count() })
    .from(mail)
    .where(inArray(mail.state, ['toPrint', 'refused']))
    .groupBy(mail.state);
  const of = (state: string) => rows.find((row) => row.state === state)?.n ?? 0;
  return { letters: of('toPrint'), refused: of('refused') };
}

/** Letters that wait to be printed, the oldest first, with whom they go to. */
export const lettersToPrint = (tx: Transaction) =>
  tx
    .select({
      id: mail.id,
      subject: mail.subject,
      body: mail.body,
      at: mail.createdAt,
      customer: { name: customer.name, address: customer.address },
    })
    .from(mail)
    .innerJoin(customer, eq(customer.id, mail.customerId))
    .where(eq(mail.state, 'toPrint'))
    .orderBy(asc(mail.createdAt), asc(mail.id))
    .limit(AT_ONCE);

/** These were printed. One that somebody else printed meanwhile is left as it is. Errors: Problem (403). */
export async function notePrinted(context: UseCaseContext, { mailIds }: { mailIds: string[] }): Promise<{ printed: number }> {
  need(context.actor, 'receive');
  const rows = await context.tx
    .update(mail)
    .set({ state: 'printed', sentAt: context.now })
    .where(and(inArray(mail.id, mailIds), eq(mail.state, 'toPrint')))
    .returning({ id: mail.id });
  return { printed: rows.length };
}

/** A mail that was refused goes by post. Errors: Problem (403), (404); (409) for a customer without an address. */
export async function asLetter(context: UseCaseContext, { mailId }: { mailId: string }): Promise<void> {
  need(context.actor, 'receive');
  const { tx } = context;
  const [found] = await tx
    .select({ address: customer.address })
    .from(mail)
    .innerJoin(customer, eq(customer.id, mail.customerId))
    .where(and(eq(mail.id, mailId), eq(mail.state, 'refused')));
  if (!found) throw new Problem(say({ code: 'letters.gone' }), {}, 404);
  if (!found.address) throw new Problem(say({ code: 'letters.noAddress' }), {}, 409);
  await tx
    .update(mail)
    .set({ state: 'toPrint', problem: null })
    .where(and(eq(mail.id, mailId), ne(mail.state, 'printed')));
}

/** A letter that was taken for printed waits to be printed again. Errors: Problem (403); (404) for one that was not printed. */
export async function printAgain(context: UseCaseContext, { mailId }: { mailId: string }): Promise<void> {
  need(context.actor, 'receive');
  const back = await context.tx
    .update(mail)
    .set({ state: 'toPrint', sentAt: null })
    .where(and(eq(mail.id, mailId), eq(mail.state, 'printed')))
    .returning({ id: mail.id });
  if (back.length === 0) throw new Problem(say({ code: 'letters.notPrinted' }), {}, 404);
}
