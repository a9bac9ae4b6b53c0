export { exerciseFor } from './server/exercise-for';
export { keepAttempt } from './server/keep-attempt';
export { attemptPage, attemptsCsv, listAttempts, listExercises, modelsToPractise } from './server/list-practice';
export { correctExercise, endExercise, makeExercise } from './server/make-exercise';
