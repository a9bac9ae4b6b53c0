import type { RunState } from '../record/state';
import type { PlannedStep } from './plan-node';

/** When a wait began: at the bench place for a warm-up, else when the step was entered. */
export function waitBegan(step: PlannedStep, state: RunState): string | null {
  if (step.step.kind !== 'wait') return null;
  const entered = state.steps[step.key]?.enteredAt ?? null;
  return step.step.from === 'placed' ? (state.started?.placedAt ?? entered) : entered;
}
