import type { Handling } from './handling';
import { currentSteps } from './plan';
import type { PlannedStep } from './plan-node';
import { refuse, type Refusal } from '../words/refusal';

/** The step of a command, if it is its turn. */
export function stepInTurn(key: string, { procedure, state }: Pick<Handling, 'procedure' | 'state'>): PlannedStep | Refusal {
  const step = currentSteps(procedure, state).find((candidate) => candidate.key === key);
  return (
    step ??
    refuse('notNow', 'This step is not the present one: someone may have gone on meanwhile. The sheet shows where the run is.')
  );
}

/** Where an event stands: the step and its round. */
export const at = (step: PlannedStep) => ({ step: step.key, iteration: step.iteration });
