import { requireRange } from '../range-error';
import { seededUniform } from '../uncertainty/random';
import { greedy, openAt } from './greedy';
import { begun, beginning, earliest, type BenchState } from './bench-state';
import { clearFor, gases, heldFor, lowerBound, oneByOne } from './bound';
import type { Chain, Conducted, Start } from './chore';

/** Things that are tried while orders are followed side by side: of a small bench more orders at a time than of a full one. */
const TRIED = 6_000;
const WIDEST = 160;
/** Up to so many places orders are followed side by side as well. */
const FEW = 8;
/** Orders that are made straight on, and how long gas waits in them for zeros that come, s. */
const MANNERS = 24;
/** Of few places so many of the best orders are improved: one alone may be a dead end. */
const BEGINNINGS = 2;
/** Orders of so few things are improved for longer: each try costs little. */
const SMALL = 20;
/** Things that are begun while an order is improved: what it costs does not grow with the bench. */
const MOVES = 8_000;
const PATIENCES = [0, 30, 60, 120, 240, 480];
/** Ten minutes of gas are worth so many seconds: far less than what a plan may miss its best by. */
const GAS_COSTS = 4 / 600;
/** A second too late costs as much as so many of the whole: a deadline is kept before time is saved. */
const LATE_COSTS = 1000;

/**
 * In which order hands go from place to place so that all is done soonest: what takes a bottle waits for it, nothing is zeroed from the room while gas is open elsewhere, deadlines are kept. Orders are made
 * straight on in several manners; for few places they are also followed side by side, those kept at each step that can still end soonest. Every chore begins as early as its order lets it.
 * Arguments: chains as they stand; hands 1 to 8. Errors: RangeError. Source: list scheduling by longest tail (Graham 1966) with randomised weights, beam search (Ow and Morton 1988); the bound is our own sum of hands, chains and shared things.
 *
 * @example
 * conduct({ chains, hands: 1 }).starts[0] // { place: 3, chore: { label: 'Open FG-1402' … }, at: 0 }
 */
export function conduct({ chains, hands }: { chains: readonly Chain[]; hands: number }): Conducted {
  requireRange('hands', hands, 1, 8);
  const made = [...straightOn(chains, hands), ...(chains.length <= FEW ? [sideBySide(chains, hands)] : [])];
  const found = made
    .sort((a, b) => costOf(a) - costOf(b))
    .slice(0, chains.length <= FEW ? BEGINNINGS : 1)
    .map((one) => improved(chains, hands, one))
    .reduce((best, one) => (costOf(one) < costOf(best) - 1e-9 ? one : best));
  const starts: Start[] = [];
  for (let at: BenchState | null = found; at?.last; at = at.last.before) starts.push(at.last.start);
  return {
    starts: starts.reverse().sort((a, b) => a.at - b.at),
    ends: Math.max(0, ...found.ready),
    bound: lowerBound(chains, hands),
    oneByOne: oneByOne(chains),
  };
}

const left = ({ next }: BenchState): number => -next.reduce((sum, one) => sum + one, 0);
/** What an order costs: first that all is in it, then deadlines, then time; of orders about as quick the one that leaves gas open for less. */
const costOf = (state: BenchState): number =>
  left(state) * 1e9 + state.late * LATE_COSTS + Math.max(0, ...state.ready) + state.gasSeconds * GAS_COSTS;

/** Orders made straight on, each in another manner; the same ones each time. */
function straightOn(chains: readonly Chain[], hands: number): BenchState[] {
  // The same numbers each time: a plan that jumps about is none.
  const next = seededUniform(chains.length * 31 + hands);
  return Array.from({ length: MANNERS }, (_one, index) =>
    greedy(chains, hands, {
      weights: chains.map(() => (index < PATIENCES.length ? 1 : 0.4 + 1.2 * next())),
      patience: PATIENCES[index % PATIENCES.length]!,
      slack: index % 2 ? 0 : 15,
      shuts: index % 3 === 2,
    }),
  );
}

/** Orders followed side by side from the first thing to do on. */
function sideBySide(chains: readonly Chain[], hands: number): BenchState {
  const tails = chains.map(tailsOf);
  const open = gases(chains);
  let beam = [beginning(chains, hands)];
  const steps = chains.reduce((sum, one) => sum + one.chores.length, 0);
  const width = Math.min(WIDEST, Math.max(8, Math.round(TRIED / (steps * chains.length))));
  for (let step = 0; step < steps; step += 1) {
    const next: BenchState[] = [];
    for (const state of beam)
      for (const [index, chain] of chains.entries()) {
        const chore = chain.chores[state.next[index]!];
        if (!chore) continue;
        const at = earliest(state, index, chore, { gasOpen: openAt(chain, state.next[index]!) });
        if (at === Infinity) continue;
        const after = begun(state, index, { place: chain.place, chore, at });
        after.score = scoreOf(after, tails, open) + after.late * LATE_COSTS;
        next.push(after);
      }
    // Held for ever by each other: what can't be ordered is left out rather than invented.
    if (next.length === 0) break;
    beam = best(next, width);
  }
  return beam[0]!;
}

