import type { GroupStep, Step } from './procedure';

/** A step that is done, with the groups that it lies in, outermost first. */
export interface FlatStep {
  step: Exclude<Step, GroupStep>;
  groups: readonly GroupStep[];
}

/**
 * Every step of a procedure in the order in which it is written, groups opened; nothing is left out and nothing repeated.
 *
 * @example
 * flatSteps(family4.steps)[0] // { step: { id: 'place', kind: 'condition', … }, groups: [] }
 */
export function flatSteps(steps: readonly Step[], groups: readonly GroupStep[] = []): FlatStep[] {
  return steps.flatMap((step) => (step.kind === 'group' ? flatSteps(step.steps, [...groups, step]) : [{ step, groups }]));
}
