import type { GroupStep, Procedure, Step } from '../procedure/procedure';
import type { RunState } from '../record/state';

/** One step as it stands in this run: the same step may come again for another channel or another try, each with its own key. */
export interface PlannedStep {
  key: string;
  step: Exclude<Step, GroupStep>;
  channel?: string;
  iteration: number;
  status: 'todo' | 'open' | 'done' | 'skipped';
}

export interface PlanNode {
  leaf?: PlannedStep;
  order?: 'fixed' | 'any';
  children?: PlanNode[];
}

/** What a plan is worked out from. `recorded`: keys of steps that were recorded, and of the groups and rounds they stand in. */
export interface Planning {
  procedure: Procedure;
  state: RunState;
  recorded: Set<string>;
}

/** Where in the procedure: for which channel, in which round. */
export interface Place {
  channel?: string | undefined;
  iteration: number;
}

export function leaves(node: PlanNode): PlannedStep[] {
  return node.leaf ? [node.leaf] : (node.children ?? []).flatMap(leaves);
}

export const ended = (step: PlannedStep) => step.status === 'done' || step.status === 'skipped';

/** What may be worked on now. */
export function available(node: PlanNode): PlannedStep[] {
  if (node.leaf) return ended(node.leaf) ? [] : [node.leaf];
  const children = node.children ?? [];
  if (node.order === 'any') return children.flatMap(available);
  const first = children.find(hasOpen);
  return first ? available(first) : [];
}

/** Whether anything in it is still to be done; asked of every step at every event, so nothing is collected for it. */
export function hasOpen(node: PlanNode): boolean {
  return node.leaf ? !ended(node.leaf) : (node.children ?? []).some(hasOpen);
}
