import { and, desc, eq, isNotNull, isNull, lte, gt, sql } from 'drizzle-orm';
import { QUESTION_STATES, type QuestionState } from '@/core/stored/question';
import type { Transaction } from '@/data/connection';
import { customer, customerQuestion, mail } from '@/data/schema';
import { isId } from '@/platform/shape';

const SHOWN = 50;

const inState = (state: QuestionState, now: Date) => {
  const open = and(isNull(customerQuestion.answer), isNull(customerQuestion.withdrawnAt));
  switch (state) {
    case 'answered':
      return isNotNull(customerQuestion.answer);
    case 'withdrawn':
      return isNotNull(customerQuestion.withdrawnAt);
    case 'late':
      return and(open, lte(customerQuestion.until, now));
    case 'open':
      return and(open, gt(customerQuestion.until, now));
  }
};

function omitDigest(question: typeof customerQuestion.$inferSelect) {
  const shown: Partial<typeof question> = { ...question };
  delete shown.digest;
  return shown as Omit<typeof question, 'digest'>;
}

/** Where a question stands. */
export const stateOf = (
  { answer, withdrawnAt, until }: Pick<typeof customerQuestion.$inferSelect, 'answer' | 'withdrawnAt' | 'until'>,
  now: Date,
): QuestionState => (answer ? 'answered' : withdrawnAt ? 'withdrawn' : until <= now ? 'late' : 'open');

/** What customers were asked, the newest first, paged by key; of one customer or in one state where asked. */
export async function listQuestions(
  tx: Transaction,
  { customerId, state, before, now }: { customerId?: string; state?: string | undefined; before?: string | undefined; now: Date },
) {
  const wanted = QUESTION_STATES.find((one) => one === state);
  const rows = await tx
    .select({ question: customerQuestion, customer: customer.name, recipient: mail.recipient, mailState: mail.state })
    .from(customerQuestion)
    .innerJoin(customer, eq(customer.id, customerQuestion.customerId))
    .leftJoin(mail, eq(mail.id, customerQuestion.mailId))
    .where(
      and(
        customerId ? eq(customerQuestion.customerId, customerId) : undefined,
        wanted ? inState(wanted, now) : undefined,
        before && isId(before)
          ? sql`(${customerQuestion.askedAt}, ${customerQuestion.id}) < (select q.asked_at, q.id from customer_question q where q.id = ${before})`
          : undefined,
      ),
    )
    .orderBy(desc(customerQuestion.askedAt), desc(customerQuestion.id))
    .limit(SHOWN + 1);
  const page = rows.slice(0, SHOWN).map(({ question, ...rest }) => {
    // What opens nothing leaves the house either.
    return { ...omitDigest(question), ...rest, state: stateOf(question, now) };
  });
  return { rows: page, next: rows.length > SHOWN ? page.at(-1)!.id : null };
}
export type QuestionLine = Awaited<ReturnType<typeof listQuestions>>['rows'][number];
