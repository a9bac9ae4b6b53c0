import type { Chain, Start } from './chore';

/**
 * How long gas is open at each place, s, while things are done in these starts: from the chore that opens it to the end of the one that gives its bottle back. What is open already counts from now; what is never given back, to its last chore.
 * Errors: none.
 *
 * @example
 * gasOpenFor([{ place: 1, chore: opens, at: 0 }, { place: 1, chore: shuts, at: 90 }], chains).get(1) // 98
 */
export function gasOpenFor(starts: readonly Start[], chains: readonly Chain[]): Map<number, number> {
  const seconds = new Map<number, number>();
  for (const chain of chains) {
    let since: number | null = chain.gasOpen ? 0 : null;
    let sum = 0;
    let last = 0;
    for (const { chore, at } of starts.filter((one) => one.place === chain.place)) {
      last = at + chore.hand;
      if (chore.opensGas) since ??= at;
      if (chore.gives && since !== null) {
        sum += last - since;
        since = null;
      }
    }
    if (since !== null) sum += last - since;
    if (sum > 0) seconds.set(chain.place, sum);
  }
  return seconds;
}

/**
 * The same things done one place after another, each waited for: what a plan is compared with.
 * Errors: none.
 *
 * @example
 * inTurn([{ place: 1, chores: [a, b], ready: 10, holds: [], gasOpen: false }])[0].at // 10
 */
export function inTurn(chains: readonly Chain[]): Start[] {
  let now = 0;
  return chains
    .toSorted((a, b) => a.ready - b.ready)
    .flatMap((chain) => {
      let at = Math.max(now, chain.ready);
      const starts = chain.chores.map((chore): Start => {
        const start = { place: chain.place, chore, at };
        at += chore.hand + chore.then;
        return start;
      });
      now = at;
      return starts;
    });
}
