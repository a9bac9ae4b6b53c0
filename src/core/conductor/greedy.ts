import { begun, beginning, earliest, type BenchState } from './bench-state';
import { clearFor } from './bound';
import type { Chain } from './chore';

/** How one order is made: how much each place counts, how long gas waits for zeros that come, how much later the more urgent may begin. */
export interface Manner {
  weights: readonly number[];
  patience: number;
  slack: number;
  /** Where gas is open goes first: it is shut the sooner. */
  shuts: boolean;
}

/** More than any place has left to do, s. */
const SHUTS_FIRST = 1e6;

/**
 * One order made straight on: whatever can begin first begins, of those about as early the place with most left to do; gas is not opened while another place will soon need the room clear. The same manner gives the same order.
 * Errors: none; places that hold each other up for ever are left where they are.
 */
export function greedy(chains: readonly Chain[], hands: number, { weights, patience, slack, shuts }: Manner): BenchState {
  const tails = chains.map(({ chores }) => {
    const tail = new Float64Array(chores.length + 1);
    for (let at = chores.length - 1; at >= 0; at -= 1) tail[at] = tail[at + 1]! + chores[at]!.hand + chores[at]!.then;
    return tail;
  });
  let state = beginning(chains, hands);
  for (;;) {
    const able: { index: number; at: number; urgent: number; shy: boolean }[] = [];
    for (const [index, chain] of chains.entries()) {
      const chore = chain.chores[state.next[index]!];
      if (!chore) continue;
      const at = earliest(state, index, chore, { gasOpen: openAt(chain, state.next[index]!) });
      if (at === Infinity) continue;
      const shy =
        chore.opensGas === true && chains.some((other, one) => one !== index && clearSoon(state, other, one, at + patience));
      // A deadline goes before everything.
      able.push({
        index,
        at: chore.within === undefined ? at : at - 1e6,
        urgent: tails[index]![state.next[index]!]! * weights[index]! + (shuts && state.gasSince[index]! >= 0 ? SHUTS_FIRST : 0),
        shy,
      });
    }
    if (able.length === 0) return state;
    const bold = able.some((one) => !one.shy) ? able.filter((one) => !one.shy) : able;
    const first = Math.min(...bold.map((one) => one.at));
    const { index } = bold
      .filter((one) => one.at <= first + slack)
      .reduce((best, one) => (one.urgent > best.urgent ? one : best));
    const chore = chains[index]!.chores[state.next[index]!]!;
    const at = earliest(state, index, chore, { gasOpen: openAt(chains[index]!, state.next[index]!) });
    state = begun(state, index, { place: chains[index]!.place, chore, at });
  }
}

/** Whether a place comes to a chore that needs the room clear before a time, as far as it is up to itself. */
function clearSoon(state: BenchState, chain: Chain, index: number, until: number): boolean {
  let at = state.ready[index]!;
  if (clearFor(chain.chores) === 0) return false;
  for (const one of chain.chores.slice(state.next[index])) {
    if (at > until) return false;
    if (one.clearRoom) return true;
    // What opens gas itself first waits for other things: it is not waited for.
    if (one.opensGas) return false;
    at += one.hand + one.then;
  }
  return false;
}

/** Whether gas is open at a place that has come to a chore. */
export function openAt(chain: Chain, upTo: number): boolean {
  let open = chain.gasOpen;
  for (const one of chain.chores.slice(0, upTo)) open = one.opensGas ? true : one.gives ? false : open;
  return open;
}
