import { flatSteps } from '../procedure/flat-steps';
import type { Point, Procedure } from '../procedure/procedure';
import type { RunChannel } from '../record/event';
import { openStimulus, type RunState } from '../record/state';
import { currentSteps } from '../run/plan';
import { readPairs } from '../run/read-pairs';

/** What a channel is in at this moment: what the present step compares it with, else what stands open, else nothing but air. Undefined where the procedure has no point for it. */
export function pointInPlace(procedure: Procedure, state: RunState, channel: RunChannel): Point | undefined {
  const { points } = procedure;
  const [present] = currentSteps(procedure, state);
  const step = present?.step;
  if (step?.kind === 'read' || step?.kind === 'adjust') {
    const only = step.kind === 'adjust' && step.together ? undefined : present!.channel;
    const pair = readPairs(step, only, procedure, state).find((one) => one.channel === channel.id);
    const point = pair && points.find((one) => one.id === pair.point);
    // Its gas was shut meanwhile, or never opened: then there is nothing but air.
    if (point && !(isGas(procedure, point) && !openStimulus(state))) return point;
  }
  const open = openStimulus(state)?.slot;
  return points.find(
    ({ target, channels }) =>
      channels.includes(channel.role) && (open ? 'slot' in target && target.slot === open : !('slot' in target)),
  );
}

/** Gas that the procedure opens and shuts by a step. */
function isGas({ slots, steps }: Procedure, { target }: Point): boolean {
  const slot = 'slot' in target ? slots.find((one) => one.id === target.slot) : undefined;
  return (
    slot?.kind === 'gas' && flatSteps(steps).some(({ step }) => step.kind === 'stimulus' && step.on && step.slot === slot.id)
  );
}
