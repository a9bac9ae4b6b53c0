import { and, desc, eq, isNotNull, isNull, lte, gt, sql } from 'drizzle-orm';
import { QUESTION_STATES, type QuestionState } from '@/core/stored/question';
import Papa from 'papaparse';
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

interface Asked {
  customerId?: string;
  state?: string | undefined;
  /** Words of the question or the remark, the customer's name, who answered. */
  q?: string | undefined;
  before?: string | undefined;
  now: Date;
  most?: number;
}

/** Every word has to be somewhere in what was asked and answered. */
const wordsIn = (q: string) =>
  and(
    ...q
      .split(/\s+/)
      .filter(Boolean)
      .slice(0, 8)
      .map(
        (word) =>
          sql`concat_ws(' ', ${customerQuestion.asked}, ${customerQuestion.remark}, ${customerQuestion.answeredBy}, ${customer.name}) ilike ${`%${word.replace(/[\\%_]/g, '\\$&')}%`}`,
      ),
  );

/** What customers were asked, the newest first, paged by key; of one customer, in one state or with some words where asked. */
export async function listQuestions(tx: Transaction, { customerId, state, q = '', before, now, most = SHOWN }: Asked) {
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
        wordsIn(q),
        before && isId(before)
          ? sql`(${customerQuestion.askedAt}, ${customerQuestion.id}) < (select q.asked_at, q.id from customer_question q where q.id = ${before})`
          : undefined,
      ),
    )
    .orderBy(desc(customerQuestion.askedAt), desc(customerQuestion.id))
    .limit(most + 1);
  const page = rows.slice(0, most).map(({ question, ...rest }) => {
    // What opens nothing leaves the house either.
    return { ...omitDigest(question), ...rest, state: stateOf(question, now) };
  });
  return { rows: page, next: rows.length > most ? page.at(-1)!.id : null };
}
export type QuestionLine = Awaited<ReturnType<typeof listQuestions>>['rows'][number];

/** Rows of the table at most. */
const MOST_ROWS = 100_000;
export async function questionsCsv(tx: Transaction, asked: Omit<Asked, 'before' | 'most'>): Promise<string> {
  const { rows } = await listQuestions(tx, { ...asked, most: MOST_ROWS });
  return Papa.unparse(
    {
      fields: [
        'asked',
        'asked_by',
        'customer',
        'recipient',
        'about',
        'question',
        'state',
        'answer',
        'answered_by',
        'answered',
        'remark',
      ],
      data: rows.map((row) => [
        row.askedAt.toISOString(),
        row.askedBy,
        row.customer,
        row.recipient ?? '',
        row.about,
        row.asked,
        row.state,
        row.answer ?? '',
        row.answeredBy ?? '',
        row.answeredAt?.toISOString() ?? '',
        row.remark ?? '',
      ]),
    },
    { escapeFormulae: true },
  );
}
