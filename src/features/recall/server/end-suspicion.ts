import { and, eq, inArray, isNull } from 'drizzle-orm';
import { say } from '@/core/words/say';
import { customer, reference, suspicion, suspicionResult, type RecallDecision } from '@/data/schema';
import { withdrawCertificate } from '@/features/certificates/server';
import { noteStep } from '@/features/register/server';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import { hostOf, putMails } from '@/platform/put-mail';
import { readSettings } from '@/platform/settings';
import type { UseCaseContext } from '@/platform/use-case';
import { countsOf, lettersOf } from './counts-of';
import { recallLetter } from './letter';
import { linesOf, suspicionHead } from './read-suspicion';
import '@/core/words/en/recall';
import '@/core/words/en/recall-letter';

/** The suspicion, held, where it may still be decided. Errors: Problem (404), (409). */
async function held(context: UseCaseContext, id: string) {
  const { tx } = context;
  await tx.select({ id: suspicion.id }).from(suspicion).where(eq(suspicion.id, id)).for('update');
  const head = await suspicionHead(tx, id);
  if (!head) throw new Problem(say({ code: 'recall.gone' }), {}, 404);
  if (head.suspicion.endedAt) throw new Problem(say({ code: 'recall.over' }), {}, 409);
  return head;
}

/** What becomes of the document of a run. Errors: Problem (403), (404), (409). */
export async function decideRecall(
  context: UseCaseContext,
  { id, runId, decision }: { id: string; runId: string; decision: RecallDecision },
): Promise<void> {
  need(context.actor, 'approve');
  await held(context, id);
  await context.tx
    .update(suspicionResult)
    .set({ decision, decidedBy: context.actor.name })
    .where(and(eq(suspicionResult.suspicionId, id), eq(suspicionResult.runId, runId)));
}

/** What all customers are told first. Errors: Problem (403), (404), (409). */
export async function keepRecallText(context: UseCaseContext, { id, said }: { id: string; said: string }): Promise<void> {
  need(context.actor, 'approve');
  await held(context, id);
  await context.tx.update(suspicion).set({ said }).where(eq(suspicion.id, id));
}

/** It was unfounded: nothing follows from it, what was judged stays to be read. Errors: Problem (403), (404), (409). */
export async function dropSuspicion(context: UseCaseContext, { id, why }: { id: string; why: string }): Promise<void> {
  need(context.actor, 'approve');
  const { tx, now, actor } = context;
  const { entry } = await held(context, id);
  await tx.update(suspicion).set({ ending: 'unfounded', endedAt: now, endedBy: actor.name }).where(eq(suspicion.id, id));
  await noteStep(context, { id: entry.id, step: 'evaluation', choice: '', text: why });
}

/**
 * Releases what was decided, in one act: documents are withdrawn, so that their check pages say so and their instruments are due; one letter goes to each customer, by mail or to be printed; the reference is recalled, and the register
 * says what was done. A document that was withdrawn or replaced meanwhile stays as it is.
 * Errors: Problem (403), (404); (409) while it is judged, or when it was ended.
 */
export async function releaseRecall(
  context: UseCaseContext,
  { id }: { id: string },
): Promise<{ letters: number; withdrawn: number }> {
  need(context.actor, 'approve');
  const { tx, now, actor } = context;
  const head = await held(context, id);
  if (!head.suspicion.judgedAt) throw new Problem(say({ code: 'recall.notJudged' }), {}, 409);
  const lines = await linesOf(tx, id);
  const { name, lot } = head.reference;
  const reason = say({ code: 'recall.reason', numbers: { name, lot, why: head.suspicion.why } });
  let withdrawn = 0;
  for (const { certificateId, decision, withdrawn: already } of lines) {
    if (!certificateId || already || decision !== 'withdraw') continue;
    await withdrawCertificate(context, { certificateId, reason, told: false });
    withdrawn += 1;
  }
  const letters = await sendLetters(context, head.suspicion, lines);
  if (!head.reference.recalled)
    await tx.update(reference).set({ recalled: head.suspicion.why }).where(eq(reference.id, head.reference.id));
  await tx.update(suspicion).set({ ending: 'released', endedAt: now, endedBy: actor.name }).where(eq(suspicion.id, id));
  const text = say({ code: 'recall.evaluation', numbers: { ...countsOf(lines), withdrawn, letters } });
  await noteStep(context, { id: head.entry.id, step: 'evaluation', choice: '', text });
  await noteStep(context, { id: head.entry.id, step: 'told', choice: letters ? 'told' : 'notNeeded', text });
  return { letters, withdrawn };
}

/** One letter a customer: by mail, or on paper where there is no address to write to. */
async function sendLetters(
  { tx, now }: UseCaseContext,
  { id, said }: { id: string; said: string },
  lines: Awaited<ReturnType<typeof linesOf>>,
): Promise<number> {
  const by = lettersOf(lines);
  if (by.size === 0) return 0;
  const settings = await readSettings(tx);
  const laboratory = [settings.name, settings.address, settings.contact].filter(Boolean).join(', ');
  const owners = await tx
    .select()
    .from(customer)
    .where(inArray(customer.id, [...by.keys()]));
  const mails = owners.map((owner) => ({
    customerId: owner.id,
    recipient: owner.email,
    subject: say({ code: 'recall.subject' }, owner.language),
    body: recallLetter(said, by.get(owner.id)!, laboratory),
    ...(owner.email ? {} : { onPaper: true }),
  }));
  const ids = await putMails(tx, mails, { now, kind: 'recall', host: hostOf(settings.mailFrom) });
  for (const [index, owner] of owners.entries())
    await tx
      .update(suspicionResult)
      .set({ mailId: ids[index]! })
      .where(
        and(
          eq(suspicionResult.suspicionId, id),
          isNull(suspicionResult.mailId),
          inArray(
            suspicionResult.runId,
            by.get(owner.id)!.map((line) => line.runId),
          ),
        ),
      );
  return mails.length;
}
