import { and, asc, eq, inArray, isNull, sql } from 'drizzle-orm';
import { blankSheet } from '@/core/paper/blank-sheet';
import { schoolsOf } from '@/core/procedure/schools-of';
import type { Transaction } from '@/data/connection';
import { instrumentModel, ownProcedure } from '@/data/schema';
import { shippedProcedure } from '@/procedures';
import { procedureById, proceduresById } from './procedure-by-id';

/** Every procedure, with how many models go through it. */
export async function listProcedures(tx: Transaction) {
  const counted = await tx
    .select({ id: instrumentModel.procedureId, n: sql<number>`count(*)::int` })
    .from(instrumentModel)
    .where(sql`${instrumentModel.retiredAt} is null`)
    .groupBy(instrumentModel.procedureId);
  const own = await tx.select().from(ownProcedure).orderBy(asc(ownProcedure.title));
  const all = await proceduresById(tx);
  const drafts = own.flatMap((one) => (all.has(one.id) || !one.draft ? [] : [one.draft]));
  return [...drafts, ...all.values()].map(({ id, version, title, scope }) => {
    const row = own.find((one) => one.id === id);
    return {
      id,
      version,
      title,
      scope,
      own: row !== undefined,
      draft: row?.draft !== null && row?.draft !== undefined,
      ended: row?.retiredAt ? row.retiredWhy : null,
      models: counted.find((one) => one.id === id)?.n ?? 0,
    };
  });
}

/** One procedure, as it is in force or else as its draft, with the models that go through it, and its steps as the first of them has them. Null where there is none. */
export async function procedurePage(tx: Transaction, id: string) {
  const procedure = (await procedureById(tx, id)) ?? (await draftOf(tx, id));
  if (!procedure) return null;
  const models = await tx
    .select()
    .from(instrumentModel)
    .where(sql`${instrumentModel.procedureId} = ${id} and ${instrumentModel.retiredAt} is null`)
    .orderBy(asc(instrumentModel.maker), asc(instrumentModel.name));
  const [first] = models;
  const channels = first?.channels ?? procedure.channels.map(({ role, label }) => ({ role, label, unit: '' }));
  const traits = first?.traits ?? {};
  return {
    procedure,
    models: models.map((one) => ({ id: one.id, name: `${one.maker} ${one.name}` })),
    steps: blankSheet({ procedure, channels, traits, schools: schoolsOf(procedure, traits), service: 'calibrate' }),
  };
}

/** The draft of an own procedure, if it has one. */
export async function draftOf(tx: Transaction, id: string) {
  const [row] = await tx.select({ draft: ownProcedure.draft }).from(ownProcedure).where(eq(ownProcedure.id, id));
  return row?.draft ?? undefined;
}

/** A procedure as a file, as it is in force or else as its draft; null where there is none. */
export async function procedureJson(tx: Transaction, id: string): Promise<string | null> {
  const procedure = shippedProcedure(id) ?? (await procedureById(tx, id)) ?? (await draftOf(tx, id));
  return procedure ? JSON.stringify({ schema: 'werkbank-procedure/1', procedure }, null, 2) : null;
}

/** The models on which a draft can be tried: those that go by it already, else by what it was copied from. */
export async function modelsToTry(tx: Transaction, { id, basedOn }: { id: string; basedOn: string | null }) {
  const models = await tx
    .select({
      id: instrumentModel.id,
      maker: instrumentModel.maker,
      name: instrumentModel.name,
      goesBy: instrumentModel.procedureId,
    })
    .from(instrumentModel)
    .where(and(inArray(instrumentModel.procedureId, [id, ...(basedOn ? [basedOn] : [])]), isNull(instrumentModel.retiredAt)))
    .orderBy(asc(instrumentModel.maker), asc(instrumentModel.name));
  const own = models.filter((one) => one.goesBy === id);
  return own.length ? own : models;
}
