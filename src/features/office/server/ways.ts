import { asc, eq } from 'drizzle-orm';
import type { School } from '@/core/procedure/procedure';
import { schoolsOf, withSchool } from '@/core/procedure/schools-of';
import type { Transaction } from '@/data/connection';
import { instrumentModel } from '@/data/schema';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import { procedureById, proceduresById } from '@/features/procedures/server';

export interface ModelWays {
  modelId: string;
  model: string;
  procedure: string;
  /** Each question with the answer that holds for this model. */
  questions: { school: School; chosen: string }[];
}

/** The models whose procedure knows more than one way of doing something, and which way each goes. */
export async function listWays(tx: Transaction): Promise<ModelWays[]> {
  const models = await tx.select().from(instrumentModel).orderBy(asc(instrumentModel.maker), asc(instrumentModel.name));
  const procedures = await proceduresById(tx);
  return models.flatMap((model) => {
    const procedure = procedures.get(model.procedureId ?? '');
    if (!procedure?.schools?.length) return [];
    const chosen = schoolsOf(procedure, model.traits);
    return [
      {
        modelId: model.id,
        model: `${model.maker} ${model.name}`,
        procedure: procedure.title,
        questions: procedure.schools.map((school) => ({ school, chosen: chosen[school.id]! })),
      },
    ];
  });
}

/** Chooses the way for a model. Runs that are begun keep the one that they were begun with. */
export async function chooseWay(
  { tx, actor }: UseCaseContext,
  { modelId, school, option }: { modelId: string; school: string; option: string },
): Promise<void> {
  need(actor, 'office');
  const [model] = await tx.select().from(instrumentModel).where(eq(instrumentModel.id, modelId)).for('update');
  const procedure = await procedureById(tx, model?.procedureId ?? null);
  const asked = procedure?.schools?.find((one) => one.id === school);
  if (!model || !asked) throw new Problem('This model’s procedure does not ask that.', {}, 404);
  if (!asked.options.some((one) => one.id === option))
    throw new Problem('Choose one of the answers.', { option: 'Not one of the answers.' }, 400);
  await tx
    .update(instrumentModel)
    .set({ traits: withSchool(model.traits, asked, option) })
    .where(eq(instrumentModel.id, modelId));
}