/** The same bench, with each place's next chore begun in this order; null where one of them can't be. */
function follow(chains: readonly Chain[], hands: number, order: readonly number[]): BenchState | null {
  let state = beginning(chains, hands);
  for (const index of order) {
    const chore = chains[index]!.chores[state.next[index]!];
    if (!chore) return null;
    const at = earliest(state, index, chore, { gasOpen: openAt(chains[index]!, state.next[index]!) });
    if (at === Infinity) return null;
    state = begun(state, index, { place: chains[index]!.place, chore, at });
  }
  return state;
}

/** An order with one of its things moved, again and again, as long as it gets no worse. */
function improved(chains: readonly Chain[], hands: number, found: BenchState): BenchState {
  let best = found;
  let order: number[] = [];
  for (let at: BenchState | null = found; at?.last; at = at.last.before)
    order.push(chains.findIndex((one) => one.place === at!.last!.start.place));
  order.reverse();
  const tries = order.length ? Math.round(((order.length <= SMALL ? 4 : 1) * MOVES) / order.length) : 0;
  const next = seededUniform(order.length);
  for (let n = 0; n < tries && Math.max(0, ...best.ready) > lowerBound(chains, hands); n += 1) {
    const moved = [...order];
    const [one, other] = [Math.floor(next() * order.length), Math.floor(next() * order.length)];
    if (n % 3 === 0) [moved[one], moved[other]] = [moved[other]!, moved[one]!];
    else moved.splice(other, 0, ...moved.splice(one, 1));
    const state = follow(chains, hands, moved);
    if (state && costOf(state) <= costOf(best)) [best, order] = [state, moved];
  }
  return best;
}

interface Tails {
  length: Float64Array;
  hand: Float64Array;
  clear: Float64Array;
  held: Map<string, number>[];
}

/** What is left of a chain from each of its chores on: time, work, and how long it holds what. */
function tailsOf(chain: Chain): Tails {
  const n = chain.chores.length;
  const [length, hand, clear] = [new Float64Array(n + 1), new Float64Array(n + 1), new Float64Array(n + 1)];
  for (let at = n - 1; at >= 0; at -= 1) {
    length[at] = length[at + 1]! + chain.chores[at]!.hand + chain.chores[at]!.then;
    hand[at] = hand[at + 1]! + chain.chores[at]!.hand;
    clear[at] = clearFor(chain.chores.slice(at));
  }
  const held = Array.from({ length: n + 1 }, (_one, at) =>
    heldFor({ ...chain, chores: chain.chores.slice(at), holds: heldAt(chain, at) }),
  );
  return { length, hand, clear, held };
}

function heldAt(chain: Chain, upTo: number): string[] {
  const open = new Set(chain.holds);
  for (const one of chain.chores.slice(0, upTo)) {
    if (one.takes) open.add(one.takes);
    if (one.gives) open.delete(one.gives);
  }
  return [...open];
}

/** What an order that began like this could end at best: hands, chains and shared things from here on; then how far all places are on the mean. */
function scoreOf(state: BenchState, tails: readonly Tails[], open: ReadonlySet<string>): number {
  let [longest, work, sum, clear] = [0, 0, 0, 0];
  const shared = new Map<string, number>();
  for (const [index, tail] of tails.entries()) {
    const at = state.next[index]!;
    const ends = state.ready[index]! + tail.length[at]!;
    longest = Math.max(longest, ends);
    sum += ends;
    work += tail.hand[at]!;
    clear += tail.clear[at]!;
    for (const [thing, seconds] of tail.held[at]!) shared.set(thing, (shared.get(thing) ?? 0) + seconds);
  }
  const hands = (state.hands.reduce((total, one) => total + one, 0) + work) / state.hands.length;
  let bound = Math.max(longest, hands);
  for (const [thing, seconds] of shared) {
    const free = state.free.get(thing) ?? 0;
    const turns = open.has(thing) ? clear / state.hands.length : 0;
    bound = Math.max(bound, (free === Infinity ? Math.min(...state.hands) : free) + seconds + turns);
  }
  return bound + (sum / Math.max(1, tails.length)) * 1e-3;
}

/** The best ones, each place in its order once: two orders that come to the same are one. */
function best(states: BenchState[], width: number): BenchState[] {
  states.sort((a, b) => a.score - b.score);
  const kept: BenchState[] = [];
  const seen = new Set<string>();
  for (const state of states) {
    const key = `${state.next.join()}/${state.ready.join()}/${state.hands.join()}`;
    if (seen.has(key)) continue;
    seen.add(key);
    kept.push(state);
    if (kept.length === width) break;
  }
  return kept;
}
