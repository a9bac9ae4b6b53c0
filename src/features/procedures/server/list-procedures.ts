import { asc, sql } from 'drizzle-orm';
import { blankSheet } from '@/core/paper/blank-sheet';
import { schoolsOf } from '@/core/procedure/schools-of';
import type { Transaction } from '@/data/connection';
import { instrumentModel } from '@/data/schema';
import { PROCEDURES, shippedProcedure } from '@/procedures';

/** Every procedure, with how many models go through it. */
export async function listProcedures(tx: Transaction) {
  const counted = await tx
    .select({ id: instrumentModel.procedureId, n: sql<number>`count(*)::int` })
    .from(instrumentModel)
    .where(sql`${instrumentModel.retiredAt} is null`)
    .groupBy(instrumentModel.procedureId);
  return PROCEDURES.map(({ id, version, title, scope }) => ({
    id,
    version,
    title,
    scope,
    models: counted.find((one) => one.id === id)?.n ?? 0,
  }));
}

/** One procedure with the models that go through it, and its steps as the first of them has them. Null where there is none. */
export async function procedurePage(tx: Transaction, id: string) {
  const procedure = shippedProcedure(id);
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

/** A procedure as a file; null where there is none. */
export function procedureJson(id: string): string | null {
  const procedure = shippedProcedure(id);
  return procedure ? JSON.stringify({ schema: 'werkbank-procedure/1', procedure }, null, 2) : null;
}
