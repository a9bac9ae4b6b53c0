import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Actor } from '@/core/record/event';
import type { Transaction } from '@/data/connection';
import { asset, assetChannel, audit, certificate, instrumentModel } from '@/data/schema';
import { correctAsset, giveToCustomer } from '@/features/assets/server';
import { approveRun, reviseCertificate } from '@/features/certificates/server';
import { returnTicket } from '@/features/counter/server';
import { createCustomer, retireCustomer } from '@/features/customers/server';
import { refused } from './refused';
import { openWorld, type World } from './world';

let world: World;
const now = new Date();
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());

const inTx = <T>(work: (context: { tx: Transaction; actor: Actor; now: Date }) => Promise<T>, actor: Actor = world.technician) =>
  world.db.transaction((tx) => work({ tx, actor, now }));
const rowOf = async (id: string) => (await world.db.select().from(asset).where(eq(asset.id, id)))[0]!;
const newCustomer = (name: string) =>
  inTx((context) =>
    createCustomer(context, {
      name,
      address: 'Far Quay 9',
      contact: '',
      email: '',
      phone: '',
      notes: '',
      wantsReminders: true,
      agreesDue: false,
    }),
  );
const correction = async (id: string, change: Partial<{ serial: string; tag: string; modelId: string }>) => {
  const { serial, tag, modelId } = await rowOf(id);
  const seen = { serial, tag, modelId };
  return { assetId: id, why: 'misread at the counter', seen, ...seen, ...change };
};

describe('what was misread at the counter', () => {
  it('serial and tag are corrected, with why, and from what to what', async () => {
    const id = await world.newAsset('O1234');
    await inTx(async (context) => correctAsset(context, await correction(id, { serial: '01234', tag: 'K-7' })));
    expect(await rowOf(id)).toMatchObject({ serial: '01234', tag: 'K-7' });
    const told = await world.db.select().from(audit).where(eq(audit.subject, id));
    expect(told.at(-1)).toMatchObject({
      action: 'correctAsset',
      detail: { why: 'misread at the counter', before: { serial: 'O1234' }, after: { serial: '01234' } },
    });
  });
  it('a serial that this maker has used is refused at its field, and says whose that is', async () => {
    const id = await world.newAsset('MINE-1');
    await world.newAsset('TAKEN-1');
    const result = await refused(inTx(async (context) => correctAsset(context, await correction(id, { serial: 'taken-1' }))));
    expect(result).toMatchObject({ status: 409, fields: { serial: expect.stringContaining('Yard') } });
    expect((await rowOf(id)).serial).toBe('MINE-1');
  });
  it('another model brings its channels; a sensor that stays keeps its serial', async () => {
    const id = await world.newAsset('MODEL-1');
    const before = await world.db.select().from(assetChannel).where(eq(assetChannel.assetId, id));
    const kept = before[0]!;
    await world.db.update(assetChannel).set({ sensorSerial: 'SENSOR-9' }).where(eq(assetChannel.id, kept.id));
    const [model] = await world.db.select().from(instrumentModel).where(eq(instrumentModel.id, world.modelId));
    const [other] = await world.db
      .insert(instrumentModel)
      .values({ maker: model!.maker, name: 'Small one', kind: model!.kind, channels: [model!.channels[0]!] })
      .returning();
    await inTx(async (context) => correctAsset(context, await correction(id, { modelId: other!.id })));
    const after = await world.db.select().from(assetChannel).where(eq(assetChannel.assetId, id));
    expect(after.map((one) => [one.role, one.sensorSerial])).toEqual([[kept.role, 'SENSOR-9']]);
  });
  it('the second of two at one instrument is told what stands there now', async () => {
    const id = await world.newAsset('TWICE-1');
    const mine = await correction(id, { tag: 'B' });
    await inTx(async (context) => correctAsset(context, await correction(id, { tag: 'A' })));
    expect(await refused(inTx((context) => correctAsset(context, mine)))).toMatchObject({
      status: 409,
      fields: { tag: expect.stringContaining('A') },
    });
    expect((await rowOf(id)).tag).toBe('A');
  });
});

describe('the customer who sold it', () => {
  it('documents of before stay with the old owner, and a revision never takes the new one', async () => {
    const { run, ticketId, assetId } = await world.finishedRun();
    await inTx((context) => approveRun(context, { runId: run }), world.signatory);
    const to = await newCustomer('Buyer');
    // Not while it is in the house: its paper is to bear one name.
    expect(await refused(inTx((context) => giveToCustomer(context, { assetId, customerId: to.id, why: 'sold' })))).toMatchObject({
      status: 409,
    });
    await inTx((context) => returnTicket(context, { ticketId }));
    await inTx((context) => giveToCustomer(context, { assetId, customerId: to.id, why: 'sold' }));
    expect((await rowOf(assetId)).customerId).toBe(to.id);
    const [first] = await world.db.select().from(certificate).where(eq(certificate.runId, run));
    const { id } = await inTx(
      (context) => reviseCertificate(context, { certificateId: first!.id, reason: 'misprint' }),
      world.signatory,
    );
    const [second] = await world.db.select().from(certificate).where(eq(certificate.id, id));
    expect(second!.customerId).toBe(world.customerId);
    expect(second!.content.customer.name).toBe(first!.content.customer.name);
    expect(second!.content.customer.name).not.toBe('Buyer');
  });
  it('not to a customer who has ended, nor to the one whose it is', async () => {
    const id = await world.newAsset();
    const ended = await newCustomer('Ended');
    await inTx((context) => retireCustomer(context, { customerId: ended.id, why: 'closed' }));
    for (const customerId of [ended.id, world.customerId])
      expect(await refused(inTx((context) => giveToCustomer(context, { assetId: id, customerId, why: 'sold' })))).toMatchObject({
        status: 409,
      });
  });
});
