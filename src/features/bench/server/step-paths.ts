import { flatSteps } from '@/core/procedure/flat-steps';
import type { Step } from '@/core/procedure/procedure';

/** Paths of all steps of a procedure, groups apart. */
export const stepPaths = (steps: readonly Step[]): Set<string> =>
  new Set(flatSteps(steps).map(({ step, groups }) => [...groups, step].map((one) => one.id).join('/')));
