import type { Chain, Chore } from '../conductor/chore';
import type { Procedure } from '../procedure/procedure';
import { boundReference, openStimulus, type RunState } from '../record/state';
import { plan } from './plan';
import type { PlannedStep } from './plan-node';
import { readPairs } from './read-pairs';
import { waitBegan } from './wait-began';
import { waitSeconds } from './wait-seconds';

/** How long a hand is busy with a step where the workshop's own runs don't say, s. Common practice at a bench. */
const USUAL: Record<PlannedStep['step']['kind'], number> = {
  check: 20,
  condition: 25,
  reference: 25,
  wait: 2,
  stimulus: 8,
  read: 6,
  adjust: 15,
  save: 8,
  bump: 25,
  care: 60,
  decide: 20,
};
/** A hand is at one thing no longer than this at a stretch, s: what took longer was waited for. */
const MOST = 180;

/**
 * What is left to do of a run, as a chain for the conductor: each open step with how long a hand is busy and how long passes by itself, what gas or dip it takes and gives back, whether it reads the room as clean air.
 * `seconds`: what a step usually takes in the workshop's own runs, by its id. Errors: none. Source: the procedure's own waits and exposures; times of hands are medians of own runs, else common practice.
 *
 * @example
 * chainOfRun({ place: 3, procedure, state, now, seconds: {} }).chores[0].label // 'Open gas'
 */
export function chainOfRun({
  place,
  procedure,
  state,
  now,
  seconds,
}: {
  place: number;
  procedure: Procedure;
  state: RunState;
  now: string;
  seconds: Readonly<Record<string, number>>;
}): Chain {
  const steps = plan(procedure, state).filter((one) => one.status === 'todo' || one.status === 'open');
  const span = openStimulus(state);
  const isGas = (slot: string) => procedure.slots.find((one) => one.id === slot)?.kind === 'gas';
  const isLiquid = (slot: string) => {
    const kind = procedure.slots.find((one) => one.id === slot)?.kind;
    return kind === 'buffer' || kind === 'standard';
  };
  let gasOpen = span !== null && isGas(span.slot);
  const holds = span && gasOpen ? [thingOf(procedure, state, span.slot)] : [];
  const begun = gasOpen;
  const held = new Set(holds);
  const chores: Chore[] = [];
  let ready = 0;
  for (const [index, one] of steps.entries()) {
    const { step, key } = one;
    const base = { id: key, label: step.title };
    const usual = Math.min(MOST, Math.max(2, seconds[step.id] ?? USUAL[step.kind]));
    if (step.kind === 'wait') {
      const since = waitBegan(one, state);
      const passed = since ? (Date.parse(now) - Date.parse(since)) / 1000 : 0;
      const left = Math.max(0, waitSeconds(step, state) - (index === 0 || step.from === 'placed' ? passed : 0));
      // It passes by itself, behind whatever comes before it.
      const before = chores.at(-1);
      if (before) chores[chores.length - 1] = { ...before, then: before.then + left };
      else ready += left;
      continue;
    }
    if (step.kind === 'stimulus' && isGas(step.slot)) {
      const thing = thingOf(procedure, state, step.slot);
      // Which of two ways it goes is not known beforehand: what is open already is not opened again, what is shut not shut.
      const moves = step.on !== held.has(thing);
      if (step.on) held.add(thing);
      else held.delete(thing);
      const gas = step.on ? { takes: thing, opensGas: true as const } : { gives: thing };
      const then = step.on && moves ? exposureAfter(steps.slice(index + 1)) : 0;
      chores.push({ ...base, hand: USUAL.stimulus, then, ...(moves ? gas : {}) });
      gasOpen = step.on;
      continue;
    }
    if (step.kind === 'stimulus' && step.on && isLiquid(step.slot)) {
      chores.push({ ...base, hand: USUAL.stimulus, then: 0, shares: thingOf(procedure, state, step.slot) });
      continue;
    }
    const pairs = step.kind === 'read' ? Math.max(1, readPairs(step, one.channel, procedure, state).length) : 1;
    const hand = step.kind === 'read' ? USUAL.read * pairs : usual;
    const zeroes = step.kind === 'adjust' && (step.action === 'zero' || step.action === 'fineZero') && !gasOpen;
    const within = step.kind === 'save' && step.deadlineSeconds !== undefined ? { within: step.deadlineSeconds } : {};
    chores.push({ ...base, hand, then: 0, ...(zeroes ? { clearRoom: true as const } : {}), ...within });
  }
  // Where the sheet says later when it is shut, it is shut by its end: nobody waits for it for ever.
  const [open] = held;
  const last = chores.at(-1);
  if (open && last) chores[chores.length - 1] = { ...last, gives: open };
  return { place, chores, ready, holds, gasOpen: begun };
}

/** The bottle that stands in a place of the procedure; before one was chosen, whatever will be. */
function thingOf(procedure: Procedure, state: RunState, slot: string): string {
  const bound = boundReference(state, slot)?.reference;
  return bound ? bound.id : (procedure.slots.find((one) => one.id === slot)?.label ?? slot);
}

/** How long gas has to act before what is read next counts. */
function exposureAfter(steps: readonly PlannedStep[]): number {
  let longest = 0;
  for (const { step } of steps) {
    if (step.kind === 'stimulus') break;
    if (step.kind === 'read') longest = Math.max(longest, step.exposureSeconds ?? step.stability?.windowSeconds ?? EXPOSURE);
  }
  return longest;
}
/** Gas at a reading where the procedure states no time, s (common practice: 45 s to two minutes). */
const EXPOSURE = 60;
