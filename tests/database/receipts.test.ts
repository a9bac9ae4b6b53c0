import { afterAll, beforeAll, expect, it } from 'vitest';
import {
  cancelReceipt,
  cancelTicket,
  createAsset,
  correctReceipt,
  INSPECTION_ITEMS,
  receiptOf,
  receive,
  splitReceipt,
} from '@/features/counter/server';
import { createCustomer } from '@/features/customers/server';
import type { Role } from '@/core/record/event';
import type { Transaction } from '@/data/connection';
import { refused as how } from './refused';
import { openWorld, type World } from './world';

// What is corrected, split, added to and ended of a receipt, as a counter needs it on an unlucky day. Common practice; no standard says how a receipt looks.
let world: World;
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());

const EARLY = new Date('2026-11-24T09:00:00.000Z');
const inTx = <T>(
  work: (context: { tx: Transaction; actor: World['technician']; now: Date }) => Promise<T>,
  { now = EARLY, role = 'technician' as Role } = {},
) => world.db.transaction((tx) => work({ tx, actor: { ...world.technician, role }, now }));
const inspection = Object.fromEntries(INSPECTION_ITEMS.map((item) => [item.id, { result: 'pass' as const, note: '' }]));
const line = (assetId: string) => ({
  assetId,
  service: 'calibrate' as const,
  rule: 'simple' as const,
  promiseOn: '2026-11-30',
  dueAgreed: false,
  note: '',
  inspection,
});
async function refused(promise: Promise<unknown>, status = 409) {
  const found = await how(promise);
  expect(found?.status).toBe(status);
  return found!;
}
let made = 0;
async function delivery(count: number) {
  const assets: string[] = [];
  for (let at = 0; at < count; at += 1) assets.push(await world.newAsset(`RC-${(made += 1)}`));
  return inTx((context) =>
    receive(context, { customerId: world.customerId, contact: 'Mara', note: '', instruments: assets.map(line) }),
  );
}
const see = async (id: string) => (await inTx(({ tx }) => receiptOf(tx, id)))!;
const codes = async (id: string) => (await see(id)).lines.map((one) => one.ticket.code);

it('who brought it is corrected; the second of two people sees what the first wrote, and chooses', async () => {
  const { receiptId } = await delivery(1);
  const seen = { contact: 'Mara', note: '' };
  const correct = (contact: string, note: string, was = seen) =>
    inTx((context) => correctReceipt(context, { receiptId, contact, note, seen: was }));
  await correct('Mira', 'two boxes');
  const told = await refused(correct('Myra', ''));
  expect(told.fields).toEqual({ contact: 'On record now: Mira', note: 'On record now: two boxes' });
  expect((await see(receiptId)).receipt.contact).toBe('Mira');
  await correct('Myra', 'two boxes', { contact: 'Mira', note: 'two boxes' });
  expect((await see(receiptId)).receipt).toMatchObject({ contact: 'Myra', note: 'two boxes' });
  const { rows } = await world.app.query(`select detail from audit where action = 'correctReceipt' order by id desc limit 1`);
  expect(rows[0].detail).toEqual({
    before: { contact: 'Mira', note: 'two boxes' },
    after: { contact: 'Myra', note: 'two boxes' },
  });
  await refused(
    inTx((context) => correctReceipt(context, { receiptId, contact: 'x', note: '', seen }), { role: 'auditor' }),
    403,
  );
});

it('some go on a receipt of their own: same arrival, next number, tickets keep theirs; never all, never another’s', async () => {
  const { receiptId, tickets, number } = await delivery(3);
  const [first, second, third] = tickets;
  const split = (ticketIds: string[]) =>
    inTx((context) => splitReceipt(context, { receiptId, contact: 'Odo', ticketIds }), {
      now: new Date('2026-11-25T10:00:00Z'),
    });
  await refused(split(tickets.map((one) => one.id)));
  const other = await split([second!.id]);
  expect(other.number).not.toBe(number);
  expect(await codes(receiptId)).toEqual([first!.code, third!.code]);
  expect(await codes(other.id)).toEqual([second!.code]);
  expect((await see(other.id)).receipt).toMatchObject({ contact: 'Odo', receivedAt: EARLY, receivedBy: world.technician.name });
  // It went with the first split; nothing is written of the second.
  await refused(split([second!.id, first!.id]));
  expect(await codes(receiptId)).toEqual([first!.code, third!.code]);
});

it('what came later with the same delivery is added, while anything of it is here, for the same customer alone', async () => {
  const { receiptId, number } = await delivery(1);
  const more = await world.newAsset('RC-more');
  const add = (assetId: string, customerId = world.customerId) =>
    inTx((context) => receive(context, { receiptId, customerId, contact: '', note: '', instruments: [line(assetId)] }));
  expect(await add(more)).toMatchObject({ receiptId, number });
  expect((await see(receiptId)).lines).toHaveLength(2);
  expect((await see(receiptId)).receipt.contact).toBe('Mara');
  const stranger = await inTx((context) =>
    createCustomer(context, {
      name: 'Quay of others',
      address: '',
      contact: '',
      email: '',
      phone: '',
      notes: '',
      wantsReminders: true,
      agreesDue: false,
    }),
  );
  const { id: theirs } = await inTx((context) =>
    createAsset(context, { customerId: stranger.id, modelId: world.modelId, serial: 'RC-theirs', tag: '', channels: [] }),
  );
  await refused(add(theirs, stranger.id));
  for (const { ticket } of (await see(receiptId)).lines)
    await inTx((context) => cancelTicket(context, { ticketId: ticket.id, why: 'fetched again' }));
  expect((await see(receiptId)).over).toBe(true);
  await refused(add(await world.newAsset('RC-late')));
});

it('a whole receipt is cancelled while nothing was begun; one that was begun stops it, and nothing is half done', async () => {
  const { receiptId, tickets } = await delivery(2);
  const cancel = () => inTx((context) => cancelReceipt(context, { receiptId, why: 'taken down twice' }));
  await world.app.query(`update ticket set run_id = gen_random_uuid() where id = $1`, [tickets[1]!.id]);
  expect((await refused(cancel())).message).toContain(tickets[1]!.code);
  expect((await see(receiptId)).lines.map((one) => one.ticket.status)).toEqual(['inTray', 'inTray']);
  await world.app.query(`update ticket set run_id = null where id = $1`, [tickets[1]!.id]);
  await cancel();
  expect((await see(receiptId)).lines.map((one) => one.ticket.ended)).toEqual(['cancelled', 'cancelled']);
  await refused(cancel());
});
