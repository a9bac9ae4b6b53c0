import type { Procedure } from '@/core/procedure/procedure';
import type { PlannedStep } from '@/core/run/plan-node';
import type { ReferenceSnapshot } from '@/core/record/reference-snapshot';
import { boundReference, type RunState } from '@/core/record/state';
import { openLiquid } from './open-liquid';

/** The bottle that the step in hand is about: what the probe stands in, or is to be dipped into next. */
export function bottleInHand(procedure: Procedure, state: RunState, present: PlannedStep | undefined): ReferenceSnapshot | null {
  const slot = present?.step.kind === 'stimulus' ? present.step.slot : openLiquid(procedure, state)?.slot;
  return slot ? (boundReference(state, slot)?.reference ?? null) : null;
}
