import { randomUUID } from 'node:crypto';
import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Actor } from '@/core/record/event';
import type { Transaction } from '@/data/connection';
import { assetChannel, audit, changeLog, deviceLine, reference, user } from '@/data/schema';
import { channelsSchema, pickChannel } from '@/features/assets/channel-state';
import { correctChannels } from '@/features/assets/server';
import { addLine, changeLine } from '@/features/lines/server';
import { correctPerson } from '@/features/office/server';
import { addReference, correctReference, inputOf, noteCheck, referencePage, stampOf } from '@/features/shelf/server';
import { refused as refusedOrNot } from './refused';
import { openWorld, type World } from './world';

// What was entered wrongly is put right by people, with who, when, why, and from what to what; two people at one record: the second sees that it changed.
/** How it was refused; a failure if it was done. */
const refused = async (promise: Promise<unknown>) => {
  const how = await refusedOrNot(promise);
  if (!how) throw new Error('it was done');
  return how;
};
let world: World;
let admin: Actor;
const now = new Date('2026-11-28T10:00:00.000Z');
beforeAll(async () => {
  world = await openWorld();
  admin = { ...world.signatory, role: 'administrator' };
});
afterAll(() => world.close());
const inTx = <T>(work: (context: { tx: Transaction; actor: Actor; now: Date }) => Promise<T>, actor: Actor = world.technician) =>
  world.db.transaction((tx) => work({ tx, actor, now }));

describe('a bottle', () => {
  const input = (lot: string) =>
    ({
      kind: 'gas',
      role: '',
      name: 'Two gases',
      maker: 'Vantling',
      lot,
      partNumber: '',
      fitting: '',
      expires: '2027-06',
      waterVolumeL: '0.5',
      pressureBar: '69',
      price: '85',
      balance: 'air',
      certificate: 'VG/1',
      issuer: 'Vantling gases',
      traceability: 'traceable to the SI',
      stabilityIncluded: false,
      flowLPerMin: '',
      demand: false,
      components: [
        { substance: 'CO', value: '100', unit: 'ppm', expanded: '2', k: 2, table: '', corrections: '' },
        { substance: 'H2S', value: '25.0', unit: 'ppm', expanded: '1.0', k: 2, table: '', corrections: '' },
      ],
      set: '',
      nominal: '',
      openedOn: '',
      lifeDays: '',
      volumeMl: '',
      doseMl: '',
      singleDose: false,
    }) as Parameters<typeof addReference>[1];
  const rowOf = async (id: string) => (await world.db.select().from(reference).where(eq(reference.id, id)))[0]!;
  const stood = async (lot: string) => {
    const { id } = await inTx((context) => addReference(context, input(lot)));
    await inTx((context) =>
      noteCheck(context, { id, what: 'accepted', value: '', result: '', note: 'seal and label', nextDue: '' }),
    );
    return id;
  };
  const correct = async (id: string, change: object, seen?: string, actor = world.technician) => {
    const row = await rowOf(id);
    return inTx(
      (context) =>
        correctReference(context, {
          id,
          why: 'wrong line of the certificate',
          seen: seen ?? stampOf(row),
          input: { ...inputOf(row), ...change } as never,
        }),
      actor,
    );
  };
  it('what the form shows is what is on record, down to the last figure: saved untouched, nothing differs', async () => {
    const id = await stood('PR-1');
    expect(await refused(correct(id, {}))).toMatchObject({ status: 409 });
    expect(inputOf(await rowOf(id)).components).toEqual(input('PR-1').components);
  });
  it('a figure of its certificate: corrected, accepted anew before its next use, on record beside its checks and in the log', async () => {
    const id = await stood('PR-2');
    const wrong = inputOf(await rowOf(id)).components;
    expect(await correct(id, { components: [wrong[0], { ...wrong[1]!, value: '22.0' }] })).toEqual({ lapsed: true });
    const row = await rowOf(id);
    expect(row.components[1]!.value).toBe('22.0');
    expect(row.accepted).toBeNull();
    const page = (await inTx(({ tx }) => referencePage(tx, id)))!;
    expect(page.checks[0]).toMatchObject({ what: 'corrected', note: 'wrong line of the certificate', by: world.technician.name });
    const log = await world.db.select().from(changeLog).where(eq(changeLog.rowKey, id));
    expect(JSON.stringify(log.at(-1))).toMatch(/25\.0.*22\.0|22\.0.*25\.0/);
  });
  it('the price alone: nothing lapses; another kind, a lot that stands there, somebody who changed it meanwhile, and who may not: refused, nothing changed', async () => {
    const [id, other] = [await stood('PR-3'), await stood('PR-4')];
    expect(await correct(id, { price: '90' })).toEqual({ lapsed: false });
    const seen = stampOf(await rowOf(id));
    await correct(id, { maker: 'Ordfell' });
    expect(await refused(correct(id, { maker: 'Sillmere' }, seen))).toMatchObject({
      message: expect.stringMatching(/changed it meanwhile/) as string,
    });
    expect(await refused(correct(id, { kind: 'buffer' }))).toMatchObject({ status: 409 });
    expect((await refused(correct(id, { lot: 'PR-4' }))).fields).toHaveProperty('lot');
    expect(await refused(correct(id, { price: '1' }, undefined, { ...world.technician, role: 'counter' }))).toMatchObject({
      status: 403,
    });
    expect(await rowOf(id)).toMatchObject({ price: '90', maker: 'Ordfell', lot: 'PR-3' });
    expect((await rowOf(other)).lot).toBe('PR-4');
  });
});

