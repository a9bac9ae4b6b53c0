import type { Step } from '../procedure/procedure';
import { traitsOf, type RunState } from '../record/state';

/** Gas that the zero of a sensor hides is gone after this long (common practice). */
export const HIDDEN_GAS_SECONDS = 300;

/** How long a wait takes at this instrument, in s: a purge takes five minutes where its zero hides what is left in the sensor. */
export const waitSeconds = (step: Extract<Step, { kind: 'wait' }>, state: RunState): number =>
  step.clears && traitsOf(state).hidesGas ? Math.max(step.hiddenSeconds ?? HIDDEN_GAS_SECONDS, step.minSeconds) : step.minSeconds;

/** Whether a wait may be over because the display is back: a purge, at an instrument whose zero hides nothing. */
export const endsByDisplay = (step: Extract<Step, { kind: 'wait' }>, state: RunState): boolean =>
  step.clears === true && !traitsOf(state).hidesGas;
