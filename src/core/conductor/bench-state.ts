import type { Chain, Chore, Start } from './chore';

/** Where a bench stands while an order is tried: which chore each place comes to, and from when on. */
export interface BenchState {
  next: Uint16Array;
  ready: Float64Array;
  /** When each hand is free. */
  hands: Float64Array;
  /** From when on each thing is free; Infinity while it is held. */
  free: Map<string, number>;
  /** Until when a chore that needs a clear room goes on, and from when on no gas is open; Infinity while it is. */
  roomUntil: number;
  gasUntil: number;
  gasOpen: number;
  /** When the last gas that was closed was closed. */
  gasClosed: number;
  /** Since when gas is open at each place, below 0 where it isn't; and for how long it was open at all places together, s. */
  gasSince: Float64Array;
  gasSeconds: number;
  /** How late deadlines were missed, s. */
  late: number;
  last: { before: BenchState; start: Start } | null;
  /** What orders are compared by; worked out by whoever compares. */
  score: number;
}

export function beginning(chains: readonly Chain[], hands: number): BenchState {
  return {
    next: new Uint16Array(chains.length),
    ready: Float64Array.from(chains, (one) => Math.max(0, one.ready)),
    hands: new Float64Array(hands),
    free: new Map(chains.flatMap((one) => one.holds.map((thing) => [thing, Infinity]))),
    roomUntil: 0,
    gasUntil: chains.some((one) => one.gasOpen) ? Infinity : 0,
    gasOpen: chains.filter((one) => one.gasOpen).length,
    gasClosed: 0,
    gasSince: Float64Array.from(chains, (one) => (one.gasOpen ? 0 : -1)),
    gasSeconds: 0,
    late: 0,
    last: null,
    score: 0,
  };
}

/** When the next chore of a place could begin, s; Infinity while something that it needs is held elsewhere. */
export function earliest(state: BenchState, index: number, chore: Chore, own: { gasOpen: boolean }): number {
  let at = Math.max(state.ready[index]!, Math.min(...state.hands));
  if (chore.takes) at = Math.max(at, state.free.get(chore.takes) ?? 0);
  if (chore.opensGas) at = Math.max(at, state.roomUntil);
  if (chore.clearRoom && !(own.gasOpen && state.gasOpen === 1)) at = Math.max(at, state.gasUntil);
  return at;
}

/** The bench after a chore was begun; the state before stays as it was. */
export function begun(state: BenchState, index: number, start: Start): BenchState {
  const { chore, at } = start;
  const [next, ready, hands] = [state.next.slice(), state.ready.slice(), state.hands.slice()];
  let free = state.free;
  const done = at + chore.hand;
  const missed = chore.within === undefined || state.next[index] === 0 ? 0 : Math.max(0, at - state.ready[index]! - chore.within);
  next[index] = next[index]! + 1;
  ready[index] = done + chore.then;
  hands[hands.indexOf(Math.min(...hands))] = done;
  if (chore.takes || chore.gives) free = new Map(free);
  if (chore.takes) free.set(chore.takes, Infinity);
  if (chore.gives) free.set(chore.gives, done);
  let { gasOpen, gasUntil, gasClosed, gasSince, gasSeconds } = state;
  if (chore.opensGas) {
    [gasOpen, gasUntil] = [gasOpen + 1, Infinity];
    gasSince = gasSince.slice();
    gasSince[index] = at;
  }
  if (chore.gives && !chore.opensGas && gasOpen > 0) {
    gasOpen -= 1;
    const since = gasSince[index]!;
    if (since >= 0) {
      gasSeconds += done - since;
      gasSince = gasSince.slice();
      gasSince[index] = -1;
    }
    gasClosed = Math.max(gasClosed, done);
    gasUntil = gasOpen > 0 ? Infinity : gasClosed;
  }
  const roomUntil = chore.clearRoom ? Math.max(state.roomUntil, done + chore.then) : state.roomUntil;
  return {
    next,
    ready,
    hands,
    free,
    roomUntil,
    gasUntil,
    gasOpen,
    gasClosed,
    gasSince,
    gasSeconds,
    late: state.late + missed,
    last: { before: state, start },
    score: 0,
  };
}
