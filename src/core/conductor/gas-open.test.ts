import { describe, expect, it } from 'vitest';
import { conduct } from './conduct';
import { oneByOne } from './bound';
import type { Chain } from './chore';
import { gasOpenFor, inTurn } from './gas-open';

const monitor = (place: number, bottle: string): Chain => ({
  place,
  ready: 0,
  holds: [],
  gasOpen: false,
  chores: [
    { id: 'zero', label: 'Zero', hand: 15, then: 0, clearRoom: true },
    { id: 'on', label: 'Open gas', hand: 8, then: 60, takes: bottle, opensGas: true },
    { id: 'read', label: 'Read', hand: 12, then: 0 },
    { id: 'off', label: 'Shut gas', hand: 8, then: 120, gives: bottle },
  ],
});

describe('gas while a bench is worked', () => {
  it('one after another each bottle is open for what its own chores take, and it takes as long as the bound says', () => {
    const chains = [monitor(1, 'A'), monitor(2, 'A'), monitor(3, 'B')];
    const starts = inTurn(chains);
    expect([...gasOpenFor(starts, chains).values()]).toEqual([88, 88, 88]);
    const last = starts.at(-1)!;
    expect(last.at + last.chore.hand + last.chore.then).toBe(oneByOne(chains));
  });
  it('conducted none is open for less, and what is open already counts from now', () => {
    const chains = [monitor(1, 'A'), monitor(2, 'A'), monitor(3, 'B')];
    const conducted = gasOpenFor(conduct({ chains, hands: 1 }).starts, chains);
    for (const seconds of conducted.values()) expect(seconds).toBeGreaterThanOrEqual(88);
    const open: Chain = { ...monitor(4, 'C'), gasOpen: true, holds: ['C'], chores: monitor(4, 'C').chores.slice(2) };
    expect(gasOpenFor(inTurn([open]), [open]).get(4)).toBe(20);
  });
});
