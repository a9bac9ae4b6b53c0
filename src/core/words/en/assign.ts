import { addWords } from '../registry';

/** Keys that a foot switch or a number pad stands for. */
export const ASSIGN = {
  'assign.open': 'Foot switch, number pad',
  'assign.title': 'Foot switch and number pad',
  'assign.why':
    'They type keys: a function key, one of the number pad, Page up or down. Choose, then press it. Kept on this computer.',
  'assign.n': 'go on: the main action of the step',
  'assign.g': 'gas off',
  'assign.c': 'capture what has settled',
  'assign.choose': 'Choose',
  'assign.press': 'Press it now …',
  'assign.none': 'Remove',
  'assign.refused': '{key} is needed for typing. Take a function key, one of the number pad, Page up or down.',
} as const;
addWords(ASSIGN);
