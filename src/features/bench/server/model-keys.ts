import Papa from 'papaparse';
import { and, asc, desc, eq } from 'drizzle-orm';
import { say } from '@/core/words/say';
import type { Transaction } from '@/data/connection';
import { instrumentModel, modelKey } from '@/data/schema';
import { recordAudit } from '@/platform/audit';
import { may } from '@/platform/permission';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import { procedureById } from '@/features/procedures/server';
import { stepPaths } from './step-paths';
import '@/core/words/en/keys';

/** How a step goes on a model: the newest version first. */
export interface ModelKey {
  version: number;
  text: string;
  /** Code or password; null for who does not work at the bench. */
  secret: string | null;
  by: string;
  on: string;
}
export type ModelKeys = Record<string, ModelKey[]>;

/** What is written on the steps of a procedure for one model, by the step's path. */
export async function keysOfModel(
  tx: Transaction,
  { modelId, procedureId, atBench }: { modelId: string; procedureId: string; atBench: boolean },
): Promise<ModelKeys> {
  const rows = await tx
    .select()
    .from(modelKey)
    .where(and(eq(modelKey.modelId, modelId), eq(modelKey.procedureId, procedureId)))
    .orderBy(desc(modelKey.version));
  const keys: ModelKeys = {};
  for (const { step, version, text, secret, writtenBy, writtenAt } of rows)
    (keys[step] ??= []).push({ version, text, secret: atBench ? secret : null, by: writtenBy, on: writtenAt.toISOString() });
  return keys;
}

/**
 * Writes how a step goes on a model, as a new version; an empty text ends it. Who wrote over a version that another had written meanwhile is told.
 * Errors: Problem (403) for who does not work at the bench, (404) for a step that the procedure has not, (409) for a version written meanwhile.
 */
export async function writeModelKey(
  context: UseCaseContext,
  input: { modelId: string; procedureId: string; step: string; after: number; text: string; secret: string },
): Promise<{ version: number }> {
  const { tx, actor, now } = context;
  if (!may(actor.role, 'bench')) throw new Problem(say({ code: 'keys.forbidden' }), {}, 403);
  const { modelId, procedureId, step, after, text, secret } = input;
  const procedure = await procedureById(tx, procedureId);
  const [model] = await tx.select().from(instrumentModel).where(eq(instrumentModel.id, modelId)).for('update');
  if (!model || !procedure || !stepPaths(procedure.steps).has(step)) throw new Problem(say({ code: 'keys.noStep' }), {}, 404);
  const [last] = await tx
    .select()
    .from(modelKey)
    .where(and(eq(modelKey.modelId, modelId), eq(modelKey.procedureId, procedureId), eq(modelKey.step, step)))
    .orderBy(desc(modelKey.version))
    .limit(1);
  if ((last?.version ?? 0) !== after)
    throw new Problem(
      say({ code: 'keys.meanwhile', numbers: { by: last!.writtenBy, text: last!.text || '—' } }),
      { text: say({ code: 'keys.meanwhile', numbers: { by: last!.writtenBy, text: last!.text || '—' } }) },
      409,
    );
  if ((last?.text ?? '') === text && (last?.secret ?? '') === secret) return { version: after };
  const version = after + 1;
  await tx.insert(modelKey).values({ modelId, procedureId, step, version, text, secret, writtenBy: actor.name, writtenAt: now });
  // A code is no matter for the audit: that it changed is.
  await recordAudit(context, 'modelKey', `${model.maker} ${model.name}, ${step}`, {
    before: last?.text ?? '',
    after: text,
    ...((last?.secret ?? '') === secret ? {} : { secret: 'changed' }),
  });
  return { version };
}

/** Every version that was written, as a table; a cell that a spreadsheet would take for a formula is kept a text. */
export async function modelKeysCsv(tx: Transaction): Promise<string> {
  const rows = await tx
    .select({ key: modelKey, maker: instrumentModel.maker, model: instrumentModel.name })
    .from(modelKey)
    .innerJoin(instrumentModel, eq(modelKey.modelId, instrumentModel.id))
    .orderBy(asc(instrumentModel.maker), asc(instrumentModel.name), asc(modelKey.step), asc(modelKey.version));
  return Papa.unparse(
    rows.map(({ key, maker, model }) => ({
      maker,
      model,
      procedure: key.procedureId,
      step: key.step,
      version: key.version,
      text: key.text,
      code: key.secret,
      by: key.writtenBy,
      at: key.writtenAt.toISOString(),
    })),
    { escapeFormulae: true },
  );
}
