import type { Procedure, Step } from '../procedure/procedure';
import { HIDDEN_GAS_SECONDS } from '../run/wait-seconds';

/** Practice is ten times as quick as the bench: long enough to see that a clock runs, too short to go away. */
export const HURRY = 10;

const quick = (seconds: number) => Math.ceil(seconds / HURRY);

function hurriedStep(step: Step): Step {
  switch (step.kind) {
    case 'group':
      return { ...step, steps: step.steps.map(hurriedStep) };
    case 'wait':
      return {
        ...step,
        minSeconds: quick(step.minSeconds),
        ...(step.clears ? { hiddenSeconds: quick(HIDDEN_GAS_SECONDS) } : {}),
        ...(step.maxSeconds === undefined ? {} : { maxSeconds: quick(step.maxSeconds) }),
      };
    case 'read':
      return readFor(step);
    default:
      return step;
  }
}

/** What has to stand still for so long on the display's own clock is waited for a tenth as long by everybody else's. */
function readFor(step: Extract<Step, { kind: 'read' }>): Step {
  const asked = step.exposureSeconds ?? step.stability?.windowSeconds;
  return asked === undefined ? step : { ...step, exposureSeconds: quick(asked) };
}

/**
 * The same procedure with its waits and exposures a tenth as long, s. For practice alone: nothing that is measured so is a measurement.
 * Errors: none.
 *
 * @example
 * hurried({ ...family4, warmUpSeconds: 300 }).warmUpSeconds // 30
 */
export const hurried = (procedure: Procedure): Procedure => ({
  ...procedure,
  warmUpSeconds: quick(procedure.warmUpSeconds),
  steps: procedure.steps.map(hurriedStep),
});
