import type { Procedure } from '@/core/procedure/procedure';
import { openStimulus, type RunState, type StimulusSpan } from '@/core/record/state';

const WET: string[] = ['buffer', 'standard', 'cleanAir'];

/** What the probe stands in now: a buffer, a standard, the moist sleeve. */
export function openLiquid(procedure: Procedure, state: RunState): StimulusSpan | null {
  const open = openStimulus(state);
  return open && WET.includes(procedure.slots.find((slot) => slot.id === open.slot)?.kind ?? '') ? open : null;
}
