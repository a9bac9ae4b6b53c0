import * as yup from 'yup';
import { EXERCISE_KINDS } from '@/core/practice/exercise';
import { say } from '@/core/words/say';
import '@/core/words/en/practice-exercise';

/** More instruments than hands can serve teach nothing. */
export const MOST_PLACES = 4;
const asked = {
  kind: yup.string().oneOf(EXERCISE_KINDS).required(),
  seed: yup.number().integer().min(0).max(1_000_000_000).required(),
  models: yup.array(yup.string().uuid().required()).max(MOST_PLACES).default([]),
  own: yup.string().uuid().optional(),
};
export const keepAttemptSchema = yup.object({
  ...asked,
  began: yup.string().datetime().required(),
  acts: yup.array().required(),
});
export type KeepAttemptInput = yup.InferType<typeof keepAttemptSchema>;
const title = () =>
  yup
    .string()
    .trim()
    .required(say({ code: 'practice.titleNeeded' }))
    .max(120);
export const makeExerciseSchema = yup.object({ run: yup.string().uuid().required(), title: title() });
export const correctExerciseSchema = yup.object({
  id: yup.string().uuid().required(),
  title: title(),
  seen: yup.string().defined(),
});
export const endExerciseSchema = yup.object({
  id: yup.string().uuid().required(),
  reason: yup
    .string()
    .trim()
    .required(say({ code: 'practice.whyNeeded' }))
    .max(300),
});
