import { and, eq, isNull, max } from 'drizzle-orm';
import type { Procedure } from '@/core/procedure/procedure';
import type { Transaction } from '@/data/connection';
import { ownProcedureVersion, procedureRecall, procedureVersion } from '@/data/schema';
import { PROCEDURES, shippedProcedure } from '@/procedures';

// A released version never changes, and reading one to its last part takes a while: each is read once.
const read = new Map<string, Procedure>();

async function released(tx: Transaction, id: string, version: number): Promise<Procedure> {
  const key = `${id}@${version}`;
  const known = read.get(key);
  if (known) return known;
  const [row] = await tx
    .select({ document: ownProcedureVersion.document, hash: ownProcedureVersion.hash })
    .from(ownProcedureVersion)
    .where(and(eq(ownProcedureVersion.procedureId, id), eq(ownProcedureVersion.version, version)));
  read.set(key, row!.document);
  return row!.document;
}

/** Every procedure that a model can go by, by its id: the shipped ones, and the newest released version of each of one's own. */
export async function proceduresById(tx: Transaction): Promise<Map<string, Procedure>> {
  const own = await tx
    .select({ id: ownProcedureVersion.procedureId, version: max(ownProcedureVersion.version) })
    .from(ownProcedureVersion)
    .groupBy(ownProcedureVersion.procedureId);
  const all = new Map(PROCEDURES.map((one) => [one.id, one]));
  for (const { id, version } of own) all.set(id, await released(tx, id, version!));
  return all;
}

/** The procedure that a run would be begun by now: the shipped one, or the newest released version of one's own. Undefined where there is none. */
export async function procedureById(tx: Transaction, id: string | null): Promise<Procedure | undefined> {
  if (id === null) return undefined;
  const shipped = shippedProcedure(id);
  if (shipped) return shipped;
  const [own] = await tx
    .select({ version: max(ownProcedureVersion.version) })
    .from(ownProcedureVersion)
    .where(eq(ownProcedureVersion.procedureId, id));
  return own?.version ? released(tx, id, own.version) : undefined;
}

/** A procedure as a run was worked by it: frozen when the first was begun. Undefined where none was. */
export async function procedureOfVersion(
  tx: Transaction,
  { id, version }: { id: string; version: number },
): Promise<Procedure | undefined> {
  const [row] = await tx
    .select({ document: procedureVersion.document })
    .from(procedureVersion)
    .where(and(eq(procedureVersion.id, id), eq(procedureVersion.version, version)));
  return row?.document;
}

/** Why no run may be begun by a version; null where one may. */
export async function recallOf(
  tx: Transaction,
  { id, version }: { id: string; version: number },
): Promise<{ why: string; by: string } | null> {
  const [recall] = await tx
    .select({ why: procedureRecall.why, by: procedureRecall.recalledBy })
    .from(procedureRecall)
    .where(and(eq(procedureRecall.procedureId, id), eq(procedureRecall.version, version), isNull(procedureRecall.liftedAt)))
    .limit(1);
  return recall ?? null;
}
