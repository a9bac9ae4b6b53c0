import type { Step } from '@/core/procedure/procedure';

/** Paths of all steps of a procedure, groups apart. */
export function stepPaths(steps: Step[], prefix = ''): Set<string> {
  const paths = new Set<string>();
  for (const step of steps) {
    if (step.kind === 'group') stepPaths(step.steps, `${prefix}${step.id}/`).forEach((one) => paths.add(one));
    else paths.add(prefix + step.id);
  }
  return paths;
}
