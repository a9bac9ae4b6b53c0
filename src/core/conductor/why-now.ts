import type { Chain, Conducted, Start } from './chore';

/** Why something is next. Closed. */
export const WHYS = ['deadline', 'frees', 'clears', 'sets', 'longest', 'inTurn'] as const;
export type Why = (typeof WHYS)[number];

/**
 * Why a plan begins with what it begins with: a deadline runs; it gives back what another place waits for; the room is clear now; time passes by itself behind it; most is left to do there; else its turn.
 * Errors: none.
 *
 * @example
 * whyNow(conduct({ chains, hands: 1 }), chains) // { why: 'sets', seconds: 90 }
 */
export function whyNow({ starts }: Pick<Conducted, 'starts'>, chains: readonly Chain[]): { why: Why; seconds: number } | null {
  const [first] = starts;
  if (!first) return null;
  const { chore, place } = first;
  const others = (one: Start) => one.place !== place;
  if (chore.within !== undefined) return { why: 'deadline', seconds: chore.within };
  if (chore.gives && starts.some((one) => others(one) && (one.chore.takes === chore.gives || one.chore.clearRoom)))
    return { why: 'frees', seconds: 0 };
  if (chore.clearRoom && starts.some((one) => others(one) && one.chore.opensGas)) return { why: 'clears', seconds: 0 };
  if (chore.then > 0) return { why: 'sets', seconds: chore.then };
  const left = (chain: Chain) => chain.ready + chain.chores.reduce((sum, one) => sum + one.hand + one.then, 0);
  const own = chains.find((one) => one.place === place);
  return { why: own && chains.length > 1 && chains.every((one) => left(one) <= left(own)) ? 'longest' : 'inTurn', seconds: 0 };
}