describe('channels and sensors of one instrument', () => {
  const of = async (assetId: string) =>
    (await world.db.select().from(assetChannel).where(eq(assetChannel.assetId, assetId)).orderBy(assetChannel.position)).map(
      pickChannel,
    );
  it('a channel that is not fitted, a sensor with serial, day and warranty: with why, from what to what', async () => {
    const assetId = await world.newAsset('CH-1');
    const before = await of(assetId);
    const channels = before.map((one, index) =>
      index === 0
        ? { ...one, sensorSerial: 'CO-77', installedOn: '2026-03-01', warrantyUntil: '2028-03-01' }
        : index === 1
          ? { ...one, status: 'removed' as const }
          : one,
    );
    await inTx((context) =>
      correctChannels(context, { assetId, channels, why: 'entered as fitted', seen: JSON.stringify(before) }),
    );
    expect(await of(assetId)).toEqual(channels);
    const told = (await world.db.select().from(audit).where(eq(audit.subject, assetId))).at(-1)!;
    expect(told).toMatchObject({
      action: 'correctChannels',
      detail: { why: 'entered as fitted', before: [before[0], before[1]], after: [channels[0], channels[1]] },
    });
    expect(
      await refused(
        inTx((context) => correctChannels(context, { assetId, channels: before, why: 'too late', seen: JSON.stringify(before) })),
      ),
    ).toMatchObject({ message: expect.stringMatching(/changed it meanwhile/) as string });
  });
  it('none left, and an instrument that stands on the bench: refused; a warranty that ends before it begins is said at its field', async () => {
    const assetId = await world.newAsset('CH-2');
    const before = await of(assetId);
    const without = before.map((one) => ({ ...one, status: 'removed' as const }));
    expect(
      await refused(
        inTx((context) => correctChannels(context, { assetId, channels: without, why: 'all out', seen: JSON.stringify(before) })),
      ),
    ).toMatchObject({ status: 409 });
    await world.newTicket({ assetId });
    await world.app.query("update ticket set status = 'onBench' where asset_id = $1", [assetId]);
    const other = before.map((one) => ({ ...one, sensorSerial: 'X' }));
    expect(
      await refused(
        inTx((context) => correctChannels(context, { assetId, channels: other, why: 'seen', seen: JSON.stringify(before) })),
      ),
    ).toMatchObject({ status: 409 });
    expect(await of(assetId)).toEqual(before);
    const given = {
      assetId: randomUUID(),
      seen: 'x',
      why: 'tried',
      channels: [{ ...before[0]!, installedOn: '2026-03-01', warrantyUntil: '2026-02-01' }],
    };
    await expect(channelsSchema.validate(given, { abortEarly: false })).rejects.toMatchObject({
      inner: [{ path: 'channels[0].warrantyUntil' }],
    });
  });
});

describe('a person and a device', () => {
  it('a misspelt name and address; another’s address is refused; records keep the name of their time', async () => {
    const { rows } = await world.app.query('select id from "user" where email = \'tech@test.example\'');
    const userId = rows[0].id as string;
    const { run } = await world.finishedRun();
    const stood = (await world.app.query('select technician from run_summary where run_id = $1', [run])).rows[0].technician;
    await inTx((context) => correctPerson(context, { userId, name: 'Tekla Nori', email: 'Tekla@test.example' }), admin);
    expect((await world.db.select().from(user).where(eq(user.id, userId)))[0]).toMatchObject({
      name: 'Tekla Nori',
      email: 'tekla@test.example',
    });
    expect((await world.app.query('select technician from run_summary where run_id = $1', [run])).rows[0].technician).toBe(stood);
    expect(
      (await refused(inTx((context) => correctPerson(context, { userId, name: 'T', email: 'sign@test.example' }), admin))).fields,
    ).toHaveProperty('email');
    expect(
      await refused(inTx((context) => correctPerson(context, { userId, name: 'T', email: 't@test.example' }))),
    ).toMatchObject({ status: 403 });
  });
  it('a device: another name keeps what it said of itself, another address does not; out of the networks, twice, by who may not: refused', async () => {
    const { id } = await inTx(
      (context) => addLine(context, { kind: 'barometer', name: 'Wall', host: '127.0.0.1', port: 7001, panelPort: null }),
      admin,
    );
    await inTx(
      (context) => addLine(context, { kind: 'barometer', name: 'Other', host: '127.0.0.1', port: 7002, panelPort: null }),
      admin,
    );
    await world.app.query('update device_line set hello = \'{"maker":"Ordfell"}\', state = \'connected\' where id = $1', [id]);
    const change = (part: object, actor = admin) =>
      inTx(
        (context) =>
          changeLine(context, { id, kind: 'barometer', name: 'Wall', host: '127.0.0.1', port: 7001, ...part } as never),
        actor,
      );
    const rowOf = async () => (await world.db.select().from(deviceLine).where(eq(deviceLine.id, id)))[0]!;
    await change({ name: 'Wall, bench 2' });
    expect(await rowOf()).toMatchObject({ name: 'Wall, bench 2', state: 'connected', hello: { maker: 'Ordfell' } });
    await change({ port: 7003 });
    expect(await rowOf()).toMatchObject({ port: 7003, state: 'away', hello: null });
    expect((await refused(change({ host: '169.254.1.1' }))).fields).toHaveProperty('host');
    expect((await refused(change({ port: 7002 }))).fields).toHaveProperty('port');
    expect(await refused(change({ port: 7004 }, world.technician))).toMatchObject({ status: 403 });
    expect((await rowOf()).port).toBe(7003);
  });
});
