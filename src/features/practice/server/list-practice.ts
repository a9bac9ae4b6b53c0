import { and, asc, count, desc, eq, isNotNull, isNull, lt, or } from 'drizzle-orm';
import Papa from 'papaparse';
import type { Transaction } from '@/data/connection';
import { instrumentModel, practiceAttempt, practiceExercise, user } from '@/data/schema';
import { proceduresById } from '@/features/procedures/server';

const PAGE = 30;
const line = {
  id: practiceAttempt.id,
  person: user.name,
  kind: practiceAttempt.kind,
  title: practiceAttempt.title,
  procedure: practiceAttempt.procedureId,
  endedAt: practiceAttempt.endedAt,
  points: practiceAttempt.points,
  seconds: practiceAttempt.seconds,
};
export type AttemptLine = Awaited<ReturnType<typeof listAttempts>>['rows'][number];

/** Exercises that were worked, newest first, paged by key: of one person where asked. */
export async function listAttempts(
  tx: Transaction,
  { person, before }: { person?: string | undefined; before?: string | undefined },
) {
  const [from] = before
    ? await tx
        .select({ at: practiceAttempt.endedAt, id: practiceAttempt.id })
        .from(practiceAttempt)
        .where(eq(practiceAttempt.id, before))
    : [];
  const rows = await tx
    .select(line)
    .from(practiceAttempt)
    .innerJoin(user, eq(user.id, practiceAttempt.person))
    .where(
      and(
        person ? eq(practiceAttempt.person, person) : undefined,
        from
          ? or(lt(practiceAttempt.endedAt, from.at), and(eq(practiceAttempt.endedAt, from.at), lt(practiceAttempt.id, from.id)))
          : undefined,
      ),
    )
    .orderBy(desc(practiceAttempt.endedAt), desc(practiceAttempt.id))
    .limit(PAGE + 1);
  return { rows: rows.slice(0, PAGE), next: rows.length > PAGE ? rows[PAGE - 1]!.id : null };
}

/** One of them with its debrief; null where there is none. */
export async function attemptPage(tx: Transaction, id: string) {
  const [row] = await tx
    .select({ one: practiceAttempt, person: user.name })
    .from(practiceAttempt)
    .innerJoin(user, eq(user.id, practiceAttempt.person))
    .where(eq(practiceAttempt.id, id));
  return row ?? null;
}
export type AttemptPage = NonNullable<Awaited<ReturnType<typeof attemptPage>>>;

/** All of them as a table. */
export async function attemptsCsv(tx: Transaction): Promise<string> {
  const rows = await tx
    .select({ ...line, masterSeconds: practiceAttempt.masterSeconds, litres: practiceAttempt.litres })
    .from(practiceAttempt)
    .innerJoin(user, eq(user.id, practiceAttempt.person))
    .orderBy(desc(practiceAttempt.endedAt), desc(practiceAttempt.id));
  return Papa.unparse(
    {
      fields: ['person', 'exercise', 'on', 'procedure', 'ended_at', 'points', 'seconds', 'master_seconds', 'litres'],
      data: rows.map((one) => [
        one.person,
        one.kind,
        one.title,
        one.procedure,
        one.endedAt.toISOString(),
        one.points ?? '',
        one.seconds,
        one.masterSeconds,
        one.litres,
      ]),
    },
    { escapeFormulae: true },
  );
}

/** Models that can be practised on: those in use that go by a procedure, by its title. */
export async function modelsToPractise(tx: Transaction): Promise<{ id: string; name: string; procedure: string }[]> {
  const titles = await proceduresById(tx);
  const rows = await tx
    .select({
      id: instrumentModel.id,
      maker: instrumentModel.maker,
      name: instrumentModel.name,
      procedureId: instrumentModel.procedureId,
    })
    .from(instrumentModel)
    .where(and(isNull(instrumentModel.retiredAt), isNotNull(instrumentModel.procedureId)))
    .orderBy(asc(instrumentModel.maker), asc(instrumentModel.name));
  return rows.flatMap(({ id, maker, name, procedureId }) => {
    const found = titles.get(procedureId!);
    return found ? [{ id, name: `${maker} ${name}`, procedure: found.title }] : [];
  });
}

/** Exercises that were made of runs, those in use first, with how often each was worked. */
export const listExercises = (tx: Transaction) =>
  tx
    .select({
      id: practiceExercise.id,
      title: practiceExercise.title,
      madeBy: practiceExercise.madeBy,
      madeAt: practiceExercise.madeAt,
      endedWhy: practiceExercise.endedWhy,
      worked: count(practiceAttempt.id),
    })
    .from(practiceExercise)
    .leftJoin(practiceAttempt, eq(practiceAttempt.exerciseId, practiceExercise.id))
    .groupBy(practiceExercise.id)
    .orderBy(desc(isNull(practiceExercise.endedAt)), desc(practiceExercise.madeAt), practiceExercise.id);
export type ExerciseLine = Awaited<ReturnType<typeof listExercises>>[number];
