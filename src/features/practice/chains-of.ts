import type { Attempt } from '@/core/practice/attempt';
import { chainOfRun } from '@/core/run/chain-of-run';
import type { PlaceChain } from '@/features/bench';

/** What is left to do at each place of an exercise, as the conductor takes it. */
export function chainsOf(attempt: Attempt): PlaceChain[] {
  const now = new Date(Math.max(Date.now(), attempt.of.start.getTime())).toISOString();
  return attempt.places.flatMap(({ run, of: { place, model } }) => {
    if (run.state.status !== 'open') return [];
    const chain = chainOfRun({ place, procedure: run.procedure, state: run.state, now, seconds: {} });
    const flow = Number(run.state.bindings.at(-1)?.flowLPerMin ?? '0.5');
    return chain.chores.length ? [{ ...chain, run: run.state.run, href: '', flow, item: model.name, serial: '' }] : [];
  });
}
