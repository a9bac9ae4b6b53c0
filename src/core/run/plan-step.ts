import type { GroupStep, Procedure, Step } from '../procedure/procedure';
import { traitsOf, type RunState } from '../record/state';
import { say } from '../words/say';
import { badIn, decisionKey, decisionOn, lookKey, type Watched } from './follow-up';
import type { Place, PlanNode, PlannedStep, Planning } from './plan-node';
import { missingReadings } from './read-pairs';

/** Nobody decides while gas runs: it is closed before the decision on a bump, and opened again for the next look. */
function gasFor(step: Watched, key: string, on: boolean, { state }: Planning, due: boolean): PlanNode[] {
  const last = state.stimuli.at(-1);
  if (step.kind !== 'bump' || !last) return [];
  const isOpen = state.stimuli.some((span) => span.offAt === null);
  const status = state.steps[key]?.status ?? 'todo';
  const over = status === 'done' || status === 'skipped';
  if (!over && !(due && isOpen !== on)) return [];
  const title = say({ code: on ? 'follow.open' : 'follow.close' });
  return [
    {
      leaf: {
        key,
        step: { id: on ? 'on' : 'off', kind: 'stimulus', title, slot: last.slot, means: last.means, on },
        iteration: 1,
        status,
      },
    },
  ];
}

/** What this model does not have is not asked about. */
export function withFittedOutputs(step: Extract<Step, { kind: 'check' }>, state: RunState): Extract<Step, { kind: 'check' }> {
  if (!step.items.some((item) => item.output)) return step;
  const fitted = traitsOf(state).outputs;
  return fitted ? { ...step, items: step.items.filter((item) => !item.output || fitted.includes(item.output)) } : step;
}

export function leafOf(step: Exclude<Step, GroupStep>, key: string, place: Place, { procedure, state }: Planning): PlanNode {
  return {
    leaf: {
      key,
      step,
      iteration: place.iteration,
      ...(place.channel ? { channel: place.channel } : {}),
      status: leafStatus(step, key, place, procedure, state),
    },
  };
}

/** A step whose outcome may be bad: each bad look opens a decision, and one that is put right is looked at again. */
export function looks(step: Watched, base: string, place: Place, planning: Planning): PlanNode {
  const { state } = planning;
  const children: PlanNode[] = [];
  for (let look = 1; ; look += 1) {
    const key = lookKey(base, look);
    // A bump is looked at again in gas that was closed for the decision.
    if (look > 1) children.push(...gasFor(step, `${key}!on`, true, planning, state.steps[key] === undefined));
    children.push(leafOf(step, key, place, planning));
    const bad = state.steps[key]?.status === 'done' ? badIn(step, key, state) : [];
    if (bad.length === 0) break;
    const decision = decisionKey(key);
    children.push(...gasFor(step, `${key}!off`, false, planning, state.steps[decision]?.status !== 'done'));
    children.push(leafOf(decisionOn(step, bad, look), decision, place, planning));
    if (state.decisions.findLast((one) => one.step === decision)?.option !== 'mend') break;
  }
  return { order: 'fixed', children };
}

/** A read step that lost a reading to a strike is open again, unless it can't be repeated (as found, once the channel was adjusted). */
function leafStatus(
  step: Exclude<Step, GroupStep>,
  key: string,
  place: Place,
  procedure: Procedure,
  state: RunState,
): PlannedStep['status'] {
  const record = state.steps[key];
  if (!record) return 'todo';
  if (step.kind === 'read' && record.status === 'done' && missingReadings(step, key, place.channel, procedure, state).length > 0)
    return 'open';
  return record.status;
}
