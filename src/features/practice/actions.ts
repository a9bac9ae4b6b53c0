'use server';
import { action } from '@/platform/action';
import { correctExerciseSchema, endExerciseSchema, keepAttemptSchema, makeExerciseSchema } from './schemas';
import { keepAttempt } from './server/keep-attempt';
import { correctExercise, endExercise, makeExercise } from './server/make-exercise';

export const keepAttemptAction = action(
  {
    name: 'keepAttempt',
    permission: 'bench',
    schema: keepAttemptSchema,
    audit: ({ kind, models, own, seed }) => `${kind} ${own ?? models?.join(' ') ?? ''} ${seed}`,
  },
  keepAttempt,
);
export const makeExerciseAction = action(
  { name: 'makeExercise', permission: 'bench', schema: makeExerciseSchema, audit: ({ run, title }) => `${run}: ${title}` },
  makeExercise,
);
export const correctExerciseAction = action(
  {
    name: 'correctExercise',
    permission: 'bench',
    schema: correctExerciseSchema,
    audit: ({ id, seen, title }) => `${id}: ${seen} → ${title}`,
  },
  correctExercise,
);
export const endExerciseAction = action(
  { name: 'endExercise', permission: 'bench', schema: endExerciseSchema, audit: ({ id, reason }) => `${id}: ${reason}` },
  endExercise,
);
