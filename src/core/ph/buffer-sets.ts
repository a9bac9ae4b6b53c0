import type { BufferId } from './buffer-value';

/** Buffers that belong together: a meter is set to one set and names no buffer of another. Which ones go together is common practice. */
export const BUFFER_SETS = {
  technical: ['technical-4.01', 'technical-7.00', 'technical-10.01'],
  technicalFive: ['technical-2.00', 'technical-4.01', 'technical-7.00', 'technical-9.21', 'technical-11.00'],
  technicalStrong: ['tetroxalate', 'technical-4.01', 'technical-7.00', 'technical-10.01', 'calcium-hydroxide'],
  technicalAt20: ['technical20-2.00', 'technical20-4.00', 'technical20-7.00', 'technical20-9.00', 'technical20-12.00'],
  primary: ['tetroxalate', 'phthalate', 'phosphate', 'borax', 'carbonate'],
  primaryThree: ['phthalate', 'phosphate', 'carbonate'],
  physiological: ['phosphate', 'phosphate-physiological'],
  pharmacopoeia: ['tetroxalate', 'phthalate', 'phosphate', 'borax', 'carbonate', 'calcium-hydroxide'],
  din19266: ['tetroxalate', 'phthalate', 'phosphate', 'borax', 'calcium-hydroxide'],
  din19267: ['din19267-1.09', 'din19267-4.65', 'din19267-6.79', 'din19267-9.23', 'din19267-12.75'],
} as const satisfies Record<string, readonly BufferId[]>;

export type BufferSetId = keyof typeof BUFFER_SETS;
/** Bottles of one's own set: known by their own tables alone. */
export const OWN_SET = 'own';

/**
 * The buffers that a meter names when it is set to a set; null for one's own set, or none that is known.
 *
 * @example
 * buffersOfSet('physiological') // ['phosphate', 'phosphate-physiological']
 */
export const buffersOfSet = (set: string | undefined): readonly BufferId[] | null =>
  set !== undefined && Object.hasOwn(BUFFER_SETS, set) ? BUFFER_SETS[set as BufferSetId] : null;
