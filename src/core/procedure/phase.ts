/** When in the story of a run a reading was taken: before anything is touched, while adjusting, as a cross-check, or after. */
export const PHASES = ['asFound', 'adjustment', 'check', 'asLeft'] as const;
export type Phase = (typeof PHASES)[number];
