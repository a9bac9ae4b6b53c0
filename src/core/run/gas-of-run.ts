import { flatSteps } from '../procedure/flat-steps';
import type { Procedure } from '../procedure/procedure';
import { ownId } from '../record/step-key';
import type { RunState, StimulusSpan } from '../record/state';

/** Gas before a reading where the procedure states no time, s; and for a look or a key that reads nothing (common practice: 45 s to two minutes; a bump half a minute). */
const READ_SECONDS = 60;
const LOOK_SECONDS = 30;

/** What a run drew of one gas, L, and the least that the same readings would have taken. */
export interface GasOfRun {
  /** Name of the mixture. */
  name: string;
  used: number;
  shortest: number;
}

/**
 * Gas that a run used, against the shortest possible: each time it was open, the longest exposure that the procedure asks of what was read meanwhile, its waits in gas added, at the same flow. Nothing is shorter than what was used where less was used.
 * Quantity: litres at ambient pressure. Errors: none. Source: the procedure's own exposures; where it states none, common practice.
 *
 * @example
 * gasOfRun(family4, state) // [{ name: 'Four-gas mix', used: 2.1, shortest: 1.5 }]
 */
export function gasOfRun(procedure: Procedure, state: RunState): GasOfRun[] {
  const byName = new Map<string, GasOfRun>();
  for (const span of state.stimuli) {
    const binding = state.bindings.find((one) => one.seq === span.binding);
    if (!binding?.flowLPerMin || span.litres === null || binding.reference.kind !== 'gas') continue;
    const used = Number(span.litres);
    const least = (Number(binding.flowLPerMin) * neededSeconds(procedure, state, span)) / 60;
    const name = binding.reference.name;
    const sum = byName.get(name) ?? { name, used: 0, shortest: 0 };
    byName.set(name, { name, used: sum.used + used, shortest: sum.shortest + Math.min(used, least) });
  }
  return [...byName.values()];
}

/** How long gas had to be open for what was done in it. */
function neededSeconds(procedure: Procedure, state: RunState, span: StimulusSpan): number {
  const within = ({ seq }: { seq: number }) => seq > span.onSeq && (span.offSeq === null || seq < span.offSeq);
  const steps = new Map(flatSteps(procedure.steps).map(({ step }) => [step.id, step]));
  const stepOf = (key: string) => steps.get(ownId(key));
  const read = state.readings.filter(within).map((one) => {
    const step = stepOf(one.step);
    return step?.kind === 'read' ? (step.exposureSeconds ?? step.stability?.windowSeconds ?? READ_SECONDS) : READ_SECONDS;
  });
  const waits = Object.entries(state.steps).reduce((sum, [key, record]) => {
    const step = stepOf(key);
    const inside =
      record.endedAt !== undefined && record.enteredAt >= span.onAt && (span.offAt === null || record.endedAt <= span.offAt);
    return step?.kind === 'wait' && record.status === 'done' && inside ? sum + step.minSeconds : sum;
  }, 0);
  return Math.max(LOOK_SECONDS, ...read, waits);
}
