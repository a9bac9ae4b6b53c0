import { say, type WordCode } from '@/core/words/say';
import '@/core/words/en/why';

/** Short lists of reasons, each one key away. What is chosen stands on record as a sentence, like one that was typed. */
const LISTS = {
  early: ['why.early.still', 'why.early.warm', 'why.early.customer'],
  reading: ['why.reading.still', 'why.reading.slow', 'why.reading.empty'],
  leftOut: ['why.leftOut.not', 'why.leftOut.customer', 'why.leftOut.defect'],
  mended: ['why.mended.part', 'why.mended.clean', 'why.mended.again'],
  stands: ['why.stands.customer', 'why.stands.slight'],
} as const satisfies Record<string, readonly WordCode[]>;

export const reasonsFor = (list: keyof typeof LISTS): string[] => LISTS[list].map((code) => say({ code }));
