import { afterAll, beforeAll, expect, it } from 'vitest';
import type { Actor } from '@/core/record/event';
import type { Transaction } from '@/data/connection';
import { installationChecks, installed, listChanges, noteInstallation, withdrawInstallation } from '@/features/office/server';
import { refused } from './refused';
import { openWorld, type World } from './world';

let world: World;
const now = new Date();
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());

it('a version is tried before it is worked with: noted for the version that runs alone, withdrawn with a reason, and every step on record', async () => {
  const admin: Actor = { ...world.signatory, role: 'administrator' };
  const inTx = <T>(work: (context: { tx: Transaction; actor: Actor; now: Date }) => Promise<T>, actor = admin) =>
    world.db.transaction((tx) => work({ tx, actor, now }));
  const found = () => inTx(({ tx }) => installationChecks(tx));
  const record = {
    tried: 'Samples read back, two documents checked.',
    result: 'As expected.',
    checkedBy: 'Tess',
    checkedOn: '2026-11-20',
  };
  expect(await found()).toMatchObject({ tried: false, checks: [] });
  expect(await refused(inTx((context) => noteInstallation(context, record), world.signatory))).toMatchObject({ status: 403 });
  await inTx((context) => noteInstallation(context, record));
  const { tried, checks } = await found();
  expect([tried, checks[0]!.software]).toEqual([true, installed()]);
  process.env.WERKBANK_VERSION = '99.0.0';
  expect((await found()).tried).toBe(false);
  delete process.env.WERKBANK_VERSION;
  await inTx((context) => withdrawInstallation(context, { checkId: checks[0]!.id, why: 'of the old machine' }));
  expect(await found()).toMatchObject({ tried: false, checks: [{ withdrawnWhy: 'of the old machine' }] });
  expect(await refused(inTx((context) => withdrawInstallation(context, { checkId: checks[0]!.id, why: 'again' })))).toMatchObject(
    { status: 409 },
  );
  await expect(world.app.query("update installation_check set result = 'better'")).rejects.toThrow(/permission denied/);
  const changes = await inTx(({ tx }) => listChanges(tx, { table: 'installation_check' }));
  expect(JSON.stringify(changes)).toContain('of the old machine');
});
