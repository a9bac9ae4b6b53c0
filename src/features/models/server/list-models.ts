import { asc, eq, isNotNull, sql } from 'drizzle-orm';
import type { ModelChannel } from '@/core/stored/channel';
import type { Transaction } from '@/data/connection';
import { asset, changeLog, instrumentModel, ownProcedure } from '@/data/schema';
import { isId } from '@/platform/shape';
import { proceduresById, procedureById } from '@/features/procedures/server';

type Model = typeof instrumentModel.$inferSelect;

/** Orders of the list, the usual one first. */
export const MODEL_SORTS = ['name', 'kind', 'used'] as const;
export type ModelSort = (typeof MODEL_SORTS)[number];

/** Models in one of three orders, with how many instruments are on record. A workshop has some hundreds at most. */
export async function modelsInRoom(
  tx: Transaction,
  {
    q = '',
    retired = false,
    sort = 'name',
    down = false,
  }: { q?: string | undefined; retired?: boolean; sort?: ModelSort; down?: boolean },
) {
  const words = q.trim().toLowerCase().split(/\s+/).filter(Boolean);
  const rows = await tx
    .select({
      model: instrumentModel,
      instruments: sql<number>`(select count(*)::int from asset a where a.model_id = instrument_model.id)`,
    })
    .from(instrumentModel)
    .orderBy(asc(sql`lower(${instrumentModel.maker})`), asc(sql`lower(${instrumentModel.name})`));
  const procedures = await proceduresById(tx);
  const found = rows
    .filter(({ model }) => retired || !model.retiredAt)
    .filter(({ model }) => words.every((word) => `${model.maker} ${model.name} ${model.kind}`.toLowerCase().includes(word)))
    .map(({ model, instruments }) => ({ ...model, instruments, procedure: titleOf(procedures, model.procedureId) }));
  // By name they come as they are; the rest is put in order here, there are some hundreds at most.
  if (sort === 'kind') found.sort((a, b) => a.kind.localeCompare(b.kind));
  if (sort === 'used') found.sort((a, b) => a.instruments - b.instruments);
  return down ? found.reverse() : found;
}

const titleOf = (procedures: ReadonlyMap<string, { title: string }>, id: string | null): string =>
  id ? (procedures.get(id)?.title ?? id) : '—';

/** A model with the procedures that it could go by and their places, and a channel for each place as another model has it. Null where there is none. */
export async function modelPage(tx: Transaction, id: string) {
  if (!isId(id)) return null;
  const [model] = await tx.select().from(instrumentModel).where(eq(instrumentModel.id, id));
  if (!model) return null;
  const procedure = await procedureById(tx, model.procedureId);
  const others = await tx.select().from(instrumentModel);
  const [{ instruments } = { instruments: 0 }] = await tx
    .select({ instruments: sql<number>`count(*)::int` })
    .from(asset)
    .where(eq(asset.modelId, id));
  const history = await tx
    .select()
    .from(changeLog)
    .where(sql`${changeLog.tableName} = 'instrument_model' and ${changeLog.rowKey} = ${id} and ${changeLog.kind} <> 'there'`)
    .orderBy(sql`${changeLog.id} desc`)
    .limit(10);
  const ended = await tx.select({ id: ownProcedure.id }).from(ownProcedure).where(isNotNull(ownProcedure.retiredAt));
  const procedures = [...(await proceduresById(tx)).values()]
    .filter(({ id }) => id === model.procedureId || !ended.some((one) => one.id === id))
    .map(({ id: procedureId, title, channels }) => ({
      id: procedureId,
      title,
      places: channels.map(({ role, label, measurands, optional = false }) => ({
        role,
        label,
        measurands,
        optional,
        like: likeOf(others, model, role),
      })),
    }));
  return { model, procedure: procedure ? { id: procedure.id, title: procedure.title } : null, procedures, instruments, history };
}

/** The channel of a place as a model of the same procedure has it, else any model. */
function likeOf(others: Model[], model: Model, role: string): ModelChannel | null {
  const near = [...others].sort(
    (a, b) => Number(b.procedureId === model.procedureId) - Number(a.procedureId === model.procedureId),
  );
  for (const other of near) {
    const channel = other.channels.find((one) => one.role === role);
    if (channel) return channel;
  }
  return null;
}

/** All models as they are kept: what another house, or this one, can read. */
export async function modelsJson(tx: Transaction): Promise<string> {
  const rows = await tx.select().from(instrumentModel).orderBy(asc(instrumentModel.maker), asc(instrumentModel.name));
  const models = rows.map(({ maker, name, kind, procedureId, traits, channels, notes, retiredAt }) => ({
    maker,
    name,
    kind,
    procedureId,
    traits,
    channels,
    notes,
    retired: retiredAt?.toISOString() ?? null,
  }));
  return JSON.stringify(
    {
      schema: 'werkbank-models/1',
      procedures: [...(await proceduresById(tx)).values()].map(({ id, title }) => ({ id, title })),
      models,
    },
    null,
    2,
  );
}
