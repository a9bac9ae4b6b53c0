import { and, asc, eq, isNull, sql } from 'drizzle-orm';
import { choicesOf, stepsMissing, type NonconformityKind, type NonconformityStep } from '@/core/record/nonconformity';
import { say } from '@/core/words/say';
import { asset, nonconformity, nonconformityStep } from '@/data/schema';
import { need } from '@/platform/need';
import { nextNumber } from '@/platform/next-number';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import '@/core/words/en/register';

export interface Opened {
  kind: NonconformityKind;
  what: string;
  assetId?: string | undefined;
  customerId?: string | undefined;
  runId?: string | undefined;
  referenceId?: string | undefined;
}

/** Opens an entry, in the transaction of whatever opens it. A run is found outside once: again gives the entry that is there. */
export async function openNonconformity(context: UseCaseContext, given: Opened): Promise<{ id: string; number: string }> {
  const { tx, now, actor } = context;
  if (given.runId) {
    const [there] = await tx
      .select({ id: nonconformity.id, number: nonconformity.number })
      .from(nonconformity)
      .where(eq(nonconformity.runId, given.runId));
    if (there) return there;
  }
  const { number } = await nextNumber(context, 'nonconformity');
  const [row] = await tx
    .insert(nonconformity)
    .values({ ...given, number, openedAt: now, openedBy: actor.name })
    .returning({ id: nonconformity.id, number: nonconformity.number });
  return row!;
}

/** Somebody enters one by hand: a complaint, a recall, what was noticed. Errors: Problem (403); (404) beside the serial. */
export async function enterNonconformity(
  context: UseCaseContext,
  { kind, what, serial }: { kind: NonconformityKind; what: string; serial: string },
): Promise<{ id: string; number: string }> {
  need(context.actor, 'receive');
  if (!serial) return openNonconformity(context, { kind, what });
  const found = await context.tx
    .select({ id: asset.id, customerId: asset.customerId })
    .from(asset)
    .where(sql`upper(${asset.serial}) = upper(${serial})`)
    .limit(2);
  if (found.length !== 1) {
    const sentence = say({ code: found.length ? 'register.manySerials' : 'register.noSerial' });
    throw new Problem(sentence, { serial: sentence }, 404);
  }
  return openNonconformity(context, { kind, what, assetId: found[0]!.id, customerId: found[0]!.customerId });
}

async function held({ tx }: UseCaseContext, id: string) {
  const [row] = await tx.select().from(nonconformity).where(eq(nonconformity.id, id)).for('update');
  if (!row) throw new Problem(say({ code: 'register.unknown' }), {}, 404);
  return row;
}

/**
 * Notes a step that was taken; noted anew it stands before the earlier one, which stays readable. `lookAgainOn` with an action: when its effect is looked at.
 * Errors: Problem (403), (404); (400) beside what is missing; (409) for one that is closed.
 */
export async function noteStep(
  context: UseCaseContext,
  {
    id,
    step,
    choice,
    text,
    lookAgainOn,
  }: { id: string; step: NonconformityStep; choice: string; text: string; lookAgainOn?: string | null },
): Promise<void> {
  need(context.actor, 'bench');
  const { tx, now, actor } = context;
  const row = await held(context, id);
  if (row.closedAt) throw new Problem(say({ code: 'register.isClosed' }), {}, 409);
  const choices = choicesOf(step);
  if (choices && !choices.includes(choice))
    throw new Problem(say({ code: 'register.needsChoice' }), { choice: say({ code: 'register.needsChoice' }) }, 400);
  await tx
    .insert(nonconformityStep)
    .values({ nonconformityId: id, step, choice: choices ? choice : '', text, by: actor.name, at: now });
  if (step === 'action' && lookAgainOn) await tx.update(nonconformity).set({ lookAgainOn }).where(eq(nonconformity.id, id));
}

/** What a customer said of a notice of what was found outside, in the entry of its run: a further line of how they were told. Nothing where there is no open entry. */
export async function noteCustomersWord(
  { tx, now }: UseCaseContext,
  { runId, by, answer, remark }: { runId: string; by: string; answer: 'yes' | 'no'; remark: string },
): Promise<void> {
  const [entry] = await tx
    .select({ id: nonconformity.id })
    .from(nonconformity)
    .where(and(eq(nonconformity.runId, runId), isNull(nonconformity.closedAt)));
  if (!entry) return;
  const said = say({ code: `register.customer.${answer}`, numbers: { by } });
  await tx.insert(nonconformityStep).values({
    nonconformityId: entry.id,
    step: 'told',
    choice: 'told',
    text: [said, remark].filter(Boolean).join(' '),
    by,
    at: now,
  });
}

/** Corrects what an entry says was wrong; the change log keeps what it said. Errors: Problem (403), (404); (409) for one that is closed, or that somebody else changed meanwhile. */
export async function correctNonconformity(
  context: UseCaseContext,
  { id, what, seen }: { id: string; what: string; seen: string },
): Promise<void> {
  need(context.actor, 'bench');
  const row = await held(context, id);
  if (row.closedAt) throw new Problem(say({ code: 'register.isClosed' }), {}, 409);
  if (row.what !== seen) throw new Problem(say({ code: 'register.changed', numbers: { what: row.what } }), {}, 409);
  await context.tx.update(nonconformity).set({ what }).where(eq(nonconformity.id, id));
}

/** Steps of an entry as they came. */
export const stepsOf = ({ tx }: Pick<UseCaseContext, 'tx'>, id: string) =>
  tx.select().from(nonconformityStep).where(eq(nonconformityStep.nonconformityId, id)).orderBy(asc(nonconformityStep.id));

/** Closes an entry: a signatory, when all was done that the standard asks. Errors: Problem (403), (404); (409) with what is missing, or for one that is closed. */
export async function closeNonconformity(context: UseCaseContext, { id }: { id: string }): Promise<void> {
  need(context.actor, 'approve');
  const { tx, now, actor } = context;
  const row = await held(context, id);
  if (row.closedAt) throw new Problem(say({ code: 'register.isClosed' }), {}, 409);
  const taken = (await stepsOf(context, id)).flatMap(({ step, choice, text }) =>
    step === 'reopened' ? [] : [{ step, choice, text }],
  );
  const missing = stepsMissing(row.kind, taken);
  if (missing.length)
    throw new Problem(
      say({
        code: 'register.missing',
        numbers: { steps: missing.map((step) => say({ code: `register.step.${step}` })).join('; ') },
      }),
      {},
      409,
    );
  await tx.update(nonconformity).set({ closedAt: now, closedBy: actor.name }).where(eq(nonconformity.id, id));
}

/** Opens a closed entry again, with its reason. Errors: Problem (403), (404); (409) for one that is open. */
export async function reopenNonconformity(context: UseCaseContext, { id, why }: { id: string; why: string }): Promise<void> {
  need(context.actor, 'approve');
  const { tx, now, actor } = context;
  const row = await held(context, id);
  if (!row.closedAt) throw new Problem(say({ code: 'register.isOpen' }), {}, 409);
  await tx.insert(nonconformityStep).values({ nonconformityId: id, step: 'reopened', text: why, by: actor.name, at: now });
  await tx.update(nonconformity).set({ closedAt: null, closedBy: null }).where(eq(nonconformity.id, id));
}
