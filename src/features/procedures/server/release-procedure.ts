import { and, eq, isNull } from 'drizzle-orm';
import { contentHash } from '@/core/certificate/canonical';
import { validateProcedure } from '@/core/procedure/validate-procedure';
import { say } from '@/core/words/say';
import { ownProcedure, ownProcedureVersion, procedureRecall } from '@/data/schema';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import { heldProcedure } from './keep-procedure';
import { procedureById, recallOf } from './procedure-by-id';
import '@/core/words/en/procedures';

export interface Release {
  procedureId: string;
  rowVersion: number;
  note: string;
  tried: string;
  result: string;
  validatedOn: string;
  validatedBy: string;
}

/**
 * Releases the draft as the next version: sound, walked without a fault as it is kept, and with the record of its validation. From then on runs are begun by it.
 * Errors: Problem (403), (404); (409) without a draft, changed meanwhile, unsound, not walked, or with faults.
 */
export async function releaseProcedure(context: UseCaseContext, input: Release): Promise<{ version: number }> {
  need(context.actor, 'approve');
  const { tx, actor, now } = context;
  const row = await heldProcedure(context, input.procedureId);
  const refuse = (sentence: string) => new Problem(sentence, {}, 409);
  if (!row.draft) throw refuse(say({ code: 'procedures.noDraft' }));
  if (row.rowVersion !== input.rowVersion) throw refuse(say({ code: 'procedures.meanwhile' }));
  const [unsound] = validateProcedure(row.draft);
  if (unsound) throw refuse(say({ code: 'procedures.unsound', numbers: { what: unsound } }));
  const hash = contentHash(row.draft);
  if (row.walk?.hash !== hash || row.walk.models.length === 0) throw refuse(say({ code: 'procedures.notWalked' }));
  if (row.walk.faults.length) throw refuse(say({ code: 'procedures.walkFaults', numbers: { count: row.walk.faults.length } }));
  const { version } = row.draft;
  const { note, tried, result, validatedOn, validatedBy } = input;
  await tx.insert(ownProcedureVersion).values({
    procedureId: row.id,
    version,
    document: row.draft,
    hash,
    note,
    tried,
    result,
    validatedOn,
    validatedBy,
    ways: row.walk.ways,
    releasedBy: actor.name,
    releasedAt: now,
  });
  await tx
    .update(ownProcedure)
    .set({ draft: null, walk: null, rowVersion: row.rowVersion + 1 })
    .where(eq(ownProcedure.id, row.id));
  return { version };
}

/** Stops new runs by the version that is in force, shipped or own; lifted, they may be begun again. Errors: Problem (403), (404), (409). */
export async function recallProcedure(
  context: UseCaseContext,
  { procedureId, why, lift }: { procedureId: string; why: string; lift: boolean },
): Promise<void> {
  need(context.actor, 'approve');
  const { tx, actor, now } = context;
  const procedure = await procedureById(tx, procedureId);
  if (!procedure) throw new Problem(say({ code: 'procedures.unknown' }), {}, 404);
  const standing = await recallOf(tx, procedure);
  if (lift === (standing === null)) throw new Problem(say({ code: 'procedures.already' }), {}, 409);
  const { id, version } = procedure;
  if (lift)
    await tx
      .update(procedureRecall)
      .set({ liftedWhy: why, liftedBy: actor.name, liftedAt: now })
      .where(and(eq(procedureRecall.procedureId, id), eq(procedureRecall.version, version), isNull(procedureRecall.liftedAt)));
  else await tx.insert(procedureRecall).values({ procedureId: id, version, why, recalledBy: actor.name, recalledAt: now });
}
