import { eq } from 'drizzle-orm';
import { Attempt } from '@/core/practice/attempt';
import { hurried } from '@/core/practice/hurried';
import { exerciseOfRun } from '@/core/practice/own-exercise';
import { say } from '@/core/words/say';
import { asset, instrumentModel, practiceExercise } from '@/data/schema';
import { loadRun } from '@/features/bench/server';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import '@/core/words/en/practice';
import '@/core/words/en/practice-exercise';

/** Makes an exercise of a run that is over, without whose it was. Errors: Problem (403, 404, 409 where it can't be begun on its own). */
export async function makeExercise(
  { tx, now, actor }: UseCaseContext,
  { run, title }: { run: string; title: string },
): Promise<{ id: string }> {
  need(actor, 'bench');
  const loaded = await loadRun(tx, run);
  if (!loaded?.state.started) throw new Problem(say({ code: 'practice.noRun' }), {}, 404);
  const { state, procedure, row } = loaded;
  if (state.status === 'open') throw new Problem(say({ code: 'practice.stillOpen' }), {}, 409);
  const [model] = await tx
    .select({ maker: instrumentModel.maker, name: instrumentModel.name })
    .from(asset)
    .innerJoin(instrumentModel, eq(asset.modelId, instrumentModel.id))
    .where(eq(asset.id, row.assetId));
  const content = exerciseOfRun({ procedure, state, name: `${model!.maker} ${model!.name}` });
  try {
    // What can't be begun here is said now, not to whoever wants to practise.
    const place = {
      place: 1,
      model: { ...content.model, id: run },
      procedure: hurried(procedure),
      hidden: content.hidden,
      asFound: content.asFound,
    };
    new Attempt({ kind: 'own', seed: 0, places: [place] }, { start: now, actor: { ...actor, role: 'technician' }, id: 'try' });
  } catch (error) {
    throw new Problem(say({ code: 'practice.cannot', numbers: { why: (error as Error).message } }), {}, 409);
  }
  const [made] = await tx
    .insert(practiceExercise)
    .values({ title, procedureId: procedure.id, procedureVersion: procedure.version, content, madeAt: now, madeBy: actor.name })
    .returning({ id: practiceExercise.id });
  return { id: made!.id };
}

/** Calls an exercise otherwise; the second of two sees the first's change. Errors: Problem (403, 404, 409). */
export async function correctExercise(
  { tx, actor }: UseCaseContext,
  { id, title, seen }: { id: string; title: string; seen: string },
): Promise<void> {
  need(actor, 'bench');
  const [row] = await tx.select().from(practiceExercise).where(eq(practiceExercise.id, id)).for('update');
  if (!row || row.endedAt) throw new Problem(say({ code: 'practice.noExercise' }), {}, 404);
  if (row.title !== seen) {
    const said = say({ code: 'practice.changed', numbers: { title: row.title } });
    throw new Problem(said, { title: said }, 409);
  }
  await tx.update(practiceExercise).set({ title }).where(eq(practiceExercise.id, id));
}

/** Nobody is given it any more; what was worked stays. Errors: Problem (403, 404). */
export async function endExercise(
  { tx, now, actor }: UseCaseContext,
  { id, reason }: { id: string; reason: string },
): Promise<void> {
  need(actor, 'bench');
  const [row] = await tx.select().from(practiceExercise).where(eq(practiceExercise.id, id)).for('update');
  if (!row || row.endedAt) throw new Problem(say({ code: 'practice.noExercise' }), {}, 404);
  await tx
    .update(practiceExercise)
    .set({ endedAt: now, endedBy: actor.name, endedWhy: reason })
    .where(eq(practiceExercise.id, id));
}
