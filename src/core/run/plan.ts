import type { GroupStep, Procedure, Step } from '../procedure/procedure';
import type { RunState } from '../record/state';
import { say } from '../words/say';
import { basesOf, expand, expander, goesRound } from './expand-plan';
import { available, ended, leaves, type Place, type PlanNode, type PlannedStep, type Planning } from './plan-node';

/** All steps that the procedure asks for, given what happened so far. What was recorded stays in the plan whatever the conditions say now. */
export function plan(procedure: Procedure, state: RunState): PlannedStep[] {
  return leaves(root(procedure, state));
}

/** The steps that may be worked on now: one in a fixed order, several where any order will do. */
export function currentSteps(procedure: Procedure, state: RunState): readonly PlannedStep[] {
  // One command asks three times before anything has happened; the plan is the dearest thing it asks for.
  const known = planned.get(state);
  if (known && known.procedure === procedure && known.seq === state.seq) return known.steps;
  const steps = state.ending ? available(root(procedure, state)) : firstOpen(procedure, state);
  planned.set(state, { procedure, seq: state.seq, steps });
  return steps;
}

/** The sheet is worked from the top: what comes after the first open step is not worked out. */
const firstOpen = (procedure: Procedure, state: RunState): PlannedStep[] =>
  openInOrder(procedure.steps, '', { iteration: 1 }, { procedure, state, recorded: recordedKeys(state) });

/** The first that is open of steps in a fixed order. What `available` finds in all that `expand` works out, without the rest. */
function openInOrder(steps: Step[], prefix: string, place: Place, planning: Planning): PlannedStep[] {
  const { isAsked, nodesOf } = expander(steps, prefix, place, planning);
  for (const [index, step] of steps.entries()) {
    if (!isAsked(index)) continue;
    if (step.kind === 'group') {
      const open = openInGroup(step, prefix + step.id, place, planning);
      if (open.length) return open;
    } else
      for (const node of nodesOf(index)) {
        const open = available(node);
        if (open.length) return open;
      }
  }
  return [];
}

function openInGroup(group: GroupStep, key: string, place: Place, planning: Planning): PlannedStep[] {
  const openIn = (prefix: string, at: Place) =>
    group.order === 'any'
      ? expand(group.steps, prefix, at, planning, 'any').flatMap(available)
      : openInOrder(group.steps, prefix, at, planning);
  for (const { base, channel } of basesOf(group, key, place, planning)) {
    if (!group.repeat) {
      const open = openIn(`${base}/`, { ...place, channel });
      if (open.length) return open;
      continue;
    }
    for (let iteration = 1; iteration <= group.repeat.atMost; iteration += 1) {
      const open = openIn(`${base}#${iteration}/`, { channel, iteration });
      if (open.length) return open;
      if (!goesRound(group, base, { channel, iteration }, planning)) break;
    }
  }
  return [];
}

const planned = new WeakMap<RunState, { procedure: Procedure; seq: number; steps: PlannedStep[] }>();

/** Something happened in this run: its steps are to be worked out anew. */
export const forgetPlan = (state: RunState): boolean => planned.delete(state);

function root(procedure: Procedure, state: RunState): PlanNode {
  const children = expand(procedure.steps, '', { iteration: 1 }, { procedure, state, recorded: recordedKeys(state) });
  if (!state.ending) return { order: 'fixed', children };
  // The instrument was given up: what was done stays, nothing more is asked but to close what is open.
  const done = children.flatMap(leaves).filter(ended);
  return { order: 'fixed', children: [...done, ...closings(procedure, state)].map((leaf) => ({ leaf })) };
}

function closings(procedure: Procedure, state: RunState): PlannedStep[] {
  return state.stimuli
    .filter((span) => span.offAt === null)
    .map(({ slot, means, onSeq }) => ({
      key: `close-${slot}~${onSeq}`,
      step: {
        id: `close-${slot}`,
        kind: 'stimulus',
        title: say({ code: 'follow.close' }),
        reason: say({ code: 'follow.closeReason' }),
        slot,
        means,
        on: false,
      },
      iteration: 1,
      status: 'todo',
    }));
}

/** Keys of steps that were recorded, and of the groups and rounds they stand in. */
function recordedKeys(state: RunState): Set<string> {
  const keys = new Set<string>();
  for (const key of Object.keys(state.steps)) {
    keys.add(key);
    for (let i = 1; i < key.length; i += 1) if (key[i] === '/' || key[i] === '[' || key[i] === '#') keys.add(key.slice(0, i));
  }
  return keys;
}
