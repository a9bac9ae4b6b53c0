import { randomUUID } from 'node:crypto';
import { desc, eq } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { houseCheck, reference } from '@/data/schema';
import { approveRun } from '@/features/certificates/server';
import { lookAtLots, lotOutlook, lotWitnesses, lowLots } from '@/features/recall/server';
import { asActor } from '@/platform/as-actor';
import { openWorld, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());

/** Runs of instruments of their own against a lot, each with the error of its CO sensor as a share of the gas. */
async function calibrate(bottleId: string, errors: readonly number[]): Promise<void> {
  for (const error of errors) {
    const assetId = await world.newAsset();
    const { rows } = await world.app.query<{ id: string }>(`select id from asset_channel where asset_id = $1 and role = 'co'`, [
      assetId,
    ]);
    const { run } = await world.finishedRun({ assetId, bottleId, behaviour: { foundError: { [rows[0]!.id]: error } } });
    await world.db.transaction(async (tx) => {
      await asActor(tx, world.signatory, 'test');
      await approveRun({ tx, actor: world.signatory, now: new Date() }, { runId: run });
    });
  }
}
async function newLot(lot: string): Promise<string> {
  const [bottle] = await world.db.select().from(reference).where(eq(reference.id, world.bottleId));
  const id = randomUUID();
  await world.db.insert(reference).values({ ...bottle!, id, lot });
  return id;
}
const found = () => world.db.transaction((tx) => lotWitnesses(tx, new Date()));

describe('a lot that reads low on several instruments', () => {
  it('is named with the gas that fades and no other, by figures of approved runs; a sound lot is not; the night keeps what it found', async () => {
    await calibrate(world.bottleId, [0.01, -0.02, 0, 0.03, -0.01, -0.03, 0.02, 0.01, -0.02, 0, 0.02]);
    expect(await found()).toEqual([]);
    const faded = await newLot('LOT-FADED');
    await calibrate(faded, [-0.12, -0.16, -0.14, -0.17]);
    expect(await found(), 'four are no witness').toEqual([]);
    await calibrate(faded, [-0.13, -0.15]);
    const judged = await found();
    expect(judged.filter((one) => one.suspicious)).toMatchObject([
      { lot: 'LOT-FADED', substance: 'CO', instruments: 6, earlier: 11 },
    ]);
    const { shift, explained, probability } = judged.find((one) => one.suspicious)!;
    expect(shift).toBeGreaterThan(-17);
    expect(shift).toBeLessThan(-12);
    expect(explained).toBeLessThan(12);
    expect(probability).toBeLessThan(0.002);
    const low = await lookAtLots(world.db, new Date());
    expect(low).toHaveLength(1);
    const [kept] = await world.db.select().from(houseCheck).where(eq(houseCheck.kind, 'lots')).orderBy(desc(houseCheck.id));
    expect(kept).toMatchObject({ ok: false });
    expect(await world.db.transaction((tx) => lowLots(tx))).toMatchObject([{ lot: 'LOT-FADED', substance: 'CO' }]);
    // Its page says how often what it found was within, and that CO is what fails: six runs of four channels, each figure once.
    const outlook = (await world.db.transaction((tx) => lotOutlook(tx, faded)))!;
    expect(outlook).toMatchObject({ runs: 6, of: 24 });
    expect(outlook.fails[0]).toMatchObject({ label: 'CO', of: 6 });
    expect(outlook.fails[0]!.outside).toBeGreaterThanOrEqual(4);
    expect(outlook.lower).toBeLessThan(outlook.within / outlook.of);
    expect(outlook.upper).toBeGreaterThan(outlook.within / outlook.of);
    expect(await world.db.transaction((tx) => lotOutlook(tx, world.bottleId))).toMatchObject({ runs: 11, of: 44 });
  });
});
