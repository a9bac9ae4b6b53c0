import { addWords } from '../registry';

/** Where a standing value comes from. */
export const SOURCES = {
  'source.practice': 'common practice',
  'source.memory': 'from memory, not confirmed',
  'source.published': '{text}',
  'source.confirmed': '{text}, confirmed {on} by {by}',
} as const;
addWords(SOURCES);
