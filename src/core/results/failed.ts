import type { Failed } from './instrument-status';
import type { Procedure } from '../procedure/procedure';
import type { Output } from '../instrument/output';
import { findings } from '../run/findings';
import { plan } from '../run/plan';
import { badIn, canBeBad } from '../run/follow-up';
import type { RunState } from '../record/state';
import { ownId } from '../record/step-key';
import { summarise } from './summary';

/** A step's own name and an item's, without channel, round and look: the same question in any run. */
const question = (step: string, item: string) => `${ownId(step)}/${item}`;
const unique = <T>(list: T[]): T[] => [...new Set(list)];

/** What failed in a run: channels outside as left or given up, channels that a bump did not move, outputs that did not work, answers that were bad and not put right. */
export function failedIn(procedure: Procedure, state: RunState): Failed {
  const { lines } = summarise(procedure, state);
  const side = state.started?.service === 'asFoundOnly' ? 'found' : 'left';
  const bump = state.bumps.at(-1)?.outcome === 'failed' ? state.bumps.at(-1)! : null;
  const open = findings(procedure, state).filter(
    (one) => one.item && one.followed?.follow !== 'mend' && one.followed?.follow !== 'remark',
  );
  return {
    channels: unique([
      ...Object.keys(state.retired),
      ...lines.filter((line) => line[side]?.verdict === 'outside').map((line) => line.channel),
    ]),
    moved: Object.entries(bump?.channels ?? {})
      .filter(([, seen]) => !seen.moved || seen.rightWay === false)
      .map(([id]) => id),
    outputs: unique([
      ...Object.entries(bump?.outputs ?? {})
        .filter(([, works]) => works === false)
        .map(([output]) => output as Output),
      ...open.flatMap((one) => one.item?.output ?? []),
    ]),
    items: open.flatMap((one) =>
      one.item && !one.item.output ? [{ question: question(one.step, one.item.id), label: one.item.label }] : [],
    ),
  };
}

/**
 * What of a failure a later run does not cover; empty: it covers all of it.
 *
 * @example
 * leftUncovered(failed, { procedure, state }) // { channels: [], moved: [], outputs: ['sound'], items: [] }: nobody heard the horn
 */
export function leftUncovered(failed: Failed, { procedure, state }: { procedure: Procedure; state: RunState }): Failed {
  const { lines } = summarise(procedure, state);
  const good = (channel: string) => {
    const own = lines.filter((line) => line.channel === channel && line.left && line.left.verdict !== 'notJudged');
    return own.length > 0 && own.every((line) => line.left!.verdict === 'within');
  };
  const bump = state.bumps.at(-1)?.outcome === 'passed' ? state.bumps.at(-1)! : null;
  const looks = plan(procedure, state).flatMap(({ step, key }) =>
    canBeBad(step) && step.kind === 'check' && state.steps[key]?.status === 'done' ? [{ step, key }] : [],
  );
  const worked = (output: Output) =>
    bump?.outputs[output] === true ||
    looks.some(({ step, key }) => step.items.some((item) => item.output === output) && badIn(step, key, state).length === 0);
  const answered = (name: string) =>
    looks.some(({ step, key }) =>
      step.items.some(
        (item) => question(key, item.id) === name && !badIn(step, key, state).some((bad) => bad.item?.id === item.id),
      ),
    );
  return {
    channels: failed.channels.filter((id) => !good(id)),
    moved: failed.moved.filter((id) => !bump?.channels[id]?.moved && !good(id)),
    outputs: failed.outputs.filter((output) => !worked(output)),
    items: failed.items.filter((item) => !answered(item.question)),
  };
}

export const coversAll = (left: Failed): boolean => Object.values(left).every((list) => list.length === 0);
