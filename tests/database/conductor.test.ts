import { afterAll, beforeAll, expect, it } from 'vitest';
import { conduct } from '@/core/conductor/conduct';
import { approveRun } from '@/features/certificates/server';
import { benchChains } from '@/features/bench/server';
import { openWorld, type World } from './world';

let world: World;
const chains = (later = 0) => world.db.transaction((tx) => benchChains(tx, new Date(Date.now() + later)));
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());

it('what stands on the bench is conducted: what is left at each place, one bottle for both, an order in which all is done; times come from own runs once there are enough', async () => {
  expect(await chains()).toEqual([]);
  const one = await world.finishedRun({ assetId: await world.newAsset('CO-1'), stopAt: 'found-gas-on' });
  const two = await world.finishedRun({ assetId: await world.newAsset('CO-2'), stopAt: 'found-gas-on' });
  await world.superuser.query("update ticket set status = 'onBench', place = 5 where id = $1", [one.ticketId]);
  await world.superuser.query("update ticket set status = 'onBench', place = 6 where id = $1", [two.ticketId]);
  const before = await chains();
  expect(before.map((chain) => [chain.place, chain.run, chain.serial])).toEqual([
    [5, one.run, 'CO-1'],
    [6, two.run, 'CO-2'],
  ]);
  for (const chain of before) expect(chain.chores[0]).toMatchObject({ takes: world.bottleId, opensGas: true });
  const { starts } = conduct({ chains: before, hands: 2 });
  expect(starts).toHaveLength(before[0]!.chores.length + before[1]!.chores.length);
  const opened = starts.filter((start) => start.chore.takes === world.bottleId);
  const closed = starts.filter((start) => start.chore.gives === world.bottleId);
  // One regulator: the second opens when the first is shut.
  expect(opened[1]!.at).toBeGreaterThanOrEqual(closed[0]!.at);
  for (let n = 0; n < 5; n += 1) {
    const { run } = await world.finishedRun({ assetId: await world.newAsset(`CO-D${n}`) });
    await world.db.transaction((tx) => approveRun({ tx, actor: world.signatory, now: new Date() }, { runId: run }));
  }
  // What stands there and was not begun is the first thing to do there.
  const ticket = await world.newTicket({ assetId: await world.newAsset('CO-N') });
  await world.superuser.query("update ticket set status = 'onBench', place = 4, placed_at = now() where id = $1", [ticket.id]);
  const [fresh] = await chains();
  expect(fresh).toMatchObject({ place: 4, run: ticket.id, href: `/tickets/${ticket.id}`, chores: [{ id: 'begin' }] });
  await world.superuser.query("update ticket set status = 'inTray', place = null where id = $1", [ticket.id]);
  const hands = (all: Awaited<ReturnType<typeof chains>>) => all[0]!.chores.map((chore) => chore.hand);
  // What was learnt is asked again after ten minutes.
  const after = (await chains(700_000)).filter((chain) => chain.run === one.run);
  expect(hands(after)).toHaveLength(hands(before).length);
  expect(hands(after)).not.toEqual(hands(before));
});
