import { addWords } from '../registry';

/** What must never be on any way of a procedure. */
export const WALK = {
  'walk.neverEnds': 'This way never ends: {step}',
  'walk.stuck': 'Nobody gets on here: {step}',
  'walk.zeroOnOpenGas': 'A zero on open gas: {step}',
  'walk.gasStaysOpen': 'The gas stays open at the end: {step}',
  'walk.readsClosedGas': 'Read in gas while its valve is shut: {step}',
  'walk.cannotFinish': 'It can’t be finished: {step}',
  'walk.neverReached': 'This step is never come to: {step}',
  'walk.nothingRead': 'Nothing is read on any way: {step}',
} as const;
addWords(WALK);
