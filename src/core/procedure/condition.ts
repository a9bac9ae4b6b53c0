import type { Storage } from '../instrument/traits';
import type { Phase } from './phase';

/** What a step may ask about the model or the order, by the names that frozen procedures use. Closed. */
export type PropertyName =
  | 'pumped'
  | 'pump-switchable'
  | 'span-fixed'
  | 'span-stored'
  | 'detector-pairs'
  | 'host'
  | 'analogue-pair'
  | `stores-${Storage}`
  | 'as-found-only';

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
  /** The last decision on a question; `here`: only in this round of this group. */
  | { is: 'decided'; question: string; option: string; here?: true }
  | { is: 'property'; property: PropertyName }
  | { is: 'bumpFailed' }
  /** The last bump passed, and nothing was opened or replaced after it. */
  | { is: 'bumpStands' }
  /** The gas that is open is beyond the alarm point of every channel. */
  | { is: 'tripsAlarms' }
  /** A channel was not read at these points since its last adjustment. */
  | { is: 'leftMissing'; points: string[]; role?: string }
  /** Slope and offset that the meter keeps were told before anything was adjusted. */
  | { is: 'electrodeKnown' }
  | { is: 'anyAdjustFailed' }
  /** The last zero failed, of this channel or of any. */
  | { is: 'zeroFailed' }
  | { is: 'anyZeroFailed' }
  /** Something was refused in this round of this group, whatever another sheet did. */
  | { is: 'adjustFailedHere' }
  /** The electrode in this place is not good by its own millivolts: slope or offset. */
  | { is: 'electrodePoor'; role: string }
  /** The last reading of a point with a gate was not believed, in this round of this group. */
  | { is: 'implausible' }
  /** The last reading of a gate is not what opens it. */
  | { is: 'gateShut'; point: string }
  | { is: 'school'; school: string; option: string }
  /** There is a fitted channel in this place. */
  | { is: 'channel'; role: string }
  | { all: Condition[] }
  | { any: Condition[] }
  | { not: Condition };
