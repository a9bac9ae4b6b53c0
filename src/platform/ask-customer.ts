import { addDays } from 'date-fns';
import { and, eq, isNull } from 'drizzle-orm';
import type { QuestionAbout } from '@/core/stored/question';
import { dayInLanguage } from '@/core/words/day-in-language';
import { say, type Language } from '@/core/words/say';
import type { Transaction } from '@/data/connection';
import { customerQuestion } from '@/data/schema';
import { checkOrigin } from './check-origin';
import { dateIn } from './clock';
import { digestOf, newSecret } from './secret';
import { readSettings } from './settings';
import type { UseCaseContext } from './use-case';
import '@/core/words/en/mail-texts';
import '@/core/words/de';

/** Days in which a link can be answered. */
const DAYS = 30;

interface Asked {
  customerId: string;
  about: QuestionAbout;
  subjectId?: string;
  /** The sentence that is agreed to, as the customer reads it. */
  asked: string;
  language: Language;
}

/** Puts a question to a customer on record and gives the line of a mail by which it is answered. One that is open about the same thing is withdrawn: two links never ask one thing. */
export async function askCustomer(
  context: UseCaseContext,
  { subjectId, ...given }: Asked,
): Promise<{ id: string; line: string }> {
  const { tx, now, actor } = context;
  if (subjectId) await withdrawQuestions(context, subjectId);
  const secret = newSecret();
  const until = addDays(now, DAYS);
  const [row] = await tx
    .insert(customerQuestion)
    .values({ ...given, subjectId: subjectId ?? null, digest: digestOf(secret), askedAt: now, askedBy: actor.name, until })
    .returning({ id: customerQuestion.id });
  const numbers = {
    until: dayInLanguage(dateIn((await readSettings(tx)).zone, until), given.language),
    address: `${checkOrigin()}/answer/${secret}`,
  };
  return { id: row!.id, line: say({ code: 'mailText.answerHere', numbers }, given.language) };
}

/** The mail by which it was asked. */
export const askedByMail = async (tx: Transaction, id: string, mailId: string | undefined): Promise<void> => {
  if (mailId) await tx.update(customerQuestion).set({ mailId }).where(eq(customerQuestion.id, id));
};

/** What is open about a thing is not asked any more: it was answered another way, or is asked anew. */
export async function withdrawQuestions({ tx, now, actor }: UseCaseContext, subjectId: string): Promise<void> {
  await tx
    .update(customerQuestion)
    .set({ withdrawnAt: now, withdrawnBy: actor.name })
    .where(and(eq(customerQuestion.subjectId, subjectId), isNull(customerQuestion.answer), isNull(customerQuestion.withdrawnAt)));
}
