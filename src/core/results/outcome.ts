import type { Procedure } from '../procedure/procedure';
import { findings } from '../run/findings';
import type { RunState } from '../record/state';
import { plan } from '../run/plan';
import { canBeBad } from '../run/follow-up';
import { summarise, type RunSummary } from './summary';

/**
 * What a run amounts to. It decides which paper comes out and where the instrument stands afterwards:
 * - `passed`: in tolerance as left, in full, nothing bad left open: a calibration label
 * - `limited`: true as far as it goes (as found only, zero only, imported, a part not measured or not looked at)
 * - `bumped`: a bump test that passed
 * - `outside`: outside its limits and not put right: never plainly in use
 * - `undecided`: nothing can be said (guarded rule with a "cannot tell", a failed bump without a decision): no label at all
 * - `goesOn`: a failed bump that is calibrated on the same ticket
 * - `service`, `outOfService`, `returned`: what was decided
 */
export const OUTCOMES = [
  'passed',
  'limited',
  'bumped',
  'outside',
  'undecided',
  'goesOn',
  'service',
  'outOfService',
  'returned',
] as const;
export type Outcome = (typeof OUTCOMES)[number];

/** Paper that goes with the instrument. */
export type LabelKind = 'calibration' | 'limited' | 'bump' | 'tag' | 'none';
export const LABEL_OF: Record<Outcome, LabelKind> = {
  passed: 'calibration',
  limited: 'limited',
  bumped: 'bump',
  outside: 'tag',
  undecided: 'none',
  goesOn: 'none',
  service: 'tag',
  outOfService: 'tag',
  returned: 'tag',
};

/**
 * What a run amounts to, by what was decided first, then by its bumps, then by its results.
 *
 * @example
 * outcomeOf(procedure, state) // 'passed'
 */
export function outcomeOf(
  procedure: Procedure,
  state: RunState,
  summary: Pick<RunSummary, 'asFound' | 'asLeft'> = summarise(procedure, state),
): Outcome {
  if (state.ending) return state.ending.consequence === 'return' ? 'returned' : state.ending.consequence;
  const givenUp = Object.values(state.retired);
  if (givenUp.some((one) => one.consequence === 'outOfService')) return 'outOfService';
  if (givenUp.length) return 'service';
  if (state.decisions.some((one) => one.consequence === 'calibrate')) return 'goesOn';
  const found = findings(procedure, state);
  if (found.some((one) => one.followed === null) || state.bumps.at(-1)?.outcome === 'failed') return 'undecided';
  if (procedure.scope === 'bumpOnly') return state.bumps.length ? 'bumped' : 'undecided';
  return byResults(procedure, state, summary);
}

function byResults(procedure: Procedure, state: RunState, { asFound, asLeft }: Pick<RunSummary, 'asFound' | 'asLeft'>): Outcome {
  const asFoundOnly = state.started?.service === 'asFoundOnly';
  const counted = asFoundOnly ? asFound : asLeft;
  if (counted === 'outside') return 'outside';
  if (counted === 'cannotTell') return 'undecided';
  if (asFoundOnly || counted === 'notMeasured') {
    // Only a bump was imported, say: it says what it says, and nothing of the readings.
    return asFound === 'outside' ? 'outside' : 'limited';
  }
  const partial =
    state.started?.origin === 'imported' || procedure.scope === 'zeroOnly' || notLookedAt(procedure, state).length > 0;
  return partial ? 'limited' : 'passed';
}

/** Titles of steps that could have shown something bad and were left out: what was not looked at is not attested. */
export function notLookedAt(procedure: Procedure, state: RunState): string[] {
  return plan(procedure, state)
    .filter(({ step, status }) => canBeBad(step) && status === 'skipped' && neverARemark(step))
    .map(({ step }) => step.title);
}

const neverARemark = (step: ReturnType<typeof plan>[number]['step']): boolean =>
  step.kind === 'bump' ||
  (step.kind === 'check' && step.items.some((item) => typeof item.bad === 'object' && !item.bad.follows.includes('remark')));
