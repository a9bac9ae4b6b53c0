import { and, eq, isNull } from 'drizzle-orm';
import type { Doubt } from '@/core/results/suspicion';
import { say } from '@/core/words/say';
import { nonconformity, reference, suspicion } from '@/data/schema';
import { openNonconformity } from '@/features/register/server';
import { enqueue } from '@/platform/jobs';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import { readSettings } from '@/platform/settings';
import type { UseCaseContext } from '@/platform/use-case';
import { countUsed } from './where-used';
import '@/core/words/en/recall';
import '@/core/words/en/recall-letter';

export interface Suspected {
  referenceId: string;
  why: string;
  doubts: Doubt[];
  from?: string | undefined;
  to?: string | undefined;
}

/** The job that judges anew; one a suspicion. */
export const judgeJob = (suspicionId: string) => ({ key: `judge-anew-${suspicionId}`, queue: 'judge-anew' });

/**
 * Suspects a reference: an entry of the register is opened, and the jobs process judges every result anew that rests on it. Nothing on record is altered and nobody is told.
 * Errors: Problem (403), (404); (400) beside the field; (409) while it is suspected already.
 */
export async function suspect(context: UseCaseContext, given: Suspected): Promise<{ id: string }> {
  need(context.actor, 'bench');
  const { tx, actor, now } = context;
  const [row] = await tx.select().from(reference).where(eq(reference.id, given.referenceId)).for('update');
  if (!row) throw new Problem(say({ code: 'recall.noSuch' }), {}, 404);
  if (given.from && given.to && given.to < given.from) throw beside('to', say({ code: 'recall.order' }));
  const unknown = given.doubts.find((doubt) => !row.components.some((one) => one.substance === doubt.substance));
  if (unknown) throw beside('doubts', say({ code: 'recall.unknownQuantity' }));
  const [open] = await tx
    .select({ number: nonconformity.number })
    .from(suspicion)
    .innerJoin(nonconformity, eq(nonconformity.id, suspicion.nonconformityId))
    .where(and(eq(suspicion.referenceId, row.id), isNull(suspicion.endedAt)));
  if (open) throw new Problem(say({ code: 'recall.open', numbers: { number: open.number } }), {}, 409);
  const numbers = { name: row.name, lot: row.lot, why: given.why };
  const entry = await openNonconformity(context, {
    kind: 'recall',
    what: say({ code: 'recall.registerWhat', numbers }),
    referenceId: row.id,
  });
  const { zone } = await readSettings(tx);
  const { runs } = await countUsed(tx, { what: 'reference', of: row.id, from: given.from, to: given.to, zone });
  const [made] = await tx
    .insert(suspicion)
    .values({
      referenceId: row.id,
      nonconformityId: entry.id,
      why: given.why,
      doubts: given.doubts,
      fromDay: given.from ?? null,
      toDay: given.to ?? null,
      said: say({ code: 'recall.saidUsual' }),
      openedAt: now,
      openedBy: actor.name,
      runs,
    })
    .returning({ id: suspicion.id });
  await enqueue(tx, 'judgeAnew', { suspicionId: made!.id }, judgeJob(made!.id));
  return made!;
}

const beside = (field: string, sentence: string) => new Problem(sentence, { [field]: sentence }, 400);
