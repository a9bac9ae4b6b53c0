import { addWords } from '../registry';

/** Woher ein fester Wert kommt. */
export const SOURCES = {
  'source.practice': 'übliche Praxis',
  'source.memory': 'aus dem Gedächtnis, nicht bestätigt',
  'source.published': '{text}',
  'source.confirmed': '{text}, bestätigt {on} von {by}',
} as const;
addWords(SOURCES, 'de');
