import { desc, eq } from 'drizzle-orm';
import { readOwnProcedure } from '@/core/stored/own-procedure';
import type { Procedure } from '@/core/procedure/procedure';
import { say } from '@/core/words/say';
import { ownProcedure, ownProcedureVersion } from '@/data/schema';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import { shippedProcedure } from '@/procedures';
import { procedureById } from './procedure-by-id';
import '@/core/words/en/procedures';

export async function heldProcedure({ tx }: Pick<UseCaseContext, 'tx'>, id: string) {
  const [row] = await tx.select().from(ownProcedure).where(eq(ownProcedure.id, id)).for('update');
  if (!row) throw new Problem(say({ code: 'procedures.unknown' }), {}, 404);
  return row;
}

/** The number that the next release will have. */
export async function nextVersion({ tx }: Pick<UseCaseContext, 'tx'>, id: string): Promise<number> {
  const [last] = await tx
    .select({ version: ownProcedureVersion.version })
    .from(ownProcedureVersion)
    .where(eq(ownProcedureVersion.procedureId, id))
    .orderBy(desc(ownProcedureVersion.version))
    .limit(1);
  return (last?.version ?? 0) + 1;
}

const slug = (title: string) =>
  title
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 40) || 'procedure';

async function freeId(context: UseCaseContext, title: string): Promise<string> {
  const base = `own-${slug(title)}`;
  for (let n = 1; ; n += 1) {
    const id = n === 1 ? base : `${base}-${n}`;
    const [taken] = await context.tx.select({ id: ownProcedure.id }).from(ownProcedure).where(eq(ownProcedure.id, id));
    if (!taken && !shippedProcedure(id)) return id;
  }
}

async function make(
  context: UseCaseContext,
  title: string,
  document: Procedure,
  basedOn: Procedure | null,
): Promise<{ id: string }> {
  const id = await freeId(context, title);
  await context.tx.insert(ownProcedure).values({
    id,
    title,
    draft: { ...document, id, title, version: 1 },
    ...(basedOn ? { basedOn: basedOn.id, basedDocument: basedOn } : {}),
    createdBy: context.actor.name,
    createdAt: context.now,
  });
  return { id };
}

/** A copy to work on, of a shipped procedure or of one's own. Errors: Problem (403), (404). */
export async function copyProcedure(context: UseCaseContext, { procedureId, title }: { procedureId: string; title: string }) {
  need(context.actor, 'bench');
  const from = await procedureById(context.tx, procedureId);
  if (!from) throw new Problem(say({ code: 'procedures.unknown' }), {}, 404);
  return make(context, title, from, shippedProcedure(from.id) ?? null);
}

/** A procedure of a file, as a draft. Errors: Problem (403); (400) naming the part that doesn't fit. */
export async function takeProcedure(context: UseCaseContext, { procedure }: { procedure: unknown }): Promise<{ id: string }> {
  need(context.actor, 'bench');
  const read = readable(procedure);
  const shipped = shippedProcedure(read.id);
  return make(context, read.title, read, shipped ?? null);
}

function readable(given: unknown): Procedure {
  try {
    return readOwnProcedure(given);
  } catch (error) {
    const sentence = say({ code: 'procedures.unreadable', numbers: { what: (error as Error).message } });
    throw new Problem(sentence, { procedure: sentence });
  }
}

/** Keeps what was worked on. Its name, number and title stay in step. Errors: Problem (403), (404); (400) naming the part; (409) where somebody else kept another since. */
export async function keepDraft(
  context: UseCaseContext,
  { procedureId, rowVersion, draft }: { procedureId: string; rowVersion: number; draft: unknown },
): Promise<{ rowVersion: number }> {
  need(context.actor, 'bench');
  const read = readable(draft);
  const row = await heldProcedure(context, procedureId);
  if (row.rowVersion !== rowVersion)
    throw new Problem(say({ code: 'procedures.meanwhile' }), {}, 409, { code: 'changedMeanwhile' });
  const next = rowVersion + 1;
  await context.tx
    .update(ownProcedure)
    .set({
      title: read.title,
      draft: { ...read, id: procedureId, version: await nextVersion(context, procedureId) },
      rowVersion: next,
      walk: null,
    })
    .where(eq(ownProcedure.id, procedureId));
  return { rowVersion: next };
}

/** Takes the released version up again as a draft. Errors: Problem (403), (404), (409). */
export async function reviseProcedure(context: UseCaseContext, { procedureId }: { procedureId: string }): Promise<void> {
  need(context.actor, 'bench');
  const row = await heldProcedure(context, procedureId);
  if (row.draft) throw new Problem(say({ code: 'procedures.draftThere' }), {}, 409);
  const released = await procedureById(context.tx, procedureId);
  if (!released) throw new Problem(say({ code: 'procedures.unknown' }), {}, 404);
  await context.tx
    .update(ownProcedure)
    .set({ draft: { ...released, version: released.version + 1 }, walk: null, rowVersion: row.rowVersion + 1 })
    .where(eq(ownProcedure.id, procedureId));
}

/** Offered to models no more, or again; versions and runs stay. Errors: Problem (403), (404), (409). */
export async function endProcedure(
  context: UseCaseContext,
  { procedureId, why, back }: { procedureId: string; why: string; back: boolean },
): Promise<void> {
  need(context.actor, 'bench');
  const row = await heldProcedure(context, procedureId);
  if (back === (row.retiredAt === null)) throw new Problem(say({ code: 'procedures.already' }), {}, 409);
  await context.tx
    .update(ownProcedure)
    .set({ retiredAt: back ? null : context.now, retiredWhy: back ? '' : why, rowVersion: row.rowVersion + 1 })
    .where(eq(ownProcedure.id, procedureId));
}
