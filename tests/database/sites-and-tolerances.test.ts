import { and, eq } from 'drizzle-orm';
import Papa from 'papaparse';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { CertificateVersion2 } from '@/core/certificate/version-2';
import type { Actor } from '@/core/record/event';
import { asset, assetChannel, certificate } from '@/data/schema';
import { assetCard, assetsCsv, giveToCustomer, listAssets, putAtSite } from '@/features/assets/server';
import { approveRun } from '@/features/certificates/server';
import { findAnything } from '@/features/counter/server';
import {
  createCustomer,
  customerCard,
  endSite,
  endTolerance,
  keepSite,
  keepTolerance,
  mergeCustomers,
  undoMerge,
  type CustomerInput,
} from '@/features/customers/server';
import { verifyRecords } from '@/features/office/server';
import { asActor } from '@/platform/as-actor';
import type { UseCaseContext } from '@/platform/use-case';
import { refused } from './refused';
import { openWorld, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());

const inTx = <T>(work: (context: UseCaseContext) => Promise<T>, actor: Actor = world.technician) =>
  world.db.transaction(async (tx) => {
    await asActor(tx, actor, 'test');
    return work({ tx, actor, now: new Date() });
  });
const make = (name: string) =>
  inTx((context) =>
    createCustomer(context, {
      name,
      address: '',
      contact: '',
      email: '',
      phone: '',
      notes: '',
      wantsReminders: true,
      agreesDue: false,
    } as CustomerInput),
  );
const siteOf = async (assetId: string) => (await world.db.select().from(asset).where(eq(asset.id, assetId)))[0]!.siteId;
const card = (id: string) => inTx(({ tx }) => customerCard(tx, id, new Date()));

describe('a tolerance that was agreed with a customer', () => {
  /** A channel of the instrument, read so much off before anything was adjusted. */
  async function readOff(role: string, share: number) {
    const assetId = await world.newAsset();
    const [channel] = await world.db
      .select()
      .from(assetChannel)
      .where(and(eq(assetChannel.assetId, assetId), eq(assetChannel.role, role)));
    const { run } = await world.finishedRun({ assetId, behaviour: { foundError: { [channel!.id]: share } } });
    await world.db.transaction((tx) => approveRun({ tx, actor: world.signatory, now: new Date() }, { runId: run }));
    const [issued] = await world.db.select().from(certificate).where(eq(certificate.runId, run));
    return issued!.content as CertificateVersion2;
  }
  const agree = (tolerance: object, more: object = {}) =>
    inTx((context) =>
      keepTolerance(context, {
        customerId: world.customerId,
        modelId: world.modelId,
        role: 'co',
        tolerance,
        agreedOn: '2026-11-02',
        agreedWith: 'their letter of that day',
        ...more,
      }),
    );

  it('decides the verdict, stands on the document as agreed (ISO/IEC 17025:2017, 7.1.3 and 7.8.6.2), and ends', async () => {
    // The model's own CO tolerance is wider than 4 % of 100 ppm; so narrow an agreed one is not met by the same reading.
    const usual = await readOff('co', -0.04);
    expect([usual.conformity.asFound, usual.conformity.specification.whose]).toEqual(['within', 'maker']);
    await agree({ absolute: '2' });
    const narrow = await readOff('co', -0.04);
    expect(narrow.conformity.asFound).toBe('outside');
    expect(narrow.conformity.specification).toMatchObject({ whose: 'customer', name: expect.stringContaining('2026-11-02') });
    const said = narrow.item.channels.find((one) => one.label === 'CO')!.tolerance;
    expect(said).toContain('± 2 ppm');
    expect(said).toContain('agreed with the customer');
    // Others of the same instrument are judged as before.
    expect(narrow.item.channels.find((one) => one.label !== 'CO')!.tolerance).not.toContain('agreed');
    const [held] = (await card(world.customerId))!.tolerances;
    await inTx((context) => endTolerance(context, { toleranceId: held!.id }));
    expect((await readOff('co', -0.04)).conformity).toMatchObject({ asFound: 'within', specification: { whose: 'maker' } });
    expect(await refused(inTx((context) => endTolerance(context, { toleranceId: held!.id })))).toMatchObject({ status: 404 });
  });
  it('is refused at its field where the display can’t show it, or there is no such channel; changed, it is one still', async () => {
    expect(await refused(agree({ absolute: '0.5' }))).toMatchObject({
      status: 409,
      fields: { 'tolerance.absolute': expect.stringContaining('1 ppm') },
    });
    expect(await refused(agree({}))).toMatchObject({ fields: { 'tolerance.absolute': expect.any(String) } });
    expect(await refused(agree({ absolute: '2' }, { role: 'nothing' }))).toMatchObject({ status: 404 });
    await agree({ absolute: '3' });
    await agree({ absolute: '5', percentOfTarget: '8' });
    expect((await card(world.customerId))!.tolerances.map((one) => one.tolerance)).toEqual([
      { absolute: '5', percentOfTarget: '8' },
    ]);
    expect(
      await refused(
        inTx((context) => endTolerance(context, { toleranceId: world.customerId }), { id: 'x', name: 'x', role: 'auditor' }),
      ),
    ).toMatchObject({ status: 403 });
  });
});

