import type { GroupStep, Step } from './procedure';

/** Where a step stands: ids from the outermost group to the step. */
export type StepPath = readonly string[];

/** The step at a path; undefined where there is none. */
export function stepAt(steps: readonly Step[], [id, ...rest]: StepPath): Step | undefined {
  const step = steps.find((one) => one.id === id);
  return rest.length === 0 ? step : step?.kind === 'group' ? stepAt(step.steps, rest) : undefined;
}

/** Changes the list of steps that a path's group holds; the empty path is the procedure's own list. */
export function changeList(steps: readonly Step[], [id, ...rest]: StepPath, change: (list: Step[]) => Step[]): Step[] {
  if (id === undefined) return change([...steps]);
  return steps.map((one) =>
    one.id === id && one.kind === 'group' ? { ...one, steps: changeList(one.steps, rest, change) } : one,
  );
}

/** Another step in the place of one. */
export const putStep = (steps: readonly Step[], path: StepPath, step: Step): Step[] =>
  changeList(steps, path.slice(0, -1), (list) => list.map((one) => (one.id === path.at(-1) ? step : one)));

/** A step less; a group goes with what is in it. */
export const leaveStepOut = (steps: readonly Step[], path: StepPath): Step[] =>
  changeList(steps, path.slice(0, -1), (list) => list.filter((one) => one.id !== path.at(-1)));

/**
 * A step moved among its neighbours: to the place where `before` stands, or to the end.
 *
 * @example
 * moveStep([a, b, c], ['c'], 'a') // [c, a, b]
 */
export const moveStep = (steps: readonly Step[], path: StepPath, before: string | null): Step[] =>
  changeList(steps, path.slice(0, -1), (list) => {
    const moved = list.find((one) => one.id === path.at(-1));
    if (!moved || before === moved.id) return list;
    const others = list.filter((one) => one !== moved);
    const at = others.findIndex((one) => one.id === before);
    return at < 0 ? [...others, moved] : [...others.slice(0, at), moved, ...others.slice(at)];
  });

/** A step put in after another one of the same list, with an id that is free there. */
export function addStep(
  steps: readonly Step[],
  after: StepPath,
  made: Exclude<Step, GroupStep> | GroupStep,
): { steps: Step[]; path: StepPath } {
  const parent = after.slice(0, -1);
  let id = made.id;
  const next = changeList(steps, parent, (list) => {
    for (let n = 2; list.some((one) => one.id === id); n += 1) id = `${made.id}-${n}`;
    const at = list.findIndex((one) => one.id === after.at(-1));
    return [...list.slice(0, at + 1), { ...made, id }, ...list.slice(at + 1)];
  });
  return { steps: next, path: [...parent, id] };
}
