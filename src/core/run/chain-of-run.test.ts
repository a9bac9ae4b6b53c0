import { expect, it } from 'vitest';
import { open, plainly } from '@/procedures/plain-day.fixture';
import { chainOfRun } from './chain-of-run';
import { conduct } from '../conductor/conduct';
import { plan } from './plan';

const MODELS = ['OF-410', 'VT-40', 'BN-A'];

it.each(MODELS)(
  'of %s at every step of a plain day: what it says is left is what the sheet says, gas that is open is held, and what is taken comes back',
  (model) => {
    const run = open(model);
    const bottle = model === 'BN-A' ? 'dry' : 'four';
    for (let guard = 0; guard < 200; guard += 1) {
      const chain = chainOfRun({ place: 1, procedure: run.procedure, state: run.state, now: run.now.toISOString(), seconds: {} });
      const left = plan(run.procedure, run.state).filter((one) => one.status === 'todo' || one.status === 'open');
      expect(chain.chores.map((one) => one.id)).toEqual(left.filter((one) => one.step.kind !== 'wait').map((one) => one.key));
      const held = new Set(chain.holds);
      expect(chain.gasOpen).toBe(held.size > 0);
      for (const chore of chain.chores) {
        expect(chore.hand).toBeGreaterThan(0);
        if (chore.takes) {
          expect(held.has(chore.takes)).toBe(false);
          held.add(chore.takes);
        }
        if (chore.gives) expect(held.delete(chore.gives)).toBe(true);
        // A zero from the room never stands between its own gas on and off.
        if (chore.clearRoom) expect(held.size).toBe(0);
      }
      expect(held.size).toBe(0);
      const { starts } = conduct({
        chains: [chain, { ...chain, place: 2, holds: [], gasOpen: false, chores: chain.holds.length ? [] : chain.chores }],
        hands: 1,
      });
      expect(starts.filter((one) => one.place === 1)).toHaveLength(chain.chores.length);
      if (!plainly(run, bottle)) break;
    }
    expect(plan(run.procedure, run.state).every((one) => one.status === 'done' || one.status === 'skipped')).toBe(true);
  },
);

it('a wait that goes on is not asked for again: what is left of it passes before the next thing', () => {
  const run = open('OF-410');
  const [first] = run.current();
  expect(first!.step.kind).toBe('wait');
  const before = chainOfRun({ place: 1, procedure: run.procedure, state: run.state, now: run.now.toISOString(), seconds: {} });
  run.wait(60);
  const after = chainOfRun({ place: 1, procedure: run.procedure, state: run.state, now: run.now.toISOString(), seconds: {} });
  expect(before.ready - after.ready).toBeCloseTo(Math.min(60, before.ready), 0);
  expect(after.chores).toEqual(before.chores);
});
