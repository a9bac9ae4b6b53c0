import { addWords } from '../registry';

/** Short lists of reasons at the bench, each one key away. */
export const WHY = {
  'why.early.still': 'The display stands still',
  'why.early.warm': 'It was on and warm before',
  'why.early.customer': 'Agreed with the customer, who waits',
  'why.reading.still': 'The display stood still before',
  'why.reading.slow': 'It does not come any further',
  'why.reading.empty': 'The bottle is running empty',
  'why.leftOut': 'Why? It stands on the document as a deviation.',
  'why.leftOut.not': 'This instrument does not have it',
  'why.leftOut.customer': 'The customer did not ask for it',
  'why.leftOut.defect': 'It can’t be done with this defect',
  'why.mended': 'What was done?',
  'why.mended.part': 'New part fitted',
  'why.mended.clean': 'Cleaned and put right',
  'why.mended.again': 'Set up anew and tried again',
  'why.stands': 'Why may it stand?',
  'why.stands.customer': 'The customer was told and agrees',
  'why.stands.slight': 'Slight, no effect on what it shows',
} as const;
addWords(WHY);
