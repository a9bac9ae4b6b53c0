import { addWords } from '../registry';

/** Trying a model or a procedure on the run sheet. */
export const PRACTICE_WORDS = {
  'practice.try': 'Try it',
  'practice.tryOn': 'Try it on {model}',
  'practice.tryHow': 'PRACTICE on the run sheet, with a simulated instrument of exactly these properties. Nothing of it is kept.',
  'practice.says':
    'PRACTICE: an invented instrument, time ten times as quick, nothing of it is kept and no document comes of it.',
  'practice.again': 'Begin again',
  'practice.customer': 'Nobody: practice',
  'practice.cannot': 'It can’t be begun: {why}',
} as const;
addWords(PRACTICE_WORDS);