describe('sites of a customer', () => {
  it('an instrument is at one of its customer’s, is found by it and stands in the table with it; of another’s it can’t be', async () => {
    const [owner, other] = [world.customerId, (await make('Other Yard')).id];
    const { id: north } = await inTx((context) =>
      keepSite(context, { customerId: owner, name: 'North basin', address: 'Gate 2' }),
    );
    const { id: theirs } = await inTx((context) => keepSite(context, { customerId: other, name: 'South pier', address: '' }));
    expect(
      await refused(inTx((context) => keepSite(context, { customerId: owner, name: 'NORTH BASIN', address: '' }))),
    ).toMatchObject({ status: 409, fields: { name: expect.any(String) } });
    const assetId = await world.newAsset('SITE-1');
    await inTx((context) => putAtSite(context, { assetId, siteId: north }));
    expect(await refused(inTx((context) => putAtSite(context, { assetId, siteId: theirs })))).toMatchObject({ status: 404 });
    const { rows } = await inTx(({ tx }) => listAssets(tx, { q: 'north bas' }));
    expect(rows.map((row) => [row.serial, row.site])).toEqual([['SITE-1', 'North basin']]);
    const csv = Papa.parse<Record<string, string>>(await inTx(({ tx }) => assetsCsv(tx, { q: 'north bas' })), { header: true });
    expect(csv.data[0]).toMatchObject({ serial: 'SITE-1', site: 'North basin' });
    const found = await inTx((context) => findAnything(context, { text: 'north basin' }));
    expect(found.find((one) => one.group === 'sites')!.hits).toMatchObject([
      { href: `/customers/${owner}`, label: 'North basin' },
    ]);
    expect((await inTx(({ tx }) => assetCard(tx, assetId)))!.sites).toMatchObject([{ name: 'North basin', instruments: 1 }]);
    // The database itself knows no instrument at a site of another.
    await expect(world.app.query('update asset set site_id = $1 where id = $2', [theirs, assetId])).rejects.toThrow(/asset_site/);
    // Sold: it is at no site of the old owner.
    await inTx((context) => giveToCustomer(context, { assetId, customerId: other, why: 'sold' }));
    expect(await siteOf(assetId)).toBeNull();
  });
  it('ended, its instruments are at none; merged, sites come along and go back, a second of the same name under another', async () => {
    const [{ id: stays }, { id: gone }] = [await make('Stays Works'), await make('Goes Works')];
    const keep = (customerId: string, name: string) => inTx((context) => keepSite(context, { customerId, name, address: '' }));
    const [, { id: second }] = [await keep(stays, 'Hall 1'), await keep(gone, 'Hall 1')];
    const assetId = await world.newAsset();
    await inTx((context) => giveToCustomer(context, { assetId, customerId: gone, why: 'bought' }));
    await inTx((context) => putAtSite(context, { assetId, siteId: second }));
    await inTx((context) => mergeCustomers(context, { stays, gone, why: 'one' }));
    expect((await card(stays))!.sites.map((one) => [one.name, one.instruments])).toEqual([
      ['Hall 1', 0],
      ['Hall 1 (Goes Works)', 1],
    ]);
    const [merge] = (await card(stays))!.merges;
    // Bought by the other meanwhile, and put where the site goes back from.
    const bought = await world.newAsset();
    await inTx((context) => giveToCustomer(context, { assetId: bought, customerId: stays, why: 'bought' }));
    await inTx((context) => putAtSite(context, { assetId: bought, siteId: second }));
    await inTx((context) => undoMerge(context, { mergeId: merge!.id }));
    expect([await siteOf(assetId), await siteOf(bought)]).toEqual([second, null]);
    expect(await inTx((context) => endSite(context, { siteId: second }))).toEqual({ instruments: 1 });
    expect(await siteOf(assetId)).toBeNull();
    expect((await card(gone))!.sites).toEqual([]);
    expect((await inTx(({ tx }) => verifyRecords(tx))).faults).toEqual([]);
  });
});
