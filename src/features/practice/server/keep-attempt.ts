import { differenceInMilliseconds, parseISO } from 'date-fns';
import { ValidationError } from 'yup';
import { parseActs } from '@/core/practice/act-schema';
import { Attempt } from '@/core/practice/attempt';
import { debrief } from '@/core/practice/debrief';
import { EXERCISE_VERSION } from '@/core/practice/exercise';
import { scoreOf } from '@/core/practice/score';
import { say } from '@/core/words/say';
import { practiceAttempt } from '@/data/schema';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import type { KeepAttemptInput } from '../schemas';
import { exerciseFor } from './exercise-for';
import '@/core/words/en/practice-exercise';

/** A browser's clock may be so far from the house's, ms. */
const CLOCKS_APART = 10 * 60_000;

/**
 * Keeps an exercise that was worked: everything that was done is done again here, on the same instruments with the same faults, and scored from what comes of it. What the browser believes it was worth is never asked.
 * Errors: Problem (403, 404, 409 beside what is wrong).
 */
export async function keepAttempt(
  { tx, now, actor }: UseCaseContext,
  given: KeepAttemptInput,
): Promise<{ id: string; points: number | null }> {
  need(actor, 'bench');
  const asked = await exerciseFor(tx, given);
  if (!asked) throw new Problem(say({ code: 'practice.noExercise' }), {}, 404);
  const start = parseISO(given.began);
  let acts;
  try {
    acts = parseActs(given.acts);
  } catch (error) {
    if (error instanceof ValidationError) throw new Problem(say({ code: 'practice.badActs' }), { acts: error.message }, 409);
    throw error;
  }
  const last = acts.at(-1)?.at ?? 0;
  if (differenceInMilliseconds(now, start) + CLOCKS_APART < last) throw new Problem(say({ code: 'practice.ahead' }), {}, 409);
  const attempt = new Attempt(asked.exercise, { start, actor, id: `${actor.id}-${given.seed}` });
  const places = new Set(attempt.places.map((one) => one.of.place));
  if (acts.some((one) => !places.has(one.place))) throw new Problem(say({ code: 'practice.badActs' }), {}, 409);
  acts.forEach((act) => attempt.act(act));
  const score = scoreOf(attempt);
  const [row] = await tx
    .insert(practiceAttempt)
    .values({
      person: actor.id,
      kind: given.kind,
      version: EXERCISE_VERSION,
      seed: given.seed,
      exerciseId: asked.exerciseId,
      procedureId: asked.procedure.id,
      procedureVersion: asked.procedure.version,
      title: asked.title,
      beganAt: start,
      endedAt: now,
      points: score.points,
      seconds: score.seconds.own.toFixed(1),
      masterSeconds: score.seconds.master.toFixed(1),
      litres: score.litres.own.toFixed(3),
      masterLitres: score.litres.master.toFixed(3),
      findings: score.findings,
      debrief: debrief(attempt, score),
      hidden: asked.exercise.places.flatMap((one) => one.hidden),
    })
    .returning({ id: practiceAttempt.id });
  return { id: row!.id, points: score.points };
}
