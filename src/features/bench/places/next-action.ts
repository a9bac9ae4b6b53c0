import type { Procedure } from '@/core/procedure/procedure';
import { waitBegan } from '@/core/run/wait-began';
import { currentSteps } from '@/core/run/plan';
import { openStimulus, type RunState } from '@/core/record/state';

export interface NextAction {
  title: string;
  waitsUntil: string | null;
  gasSince: string | null;
}

/** What to do next in a run, and until when it waits. */
export function nextAction(procedure: Procedure, state: RunState): NextAction {
  const [step] = currentSteps(procedure, state);
  const began = step && waitBegan(step, state);
  const waitsUntil =
    step?.step.kind === 'wait' && began ? new Date(Date.parse(began) + step.step.minSeconds * 1000).toISOString() : null;
  const channel = step?.channel ? state.channels.find((candidate) => candidate.id === step.channel)?.label : null;
  const open = openStimulus(state);
  const isGas = procedure.slots.find((slot) => slot.id === open?.slot)?.kind === 'gas';
  return {
    title: step ? `${step.step.title}${channel ? `: ${channel}` : ''}` : 'Finish',
    waitsUntil,
    gasSince: open && isGas ? open.onAt : null,
  };
}
