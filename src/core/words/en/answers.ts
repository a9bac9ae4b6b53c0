import { addWords } from '../registry';
import '../choices';

/** What the house answers where something was not taken. */
export const ANSWERS = {
  'receive.inHouse': '{serial} is in the house already.',
  'receive.inHouseWith': '{serial} is in the house already with ticket {code}.',
  'gate.full': 'Many are asking for this at the same moment. Try again shortly.',
  'signIn.wait':
    'Too many failed tries. Wait {seconds, plural, one {# second} other {# seconds}}, or sign in where you did before.',
  'signIn.wrong': 'Address or password is not right.',
  'route.foreign': 'This was not sent from one of our own pages: nothing was taken.',
  'shape.bad': 'What was sent can’t be read: nothing was taken. Load the page again and try once more.',
  'shape.large': 'What was sent is larger than is taken here: nothing was taken.',
  'database.full':
    'The disk of the workshop’s computer is full, or its memory: nothing was written. Tell whoever runs it; what you typed stays here.',
  'database.busy': 'This took too long because much is going on just now: nothing was written. Try again.',
  'database.taken': 'Somebody else did the same at this moment: nothing was written twice. Look again.',
  'database.missing': 'What this refers to is not there any more: nothing was written. Look again.',
  'database.shape': 'A value that was sent can’t be stored: nothing was written.',
  'line.network': 'Not in the networks where devices may be: this computer, and the range that whoever runs the house stated.',
  'line.gone': 'This device is no longer on the list.',
  'line.correct': 'Change',
  'line.remove': 'Remove',
  'line.name': 'Name',
  'line.host': 'Address',
  'line.port': 'Port',
  'line.save': 'Save',
  'line.saved': 'Saved.',
  'line.forbidden': 'An administrator says where devices are.',
  'route.kind': 'Only {kinds} is taken here.',
  'paper.waits': 'The paper is still being drawn. Open it again in a moment.',
} as const;
addWords(ANSWERS);
