import { inArray, eq } from 'drizzle-orm';
import { drawExercise, type Exercise, type ExerciseKind } from '@/core/practice/exercise';
import { hurried } from '@/core/practice/hurried';
import type { Transaction } from '@/data/connection';
import { instrumentModel, practiceExercise } from '@/data/schema';
import { procedureById, procedureOfVersion } from '@/features/procedures/server';
import { MOST_PLACES } from '../schemas';

export interface ExerciseAsked {
  kind: ExerciseKind;
  seed: number;
  models: readonly string[];
  own?: string | undefined;
}
export interface ExerciseGiven {
  exercise: Exercise;
  title: string;
  procedure: { id: string; version: number };
  exerciseId: string | null;
}
/** Instruments of a busy bench where one model was chosen. */
const SO_MANY_ALIKE = 3;

/** An exercise as it was asked for; null where its model, procedure or run is not there. The same question draws the same exercise. */
export async function exerciseFor(tx: Transaction, { kind, seed, models, own }: ExerciseAsked): Promise<ExerciseGiven | null> {
  if (kind === 'own') return own ? ownExercise(tx, own, seed) : null;
  const rows = models.length
    ? await tx
        .select()
        .from(instrumentModel)
        .where(inArray(instrumentModel.id, [...models]))
    : [];
  const chosen = models.flatMap((id) => rows.filter((one) => one.id === id));
  const on = [];
  for (const { id, maker, name, traits, channels, procedureId } of chosen) {
    const procedure = await procedureById(tx, procedureId);
    if (!procedure) return null;
    on.push({ model: { id, name: `${maker} ${name}`, traits, channels }, procedure: hurried(procedure) });
  }
  const [first] = on;
  if (!first) return null;
  const bench =
    kind === 'busyBench' && on.length === 1 ? Array.from({ length: SO_MANY_ALIKE }, () => first) : on.slice(0, MOST_PLACES);
  const { id, version } = first.procedure;
  return {
    exercise: drawExercise({ kind, seed, on: bench }),
    title: [...new Set(bench.map((one) => one.model.name))].join(', '),
    procedure: { id, version },
    exerciseId: null,
  };
}

async function ownExercise(tx: Transaction, id: string, seed: number): Promise<ExerciseGiven | null> {
  const [row] = await tx.select().from(practiceExercise).where(eq(practiceExercise.id, id));
  if (!row || row.endedAt) return null;
  const { content, title } = row;
  const procedure = await procedureOfVersion(tx, content.procedure);
  if (!procedure) return null;
  const model = { ...content.model, id: row.id };
  return {
    exercise: {
      kind: 'own',
      seed,
      places: [{ place: 1, model, procedure: hurried(procedure), hidden: content.hidden, asFound: content.asFound }],
    },
    title,
    procedure: content.procedure,
    exerciseId: row.id,
  };
}
