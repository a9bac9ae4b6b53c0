import { addWords } from '../registry';

/** The end of a practice run, on the sheet of every run. */
export const PRACTICE_END = {
  'practice.finish': 'Finish',
  'practice.over': 'Practice is over',
  'practice.back': 'Back to the model',
} as const;
addWords(PRACTICE_END);
