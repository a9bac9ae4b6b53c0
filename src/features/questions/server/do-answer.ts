import { and, eq, isNotNull, isNull } from 'drizzle-orm';
import type { Database } from '@/data/connection';
import { customer, customerNotice, customerQuestion, customerTolerance } from '@/data/schema';
import { answerOffer } from '@/features/money/server';
import { noteCustomersWord } from '@/features/register/server';
import { asActor } from '@/platform/as-actor';
import { recordAudit } from '@/platform/audit';
import { BY_ITSELF } from '@/platform/by-itself';
import { dateIn } from '@/platform/clock';
import { Problem } from '@/platform/problem';
import { readSettings } from '@/platform/settings';
import type { UseCaseContext } from '@/platform/use-case';

type Row = typeof customerQuestion.$inferSelect;

/**
 * Acts by an answer that came by a link, once: an offer is accepted or declined, a tolerance confirmed or ended, the due date goes on paper or stays off it. The others stand on record as they are.
 * What can't be done any more is said beside the answer; the answer stays. Errors: what the database says; the job tries again.
 */
export async function doAnswer(db: Database, questionId: string, now: Date): Promise<void> {
  const waiting = and(eq(customerQuestion.id, questionId), isNotNull(customerQuestion.answer), isNull(customerQuestion.doneAt));
  try {
    await db.transaction(async (tx) => {
      const [row] = await tx.select().from(customerQuestion).where(waiting).for('update');
      if (!row) return;
      await asActor(tx, BY_ITSELF, 'job');
      const context = { tx, actor: BY_ITSELF, now };
      await act(context, row);
      await tx.update(customerQuestion).set({ doneAt: now }).where(eq(customerQuestion.id, questionId));
      await recordAudit(context, 'customerAnswer', `${row.about}: ${row.answer!}, ${row.answeredBy!}`, {
        question: questionId,
        customer: row.customerId,
      });
    });
  } catch (error) {
    if (!(error instanceof Problem)) throw error;
    await db.transaction(async (tx) => {
      await asActor(tx, BY_ITSELF, 'job');
      await tx.update(customerQuestion).set({ doneAt: now, problem: error.message }).where(waiting);
    });
  }
}

async function act(
  context: UseCaseContext,
  { about, subjectId, customerId, answer, answeredBy, answeredAt, remark }: Row,
): Promise<void> {
  const { tx } = context;
  if (about === 'offer' && subjectId)
    return answerOffer(context, {
      offerId: subjectId,
      answer: answer === 'yes' ? 'accepted' : 'declined',
      by: answeredBy!,
      how: 'link',
    });
  if (about === 'notice' && subjectId) {
    const [notice] = await tx
      .select({ runId: customerNotice.runId })
      .from(customerNotice)
      .where(eq(customerNotice.id, subjectId));
    if (notice) await noteCustomersWord(context, { runId: notice.runId, by: answeredBy!, answer: answer!, remark });
  }
  if (about === 'due') {
    await tx
      .update(customer)
      .set({ agreesDue: answer === 'yes' })
      .where(eq(customer.id, customerId));
  }
  if (about === 'tolerance' && subjectId) {
    const { zone } = await readSettings(tx);
    const agreed = { agreedOn: dateIn(zone, answeredAt!), agreedWith: answeredBy! };
    // Who doesn't agree is judged by the maker's again, for runs that begin from now on.
    const ended = { endedAt: context.now, endedBy: answeredBy! };
    await tx
      .update(customerTolerance)
      .set(answer === 'yes' ? agreed : ended)
      .where(and(eq(customerTolerance.id, subjectId), isNull(customerTolerance.endedAt)));
  }
}
