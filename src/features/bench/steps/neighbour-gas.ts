import type { PlannedStep } from '@/core/run/plan-node';
import { openStimulus } from '@/core/record/state';
import { say } from '@/core/words/say';
import type { Sheet } from '../sheet';

/** A zero that is drawn from the room while gas is open at another place: a caution; null where there is no such thing. */
export function neighbourGas({ run, view }: Pick<Sheet, 'run' | 'view'>, { step }: PlannedStep): string | null {
  if (step.kind !== 'adjust' || !['zero', 'quick', 'fineZero'].includes(step.action)) return null;
  // Through a filter or a scrubber the room's air does not matter.
  if (openStimulus(run.state)) return null;
  const places = view.places.filter((one) => one.runId !== run.state.run && one.next?.gasSince).map((one) => one.place);
  return places.length ? say({ code: 'neighbour.gas', numbers: { places: places.join(', ') } }) : null;
}
