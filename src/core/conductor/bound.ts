import type { Chain, Chore } from './chore';

const length = (chain: Chain): number => chain.chores.reduce((sum, one) => sum + one.hand + one.then, 0);

/** How long each chain holds each thing from its first taking to its last giving back, s. */
export function heldFor(chain: Chain): Map<string, number> {
  const held = new Map<string, number>();
  const open = new Set(chain.holds);
  for (const one of chain.chores) {
    if (one.takes) open.add(one.takes);
    for (const thing of open) held.set(thing, (held.get(thing) ?? 0) + one.hand + (one.gives === thing ? 0 : one.then));
    if (one.gives) open.delete(one.gives);
  }
  return held;
}

/** Things that are gas which is open while they are held. */
export const gases = (chains: readonly Chain[]): Set<string> =>
  new Set(
    chains.flatMap((chain) => [
      ...(chain.gasOpen ? chain.holds : []),
      ...chain.chores.flatMap((one) => (one.opensGas && one.takes ? [one.takes] : [])),
    ]),
  );

/** Seconds for which chores of a chain need the room clear. */
export const clearFor = (chores: readonly Chore[]): number =>
  chores.reduce((sum, one) => sum + (one.clearRoom ? one.hand + one.then : 0), 0);

/** What no order could be quicker than, s: all work over the hands there are, the longest chain, each shared thing; the room's air is shared as well: what is zeroed from it and what is open into it take turns. */
export function lowerBound(chains: readonly Chain[], hands: number): number {
  const work = chains.reduce((sum, chain) => sum + chain.chores.reduce((of, one) => of + one.hand, 0), 0) / hands;
  const longest = Math.max(0, ...chains.map((chain) => chain.ready + length(chain)));
  const shared = new Map<string, number>();
  for (const chain of chains)
    for (const [thing, seconds] of heldFor(chain)) shared.set(thing, (shared.get(thing) ?? 0) + seconds);
  const clear = chains.reduce((sum, chain) => sum + clearFor(chain.chores), 0) / hands;
  const open = gases(chains);
  return Math.max(work, longest, 0, ...[...shared].map(([thing, seconds]) => seconds + (open.has(thing) ? clear : 0)));
}

/** One place after another, each waited for to its end, s. */
export const oneByOne = (chains: readonly Chain[]): number =>
  chains.toSorted((a, b) => a.ready - b.ready).reduce((at, chain) => Math.max(at, chain.ready) + length(chain), 0);
