import { addWords } from '../registry';

/** Care of a probe. */
export const CARE = {
  'care.storage': 'storage solution',
  'care.cleaning': 'cleaning solution',
  'care.electrolyte': 'electrolyte',
  'care.membrane': 'membrane',
  'care.recalled': 'recalled: {why}',
  'care.expired': 'expired on {on}',
  'care.opened': 'past its life after opening ({on})',
  'care.none': 'not from the shelf',
  'care.instead': 'What was used instead',
  'care.done': 'Done',
} as const;
addWords(CARE);
