/** What an authorisation rests on (ISO/IEC 17025:2017, 6.2.5): exercises worked well, runs that were watched, or what a signatory knows of the person. Closed. */
export const COMPETENCE_BASES = ['practice', 'watched', 'word'] as const;
export type CompetenceBasis = (typeof COMPETENCE_BASES)[number];
/** From so many points on an exercise speaks for somebody. */
export const ENOUGH_POINTS = 80;
/** … and only for so many days. */
export const SPEAKS_DAYS = 365;
