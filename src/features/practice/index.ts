export { DebriefView } from './debrief-view';
export { MakeExercise } from './make-exercise';
export { OwnExercises } from './own-exercises';
export { ExerciseSheet, PracticeSheet } from './practice-door';
export { PracticeHome } from './practice-home';
export { WorkedTable } from './worked-table';
