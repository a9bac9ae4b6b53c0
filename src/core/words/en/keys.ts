import { addWords } from '../registry';

/** Keys of models. */
export const KEYS = {
  'keys.on': 'On {model}:',
  'keys.write': 'How on {model}?',
  'keys.change': 'Change',
  'keys.by': '({by}, {on})',
  'keys.placeholder': 'Which key, how long, what the display says',
  'keys.secret': 'Code, if any',
  'keys.keep': 'Save',
  'keys.leave': 'Cancel',
  'keys.export': 'Keys by model (CSV)',
  'keys.forbidden': 'Who works at the bench writes this.',
  'keys.noStep': 'This procedure has no such step.',
  'keys.meanwhile': '{by} wrote meanwhile: “{text}”. Look again, then keep yours.',
} as const;
addWords(KEYS);
