import { eq } from 'drizzle-orm';
import { modelProblems } from '@/core/stored/model-problems';
import { say } from '@/core/words/say';
import { violatedUnique } from '@/data/database-problem';
import { instrumentModel } from '@/data/schema';
import { may } from '@/platform/permission';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import { procedureById } from '@/features/procedures/server';
import type { ModelChange, ModelInput } from '../model-schema';
import '@/core/words/en/models';

function requireKeeper({ actor }: UseCaseContext): void {
  if (!may(actor.role, 'bench')) throw new Problem(say({ code: 'model.forbidden' }), {}, 403);
}

async function held({ tx }: UseCaseContext, id: string) {
  const [row] = await tx.select().from(instrumentModel).where(eq(instrumentModel.id, id)).for('update');
  if (!row) throw new Problem(say({ code: 'model.unknown' }), {}, 404);
  return row;
}

/** Errors: Problem with a sentence for each field that does not fit. */
async function requireFit({ tx }: UseCaseContext, { traits, channels, procedureId }: ModelInput): Promise<void> {
  const procedure = await procedureById(tx, procedureId);
  if (!procedure) {
    const sentence = say({ code: 'model.noProcedure' });
    throw new Problem(sentence, { procedureId: sentence });
  }
  const problems = modelProblems({ traits, channels, procedure });
  if (problems.length === 0) return;
  // The first of a field is what is put right first.
  const fields: Record<string, string> = {};
  for (const { field, code, numbers } of problems) fields[field] ??= say({ code, ...(numbers ? { numbers } : {}) });
  throw new Problem(say({ code: 'model.misfit' }), fields);
}

async function taken<T>(write: () => Promise<T>): Promise<T> {
  try {
    return await write();
  } catch (error) {
    if (violatedUnique(error) !== 'instrument_model_name') throw error;
    const sentence = say({ code: 'model.taken' });
    throw new Problem(sentence, { name: sentence }, 409);
  }
}

/** A new model; it may be received at once. Errors: Problem (403); (400) with what does not fit at each field; (409) for a name that is taken. */
export async function createModel(context: UseCaseContext, input: ModelInput): Promise<{ id: string }> {
  requireKeeper(context);
  await requireFit(context, input);
  const [row] = await taken(() => context.tx.insert(instrumentModel).values(input).returning({ id: instrumentModel.id }));
  return row!;
}

/** Changes a model for instruments made from then on. Errors: Problem (403), (404); (400) with what does not fit; (409) for a name that is taken, or where somebody else changed it since. */
export async function changeModel(
  context: UseCaseContext,
  { modelId, version, ...input }: ModelChange,
): Promise<{ version: number }> {
  requireKeeper(context);
  await requireFit(context, input);
  const row = await held(context, modelId);
  if (row.version !== version) throw new Problem(say({ code: 'model.meanwhile' }), {}, 409, { code: 'changedMeanwhile' });
  const next = version + 1;
  await taken(() =>
    context.tx
      .update(instrumentModel)
      .set({ ...input, version: next })
      .where(eq(instrumentModel.id, modelId)),
  );
  return { version: next };
}

interface End {
  modelId: string;
  why: string;
}

/** Offered no more for new instruments. Errors: Problem (403), (404), (409). */
export async function retireModel(context: UseCaseContext, { modelId, why }: End): Promise<void> {
  requireKeeper(context);
  const row = await held(context, modelId);
  if (row.retiredAt) throw new Problem(say({ code: 'model.alreadyRetired' }), {}, 409);
  await context.tx
    .update(instrumentModel)
    .set({ retiredAt: context.now, retiredWhy: why, version: row.version + 1 })
    .where(eq(instrumentModel.id, modelId));
}

/** Offered again. Errors: Problem (403), (404), (409). */
export async function takeBackModel(context: UseCaseContext, { modelId }: End): Promise<void> {
  requireKeeper(context);
  const row = await held(context, modelId);
  if (!row.retiredAt) throw new Problem(say({ code: 'model.notRetired' }), {}, 409);
  await context.tx
    .update(instrumentModel)
    .set({ retiredAt: null, retiredWhy: '', version: row.version + 1 })
    .where(eq(instrumentModel.id, modelId));
}
