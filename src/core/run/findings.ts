import type { Follow } from '../procedure/follow';
import type { Procedure } from '../procedure/procedure';
import { badIn, canBeBad, decisionKey, type BadThing } from './follow-up';
import { plan } from './plan';
import type { RunState } from '../record/state';

/** Something bad on the bench, and what was decided to follow. */
export interface Finding extends BadThing {
  step: string;
  channel?: string;
  /** Null while it is open. */
  followed: { follow: Follow; note?: string; by: string; at: string } | null;
}

/**
 * Everything bad that a run saw: answers and bumps, each with what followed. What the signatory sees first, and the document says.
 *
 * @example
 * findings(procedure, state).filter((one) => one.followed === null) // what nobody has decided yet
 */
export function findings(procedure: Procedure, state: RunState): Finding[] {
  return plan(procedure, state).flatMap(({ step, key, channel }) => {
    if (!canBeBad(step) || state.steps[key]?.status !== 'done') return [];
    const decision = state.decisions.findLast((one) => one.step === decisionKey(key));
    return badIn(step, key, state).map((thing) => ({
      ...thing,
      step: key,
      ...(channel ? { channel } : {}),
      followed: decision
        ? {
            follow: decision.option as Follow,
            ...(decision.note ? { note: decision.note } : {}),
            by: decision.by,
            at: decision.at,
          }
        : byEnding(state),
    }));
  });
}

/** What was not decided by itself before the whole instrument was given up goes the same way. */
const byEnding = ({ ending }: RunState): Finding['followed'] =>
  ending && {
    follow: ending.consequence,
    ...(ending.note ? { note: ending.note } : {}),
    by: ending.by,
    at: ending.at,
  };
