import { and, eq, inArray, isNull } from 'drizzle-orm';
import { contentHash } from '@/core/certificate/canonical';
import type { Procedure } from '@/core/procedure/procedure';
import { say } from '@/core/words/say';
import { walkWays, type WalkFault } from '@/core/walk/walk-procedure';
import type { Database, Transaction } from '@/data/connection';
import { instrumentModel, ownProcedure } from '@/data/schema';
import { enqueue } from '@/platform/jobs';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import { MODELS } from '@/procedures/models';
import { heldProcedure } from './keep-procedure';
import '@/core/words/en/procedures';

/** Models that one draft is walked with at most. */
const MOST_MODELS = 3;

/** Has the draft walked by the jobs process. Errors: Problem (403), (404), (409) without a draft. */
export async function askWalk(context: UseCaseContext, { procedureId }: { procedureId: string }): Promise<void> {
  need(context.actor, 'bench');
  const row = await heldProcedure(context, procedureId);
  if (!row.draft) throw new Problem(say({ code: 'procedures.noDraft' }), {}, 409);
  await enqueue(context.tx, 'walkProcedure', { procedureId }, { key: `walk ${procedureId}`, attempts: 3 });
}

/**
 * Walks the draft as it is kept with models that go by it, or by what it was copied from, and keeps what it brought. One that was changed meanwhile is left for the next walk.
 * `most`: ways on each model at most; what it is when left out says walkWays.
 */
export async function walkDraft(db: Database, procedureId: string, now: Date, most?: number): Promise<void> {
  const [row] = await db.select().from(ownProcedure).where(eq(ownProcedure.id, procedureId));
  if (!row?.draft) return;
  const { draft } = row;
  const models = await modelsFor(db, draft, row.basedOn);
  const faults: WalkFault[] = [];
  let ways = 0;
  for (const model of models) {
    const walking = walkWays(draft, model, most);
    let step = walking.next();
    // A walk takes seconds: other jobs of this process go on between its ways.
    for (; !step.done; step = walking.next()) await new Promise((resolve) => setImmediate(resolve));
    ways += step.value.ways;
    for (const fault of step.value.faults)
      if (!faults.some((one) => one.code === fault.code && one.step === fault.step)) faults.push(fault);
  }
  await db
    .update(ownProcedure)
    .set({ walk: { hash: contentHash(draft), at: now.toISOString(), models: models.map((one) => one.name), ways, faults } })
    .where(and(eq(ownProcedure.id, procedureId), eq(ownProcedure.rowVersion, row.rowVersion)));
}

interface WalkModel {
  name: string;
  traits: (typeof instrumentModel.$inferSelect)['traits'];
  channels: (typeof instrumentModel.$inferSelect)['channels'];
}

/** Models of the house that go by it or by what it was copied from; where there are none, shipped ones that have its places. */
async function modelsFor(db: Database | Transaction, draft: Procedure, basedOn: string | null): Promise<WalkModel[]> {
  const rows = await db
    .select()
    .from(instrumentModel)
    .where(and(inArray(instrumentModel.procedureId, [draft.id, basedOn ?? draft.id]), isNull(instrumentModel.retiredAt)));
  const own = rows.map(({ maker, name, traits, channels }) => ({ name: `${maker} ${name}`, traits, channels }));
  const needed = draft.channels.filter((one) => !one.optional).map((one) => one.role);
  const fits = ({ channels }: WalkModel) => needed.every((role) => channels.some((one) => one.role === role));
  const shipped = MODELS.map(({ name, traits, channels }) => ({ name, traits, channels })).filter(fits);
  return (own.filter(fits).length ? own.filter(fits) : shipped).slice(0, MOST_MODELS);
}
