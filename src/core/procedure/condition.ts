import type { Phase } from './procedure';

/** Closed list of what a step may depend on. Inside a `forEach: 'channel'` group it asks about that channel, elsewhere about any. */
export type Condition =
  | { is: 'readingOutside'; phase: Phase }
  | { is: 'adjustPassed' }
  | { is: 'adjustFailed' }
  | { is: 'anythingAdjusted' }
  | { is: 'saved' }
  | { is: 'saveLost' }
  | { is: 'stimulusOn'; slot: string }
  | { is: 'iterationAtLeast'; count: number }
  | { is: 'answered'; step: string; item: string; equals: string }
  | { is: 'decided'; question: string; option: string }
  | { is: 'property'; property: string }
  | { is: 'bumpFailed' }
  | { is: 'anyAdjustFailed' }
  /** The last reading of a point with a gate was not believed. */
  | { is: 'implausible' }
  | { is: 'school'; school: string; option: string }
  /** There is a fitted channel in this place. */
  | { is: 'channel'; role: string }
  | { all: Condition[] }
  | { any: Condition[] }
  | { not: Condition };
