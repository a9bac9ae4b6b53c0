import type { GroupStep, Procedure, Step } from '../procedure/procedure';
import { conditionHolds } from './condition-holds';
import { badIn, canBeBad, decisionKey, decisionOn, lookKey, type Watched } from './follow-up';
import { measuredChannels, standingReading, traitsOf, wasAdjusted, type RunState } from '../record/state';
import { say } from '../words/say';

/** One step as it stands in this run: the same step may come again for another channel or another try, each with its own key. */
export interface PlannedStep {
  key: string;
  step: Exclude<Step, GroupStep>;
  channel?: string;
  iteration: number;
  status: 'todo' | 'open' | 'done' | 'skipped';
}

interface PlanNode {
  leaf?: PlannedStep;
  order?: 'fixed' | 'any';
  children?: PlanNode[];
}

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
function firstOpen(procedure: Procedure, state: RunState): PlannedStep[] {
  const expandAt = expander(procedure.steps, '', { iteration: 1 }, { procedure, state, recorded: recordedKeys(state) });
  for (let index = 0; index < procedure.steps.length; index += 1) {
    for (const node of expandAt(index)) {
      const open = available(node);
      if (open.length) return open;
    }
  }
  return [];
}

const planned = new WeakMap<RunState, { procedure: Procedure; seq: number; steps: PlannedStep[] }>();

/** Something happened in this run: its steps are to be worked out anew. */
export const forgetPlan = (state: RunState): boolean => planned.delete(state);

interface Planning {
  procedure: Procedure;
  state: RunState;
  recorded: Set<string>;
}

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

function leaves(node: PlanNode): PlannedStep[] {
  return node.leaf ? [node.leaf] : (node.children ?? []).flatMap(leaves);
}

const ended = (step: PlannedStep) => step.status === 'done' || step.status === 'skipped';

function available(node: PlanNode): PlannedStep[] {
  if (node.leaf) return ended(node.leaf) ? [] : [node.leaf];
  const children = node.children ?? [];
  if (node.order === 'any') return children.flatMap(available);
  const first = children.find(hasOpen);
  return first ? available(first) : [];
}

/** Whether anything in it is still to be done; asked of every step at every event, so nothing is collected for it. */
function hasOpen(node: PlanNode): boolean {
  return node.leaf ? !ended(node.leaf) : (node.children ?? []).some(hasOpen);
}

interface Place {
  channel?: string | undefined;
  iteration: number;
}

function expand(steps: Step[], prefix: string, place: Place, planning: Planning, order: 'fixed' | 'any' = 'fixed'): PlanNode[] {
  const expandAt = expander(steps, prefix, place, planning, order);
  return steps.flatMap((_step, index) => expandAt(index));
}

/** What one step of a list comes to, by its index. */
function expander(
  steps: Step[],
  prefix: string,
  place: Place,
  planning: Planning,
  order: 'fixed' | 'any' = 'fixed',
): (index: number) => PlanNode[] {
  const { state, recorded } = planning;
  const where = { ...place, stepKey: (id: string) => prefix + id };
  const lastRecorded = order === 'fixed' ? steps.findLastIndex((step) => recorded.has(prefix + step.id)) : -1;
  return (index) => {
    const step = steps[index]!;
    const key = prefix + step.id;
    if (step.when && !recorded.has(key)) {
      // What the run went past without needing it is not asked for afterwards, though its condition may come true later.
      if (index < lastRecorded || !conditionHolds(step.when, state, where)) return [];
    }
    if (step.kind === 'group') return expandGroup(step, key, place, planning);
    // Channels that were given up are asked nothing more; a step that has none left is none.
    if ((step.kind === 'read' || step.kind === 'adjust') && !recorded.has(key) && noneLeft(step, place.channel, planning))
      return [];
    const asked = step.kind === 'check' ? withFittedOutputs(step, state) : step;
    if (asked.kind === 'check' && asked.items.length === 0) return [];
    if (canBeBad(asked)) return [looks(asked, key, place, planning)];
    return [leafOf(asked, key, place, planning)];
  };
}

const noneLeft = (step: { points: string[] }, channel: string | undefined, { procedure, state }: Planning) =>
  readPairs(step, channel, procedure, state).length === 0;

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
function withFittedOutputs(step: Extract<Step, { kind: 'check' }>, state: RunState): Extract<Step, { kind: 'check' }> {
  if (!step.items.some((item) => item.output)) return step;
  const fitted = traitsOf(state).outputs;
  return fitted ? { ...step, items: step.items.filter((item) => !item.output || fitted.includes(item.output)) } : step;
}

function leafOf(step: Exclude<Step, GroupStep>, key: string, place: Place, { procedure, state }: Planning): PlanNode {
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
function looks(step: Watched, base: string, place: Place, planning: Planning): PlanNode {
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

function expandGroup(group: GroupStep, key: string, place: Place, planning: Planning): PlanNode[] {
  const { procedure, state, recorded } = planning;
  const channels = group.forEach === 'channel' ? channelsInOrder(procedure, state) : [place.channel];
  return channels.map((channel) => {
    const base = group.forEach === 'channel' ? `${key}[${channel}]` : key;
    if (!group.repeat)
      return { order: group.order, children: expand(group.steps, `${base}/`, { ...place, channel }, planning, group.order) };
    const rounds: PlanNode[] = [];
    for (let iteration = 1; iteration <= group.repeat.atMost; iteration += 1) {
      const round: PlanNode = {
        order: group.order,
        children: expand(group.steps, `${base}#${iteration}/`, { channel, iteration }, planning, group.order),
      };
      rounds.push(round);
      const begunNext = recorded.has(`${base}#${iteration + 1}`);
      if (begunNext) continue;
      if (hasOpen(round)) break;
      const where = { channel, iteration, stepKey: (id: string) => `${base}#${iteration}/${id}` };
      const again = group.restartOn
        ? conditionHolds(group.restartOn, state, where)
        : !(group.repeat.until && conditionHolds(group.repeat.until, state, where));
      if (!again) break;
    }
    return { order: 'fixed', children: rounds };
  });
}

/** Channels of a for-each group in the procedure's order; a channel given up during the run stays visible, since its steps were recorded. */
function channelsInOrder(procedure: Procedure, state: RunState): string[] {
  return procedure.channels.flatMap(({ role }) =>
    state.channels.filter((channel) => channel.role === role && channel.status === 'fitted').map((channel) => channel.id),
  );
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

/** Point and channel pairs of a read step that still lack a standing reading. */
export function missingReadings(
  step: Extract<Step, { kind: 'read' }>,
  key: string,
  only: string | undefined,
  procedure: Procedure,
  state: RunState,
): { point: string; channel: string }[] {
  return readPairs(step, only, procedure, state).filter(
    ({ point, channel }) =>
      !standingReading(state, { point, channel, phase: step.phase, step: key }) &&
      !(step.phase === 'asFound' && !step.computed && wasAdjusted(state, channel)),
  );
}

/** Point and channel pairs that a read step covers in this run. */
export function readPairs(
  step: { points: string[] },
  only: string | undefined,
  procedure: Procedure,
  state: RunState,
): { point: string; channel: string }[] {
  return step.points.flatMap((id) => {
    const point = procedure.points.find((candidate) => candidate.id === id);
    return measuredChannels(state)
      .filter((channel) => point?.channels.includes(channel.role) && (!only || channel.id === only))
      .map((channel) => ({ point: id, channel: channel.id }));
  });
}
