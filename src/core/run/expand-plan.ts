import type { GroupStep, Procedure, Step } from '../procedure/procedure';
import type { RunState } from '../record/state';
import { conditionHolds } from './condition-holds';
import { canBeBad } from './follow-up';
import { hasOpen, type Place, type PlanNode, type Planning } from './plan-node';
import { leafOf, looks, withFittedOutputs } from './plan-step';
import { readPairs } from './read-pairs';

/** All that a list of steps comes to in this run. */
export function expand(
  steps: Step[],
  prefix: string,
  place: Place,
  planning: Planning,
  order: 'fixed' | 'any' = 'fixed',
): PlanNode[] {
  const { isAsked, nodesOf } = expander(steps, prefix, place, planning, order);
  return steps.flatMap((_step, index) => (isAsked(index) ? nodesOf(index) : []));
}

/** Whether one step of a list is asked for in this run, and what it comes to then, both by its index. */
export function expander(
  steps: Step[],
  prefix: string,
  place: Place,
  planning: Planning,
  order: 'fixed' | 'any' = 'fixed',
): { isAsked: (index: number) => boolean; nodesOf: (index: number) => PlanNode[] } {
  const { state, recorded } = planning;
  const where = { ...place, stepKey: (id: string) => prefix + id };
  const lastRecorded = order === 'fixed' ? steps.findLastIndex((step) => recorded.has(prefix + step.id)) : -1;
  const isAsked = (index: number) => {
    const { when, id } = steps[index]!;
    // What the run went past without needing it is not asked for afterwards, though its condition may come true later.
    return !when || recorded.has(prefix + id) || (index > lastRecorded && conditionHolds(when, state, where));
  };
  const nodesOf = (index: number): PlanNode[] => {
    const step = steps[index]!;
    const key = prefix + step.id;
    if (step.kind === 'group') return expandGroup(step, key, place, planning);
    // Channels that were given up are asked nothing more; a step that has none left is none.
    if ((step.kind === 'read' || step.kind === 'adjust') && !recorded.has(key) && noneLeft(step, place.channel, planning))
      return [];
    const asked = step.kind === 'check' ? withFittedOutputs(step, state) : step;
    if (asked.kind === 'check' && asked.items.length === 0) return [];
    if (canBeBad(asked)) return [looks(asked, key, place, planning)];
    return [leafOf(asked, key, place, planning)];
  };
  return { isAsked, nodesOf };
}

const noneLeft = (step: { points: string[] }, channel: string | undefined, { procedure, state }: Planning) =>
  readPairs(step, channel, procedure, state).length === 0;

function expandGroup(group: GroupStep, key: string, place: Place, planning: Planning): PlanNode[] {
  return basesOf(group, key, place, planning).map(({ base, channel }) => {
    if (!group.repeat)
      return { order: group.order, children: expand(group.steps, `${base}/`, { ...place, channel }, planning, group.order) };
    const rounds: PlanNode[] = [];
    for (let iteration = 1; iteration <= group.repeat.atMost; iteration += 1) {
      const round: PlanNode = {
        order: group.order,
        children: expand(group.steps, `${base}#${iteration}/`, { channel, iteration }, planning, group.order),
      };
      rounds.push(round);
      const begunNext = planning.recorded.has(`${base}#${iteration + 1}`);
      if (begunNext) continue;
      if (hasOpen(round) || !goesRound(group, base, { channel, iteration }, planning)) break;
    }
    return { order: 'fixed', children: rounds };
  });
}

/** The keys under which a group stands: once, or once for each channel. */
export function basesOf(group: GroupStep, key: string, { channel }: Place, { procedure, state }: Planning) {
  return group.forEach === 'channel'
    ? channelsInOrder(procedure, state).map((one) => ({ base: `${key}[${one}]`, channel: one }))
    : [{ base: key, channel }];
}

/** Whether another round comes after one in which nothing is open. */
export function goesRound(group: GroupStep, base: string, at: Place, { state, recorded }: Planning): boolean {
  if (recorded.has(`${base}#${at.iteration + 1}`)) return true;
  const where = { ...at, stepKey: (id: string) => `${base}#${at.iteration}/${id}` };
  return group.restartOn
    ? conditionHolds(group.restartOn, state, where)
    : !(group.repeat?.until && conditionHolds(group.repeat.until, state, where));
}

/** Channels of a for-each group in the procedure's order; a channel given up during the run stays visible, since its steps were recorded. */
function channelsInOrder(procedure: Procedure, state: RunState): string[] {
  return procedure.channels.flatMap(({ role }) =>
    state.channels.filter((channel) => channel.role === role && channel.status === 'fitted').map((channel) => channel.id),
  );
}
