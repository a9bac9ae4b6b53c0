import type { PlannedStep } from '../run/plan-node';
import { openStimulus } from '../record/state';
import type { Act } from './act';
import { Attempt, type AttemptPlace } from './attempt';
import { command, type Doing, type Memory, type Next } from './doing';
import type { Exercise } from './exercise';
import { faultOf, type Hidden } from './fault';
import { rightChoice } from './incident';
import { stepOf } from './master-step';
import { SPARE } from './practice-instrument';

/** A hand does one thing in so many ms. */
const HAND_MS = 2000;
const MOST = 1200;
/** What a pilot does otherwise than a master: each thing that comes next, changed or as it is; and whether zeros wait for gas beside them. */
export interface Habit {
  change: (next: Next, at: { attempt: Attempt; place: AttemptPlace; present: PlannedStep | undefined }) => Next;
  zeroesBesideGas?: true;
}

/**
 * An exercise as a master would work it: what is none of the instrument's is put right first, as found is read before anything is set, each reading when it stands still, keys are pressed before the sheet says so, what was
 * found is named. `habit`: what a pilot does otherwise, for tests. With several places whoever is ready first is served, and nothing is zeroed while gas is open beside it.
 * Errors: none; what can't be ended is left where it stood.
 *
 * @example
 * workAsMaster(exercise, { start, actor, id: 'm' }).ended() // true
 */
export function workAsMaster(exercise: Exercise, of: Attempt['of'], habit?: Habit): Attempt {
  const attempt = new Attempt(exercise, of);
  const memory = new Map<number, Memory>(
    attempt.places.map(({ of: { place } }) => [place, { diagnosed: false, looked: new Set<string>(), waited: '' }]),
  );
  const ready = new Map<number, number>(attempt.places.map(({ of: { place } }) => [place, 0]));
  const planned = new Map<number, Next>();
  let now = 0;
  for (let given = 0; given < MOST; given += 1) {
    for (const place of attempt.places) {
      const { place: number } = place.of;
      if (planned.has(number)) continue;
      const [present] = place.run.current();
      const best = nextAt(attempt, place, memory.get(number)!);
      const next = best && habit ? habit.change(best, { attempt, place, present }) : best;
      if (next) planned.set(number, next);
      ready.set(number, now + (next?.after ?? 0));
    }
    const free = [...planned.keys()].filter((one) => habit?.zeroesBesideGas || !zeroesBesideGas(attempt, one, planned.get(one)!));
    const [place] = free.sort((a, b) => ready.get(a)! - ready.get(b)! || a - b);
    if (place === undefined) break;
    now = Math.max(now + HAND_MS, ready.get(place)!);
    attempt.pass(now);
    const { doing } = planned.get(place)!;
    planned.delete(place);
    for (const one of doing) attempt.act({ ...one, place, at: now } as Act);
  }
  return attempt;
}

/** Its zero would be set in a room in which gas of another place is open. */
function zeroesBesideGas(attempt: Attempt, place: number, { doing }: Next): boolean {
  const zeroes = doing.some((one) => one.do === 'press' && one.key === 'zero');
  return zeroes && attempt.places.some((one) => one.of.place !== place && gasOpen(one));
}

export function gasOpen({ run }: Pick<AttemptPlace, 'run'>): boolean {
  const open = openStimulus(run.state);
  return open !== null && run.procedure.slots.find((one) => one.id === open.slot)?.kind === 'gas';
}

function nextAt(attempt: Attempt, place: AttemptPlace, memory: Memory): Next | null {
  const { run, of } = place;
  const { state } = run;
  const open = openStimulus(state);
  const [present] = run.current();
  const soon = (...doing: Doing[]): Next => ({ after: 0, doing });
  if (place.incidentAt !== null && !place.heeded) {
    const shut =
      open && gasOpen(place)
        ? [command({ type: 'changeStimulus', step: present?.key ?? 'gas', slot: open.slot, on: false })]
        : [];
    return soon(...shut, { do: 'heed', choice: rightChoice(of.incident!.incident) });
  }
  const found = lookFor(place, present, memory);
  if (found) return found;
  if (!present) {
    if (state.status !== 'open') return null;
    const diagnosis: Doing[] =
      attempt.exercise.kind === 'findFault' && !memory.diagnosed ? [{ do: 'diagnose', fault: 'none' }] : [];
    memory.diagnosed = true;
    return soon(...diagnosis, command({ type: 'finish' }));
  }
  return stepOf(attempt, place, present, memory);
}

/** What is hidden and shows at this step: looked at, put right where it can be, named. */
function lookFor({ of, run }: AttemptPlace, present: PlannedStep | undefined, memory: Memory): Next | null {
  for (const hidden of of.hidden) {
    if (memory.looked.has(hidden.fault) || !shows(hidden, present)) continue;
    const { look, remedy } = faultOf(hidden.fault);
    memory.looked.add(hidden.fault);
    memory.diagnosed = true;
    const doing: Doing[] = [
      { do: 'look', look },
      { do: 'diagnose', fault: hidden.fault, ...(hidden.channel ? { channel: hidden.channel } : {}) },
    ];
    if (hidden.fault === 'absentSensor')
      doing.push(command({ type: 'setChannel', channel: hidden.channel!, status: 'removed', reason: 'no sensor is fitted' }));
    if (remedy === 'otherBottle') doing.push(...otherBottle({ run }, present));
    else if (remedy !== 'service') doing.push({ do: 'mend', remedy });
    return { after: 0, doing };
  }
  return null;
}

/** What a master sees at which step. */
function shows({ fault }: Hidden, present: PlannedStep | undefined): boolean {
  const { first, look } = faultOf(fault);
  if (!present) return true;
  const { step } = present;
  if (fault === 'absentSensor') return true;
  if (look === 'clock') return step.kind === 'check' && step.items.some((one) => one.about === 'clock');
  if (look === 'outputs')
    return step.kind === 'bump' || (step.kind === 'check' && step.items.some((one) => one.output === 'sound'));
  if (look === 'save') return step.kind === 'save';
  if (step.kind === 'read') return first === true || step.phase === 'adjustment';
  return ['adjust', ...(first ? ['bump'] : ['save'])].includes(step.kind);
}

/** Shut, the other bottle connected, opened again where it was open. */
function otherBottle({ run: { state } }: Pick<AttemptPlace, 'run'>, present: PlannedStep | undefined): Doing[] {
  const bound = state.bindings.findLast((one) => !one.struck && !one.released && one.reference.kind === 'gas');
  if (!bound) return [];
  const open = openStimulus(state);
  const turn = (on: boolean): Doing[] =>
    open ? [command({ type: 'changeStimulus', step: present?.key ?? 'gas', slot: open.slot, on })] : [];
  const id = bound.reference.id;
  return [
    ...turn(false),
    command({
      type: 'bindReference',
      slot: bound.slot,
      reference: id.endsWith(SPARE) ? id : id + SPARE,
      flowLPerMin: bound.flowLPerMin ?? '0.5',
    }),
    ...turn(true),
  ];
}
