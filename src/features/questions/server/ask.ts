import { and, eq, isNull } from 'drizzle-orm';
import { say } from '@/core/words/say';
import { customer, customerQuestion, customerTolerance } from '@/data/schema';
import { askCustomer, askedByMail } from '@/platform/ask-customer';
import { greet, letterWriter, signedBy } from '@/platform/letter-text';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import { hostOf, putMails } from '@/platform/put-mail';
import { readSettings } from '@/platform/settings';
import type { UseCaseContext } from '@/platform/use-case';
import type { AskInput } from '../ask-schema';
import '@/core/words/en/questions';

/** Asks a customer by mail, who answers by a link. Errors: Problem (403); (404) for a customer or a tolerance that isn't theirs or ended. */
export async function askByMail(
  context: UseCaseContext,
  { customerId, about, subjectId, asked, to }: AskInput,
): Promise<{ id: string; mailId: string }> {
  need(context.actor, 'receive');
  const { tx, now } = context;
  const [owner] = await tx.select().from(customer).where(eq(customer.id, customerId));
  if (!owner || owner.retiredAt) throw new Problem(say({ code: 'question.noCustomer' }), {}, 404);
  if (about === 'tolerance') await requireTolerance(context, customerId, subjectId);
  const { language } = owner;
  const question = await askCustomer(context, { customerId, about, asked, language, ...(subjectId ? { subjectId } : {}) });
  const settings = await readSettings(tx);
  const write = await letterWriter(tx, 'asked');
  const letter = write(language, {
    greeting: greet(owner.email === to ? owner.contact : '', language),
    customer: owner.name,
    question: asked,
    answer: question.line,
    workshop: signedBy(settings),
  });
  const [mailId] = await putMails(tx, [{ customerId, recipient: to, ...letter }], {
    now,
    kind: 'question',
    host: hostOf(settings.mailFrom),
  });
  await askedByMail(tx, question.id, mailId);
  return { id: question.id, mailId: mailId! };
}

async function requireTolerance({ tx }: UseCaseContext, customerId: string, id: string | undefined): Promise<void> {
  const rows = id
    ? await tx
        .select({ id: customerTolerance.id })
        .from(customerTolerance)
        .where(and(eq(customerTolerance.id, id), eq(customerTolerance.customerId, customerId), isNull(customerTolerance.endedAt)))
    : [];
  if (rows.length === 0)
    throw new Problem(say({ code: 'question.noTolerance' }), { subjectId: say({ code: 'question.noTolerance' }) }, 404);
}

/** Takes a question back: its link says so. Errors: Problem (403); (409) where it was answered or taken back. */
export async function withdrawQuestion(
  { tx, now, actor }: UseCaseContext,
  { questionId }: { questionId: string },
): Promise<void> {
  need(actor, 'receive');
  const rows = await tx
    .update(customerQuestion)
    .set({ withdrawnAt: now, withdrawnBy: actor.name })
    .where(and(eq(customerQuestion.id, questionId), isNull(customerQuestion.answer), isNull(customerQuestion.withdrawnAt)))
    .returning({ id: customerQuestion.id });
  if (rows.length === 0) throw new Problem(say({ code: 'question.closed' }), {}, 409);
}
