import type { Procedure, Step } from '../procedure/procedure';
import type { RunState } from '../record/state';
import { stepPath } from '../record/step-key';

/** Points that this run was asked for, as found and as left: those of the read steps that it came to, done or left out. */
export function askedPoints(procedure: Procedure, state: RunState): { found: Set<string>; left: Set<string> } {
  const asked = { found: new Set<string>(), left: new Set<string>() };
  const come = new Set(Object.keys(state.steps).map(stepPath));
  const visit = (steps: Step[], prefix: string) => {
    for (const step of steps) {
      if (step.kind === 'group') visit(step.steps, `${prefix}${step.id}/`);
      else if (step.kind === 'read' && come.has(prefix + step.id)) {
        if (step.phase === 'asFound') step.points.forEach((point) => asked.found.add(point));
        if (step.phase === 'asLeft') step.points.forEach((point) => asked.left.add(point));
      }
    }
  };
  visit(procedure.steps, '');
  return asked;
}
