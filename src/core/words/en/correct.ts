import { addWords } from '../registry';

/** Words of a run that was reopened, and of a reading corrected. */
export const CORRECT = {
  'bench.correct': 'correct',
  'bench.correctText': 'Reading as displayed, {unit}',
  'bench.correctReference': 'Compared with',
  'bench.correctSame': 'as recorded',
  'bench.correctReason': 'What was wrong, and how do you know?',
  'bench.correctWhy': 'Say in a few words what was wrong.',
  'bench.correctDo': 'Correct it',
  'bench.leave': 'Cancel',
  'bench.reopened': 'Reopened by {by}: {reason}',
  'bench.reopenedHow':
    'The issued document stands until this one is approved again. Correct a reading in the list on record, or strike it and read again; then finish.',
  'bench.reopenedLine': 'reopened after approval: {reason}',
} as const;
addWords(CORRECT);
