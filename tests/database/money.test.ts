import Papa from 'papaparse';
import { and, eq } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Actor } from '@/core/record/event';
import { changeLog, jobPosition, offer } from '@/data/schema';
import { placeTicket, startRun } from '@/features/bench/server';
import { handBackUncalibrated } from '@/features/counter/server';
import {
  answerOffer,
  deliveredCsv,
  endPrice,
  keepPrice,
  mailOffer,
  makeOffer,
  offersByMail,
  moneyOf,
  notePosition,
  pricesNow,
  strikePosition,
  workInHouse,
} from '@/features/money/server';
import { openWorld, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await openWorld();
}, 60_000);
afterAll(() => world.close());

const now = new Date();
const counter: Actor = { id: 'counter', name: 'Counter', role: 'counter' };
const administrator: Actor = { id: 'admin', name: 'Admin', role: 'administrator' };
const as = <T>(actor: Actor, act: (context: never) => Promise<T>): Promise<T> =>
  world.db.transaction((tx) => act({ tx, actor, now } as never));
const sensor = { what: 'part' as const, name: 'H2S sensor', partNumber: 'S-4', quantity: '1', each: '119.90' };
const hour = { what: 'other' as const, name: 'Bench work', partNumber: '', quantity: '0.5', each: '84.00' };

describe('finding, offer, the customer’s word, part, then calibrate', () => {
  it('no run begins while an offer waits; accepted, its lines are the job’s, and the run begins', async () => {
    const { id: ticketId } = await world.newTicket();
    await as(world.technician, (context) => placeTicket(context, { ticketId, place: 3 }));
    const made = await as(world.technician, (context) =>
      makeOffer(context, { ticketId, finding: 'H2S sensor at its end', positions: [sensor, hour] }),
    );
    expect(made.number).toMatch(/^O-\d{4}-0001$/);
    await expect(as(world.technician, (context) => startRun(context, { ticketId }))).rejects.toThrow(
      `${made.number} waits for the customer`,
    );
    await expect(
      as(world.technician, (context) => makeOffer(context, { ticketId, finding: 'again', positions: [hour] })),
    ).rejects.toThrow('waits for its answer already');
    const { lines } = await world.db.transaction((tx) => workInHouse(tx, now));
    expect(lines.find((one) => one.ticketId === ticketId)!.offer).toBe(made.number);
    await as(counter, (context) => mailOffer(context, { offerId: made.id, to: 'quay@offer.example' }));
    const { sent } = await world.db.transaction((tx) => offersByMail(tx, ticketId, world.customerId));
    expect(sent[made.id]).toMatchObject({ recipient: 'quay@offer.example', state: 'queued' });
    const { rows } = await world.app.query('select subject, body from mail where recipient = $1', ['quay@offer.example']);
    expect(rows).toHaveLength(1);
    expect(rows[0].subject).toContain(made.number);
    for (const part of ['H2S sensor at its end', '1 × H2S sensor (S-4): 119.90', '0.5 × Bench work: 42.00', 'Total: 161.90'])
      expect(rows[0].body).toContain(part);
    await as(counter, (context) =>
      answerOffer(context, { offerId: made.id, answer: 'accepted', by: 'Mr Quay', how: 'telephone' }),
    );
    await expect(as(counter, (context) => mailOffer(context, { offerId: made.id, to: 'quay@offer.example' }))).rejects.toThrow(
      'has its answer already',
    );
    const money = await world.db.transaction((tx) => moneyOf(tx, ticketId));
    // 119.90 + 0.5 × 84.00, by hand.
    expect(money.total).toBe('161.90');
    expect(money.positions.map((one) => one.offerId)).toEqual([made.id, made.id]);
    await expect(
      as(counter, (context) => answerOffer(context, { offerId: made.id, answer: 'declined', by: 'Mrs Quay', how: 'mail' })),
    ).rejects.toThrow('its answer already');
    await as(world.technician, (context) => startRun(context, { ticketId }));
  });

  it('two at once make one offer: the database says no to the second', async () => {
    const { id: ticketId } = await world.newTicket();
    const both = await Promise.allSettled(
      [1, 2].map(() => as(world.technician, (context) => makeOffer(context, { ticketId, finding: 'twice', positions: [hour] }))),
    );
    expect(both.filter((one) => one.status === 'fulfilled')).toHaveLength(1);
    const rows = await world.db.select().from(offer).where(eq(offer.ticketId, ticketId));
    expect(rows).toHaveLength(1);
    // Its number was given back by the one that failed: none is missing.
    expect(Number(rows[0]!.number.slice(-4))).toBe(2);
  });

  it('declined, nothing is on the bill; handed back, nothing changes any more; who may not, may not', async () => {
    const { id: ticketId } = await world.newTicket();
    await expect(
      as(counter, (context) => makeOffer(context, { ticketId, finding: 'by the counter', positions: [hour] })),
    ).rejects.toMatchObject({ status: 403 });
    const made = await as(world.technician, (context) =>
      makeOffer(context, { ticketId, finding: 'cell broken', positions: [sensor] }),
    );
    await as(counter, (context) => answerOffer(context, { offerId: made.id, answer: 'declined', by: 'Ms Weir', how: 'counter' }));
    expect((await world.db.transaction((tx) => moneyOf(tx, ticketId))).total).toBe('0.00');
    await as(counter, (context) => notePosition(context, { ticketId, position: hour }));
    await as(counter, (context) => notePosition(context, { ticketId, position: { ...hour, name: '=HYPERLINK("x")' } }));
    await as(counter, (context) => handBackUncalibrated(context, { ticketId, why: 'repair declined' }));
    await expect(as(counter, (context) => notePosition(context, { ticketId, position: hour }))).rejects.toThrow('handed back');
    await expect(
      as(world.technician, (context) => makeOffer(context, { ticketId, finding: 'too late', positions: [hour] })),
    ).rejects.toThrow('handed back');
    const today = now.toISOString().slice(0, 10);
    const csv = await world.db.transaction((tx) => deliveredCsv(tx, { from: '2000-01-01', to: '2999-12-31' }));
    const { data } = Papa.parse<Record<string, string>>(csv, { header: true, skipEmptyLines: true });
    expect(data.map((one) => [one.position, one.amount])).toEqual([
      ['Bench work', '42.00'],
      ['\'=HYPERLINK("x")', '42.00'],
    ]);
    expect(data[0]!.delivered!.slice(0, 7)).toBe(today.slice(0, 7));
    expect(await world.db.transaction((tx) => deliveredCsv(tx, { from: '2000-01-01', to: '2000-12-31' }))).not.toContain('Bench');
  });

  it('fetched while an offer waits: the offer is withdrawn with it, by whom stands there, and nobody is waited for', async () => {
    const { id: ticketId } = await world.newTicket();
    const { id } = await as(world.technician, (context) =>
      makeOffer(context, { ticketId, finding: 'cell cracked', positions: [sensor] }),
    );
    await as(counter, (context) => handBackUncalibrated(context, { ticketId, why: 'fetched by the owner' }));
    const [row] = await world.db.select().from(offer).where(eq(offer.id, id));
    expect(row).toMatchObject({ answer: 'withdrawn', answeredBy: counter.name });
    const { lines } = await world.db.transaction((tx) => workInHouse(tx, now));
    expect(lines.some((one) => one.ticketId === ticketId)).toBe(false);
  });

  it('a line that was wrong is struck out and stays readable; the record says from what to what', async () => {
    const { id: ticketId } = await world.newTicket();
    await as(counter, (context) => notePosition(context, { ticketId, position: sensor }));
    const [line] = await world.db.select().from(jobPosition).where(eq(jobPosition.ticketId, ticketId));
    await as(counter, (context) => strikePosition(context, { positionId: line!.id, why: 'was under warranty' }));
    await expect(as(counter, (context) => strikePosition(context, { positionId: line!.id, why: 'again' }))).rejects.toThrow(
      'struck out already',
    );
    const money = await world.db.transaction((tx) => moneyOf(tx, ticketId));
    expect([money.positions.length, money.total]).toEqual([1, '0.00']);
    const [change] = await world.db
      .select()
      .from(changeLog)
      .where(and(eq(changeLog.tableName, 'job_position'), eq(changeLog.rowKey, line!.id), eq(changeLog.kind, 'changed')));
    expect(change!.after).toMatchObject({ struck_why: 'was under warranty' });
    // The amount itself is nobody's to change, whoever reaches the database as the application.
    await expect(world.app.query('update job_position set each = 1 where id = $1', [line!.id])).rejects.toThrow(
      'permission denied',
    );
  });
});

describe('prices', () => {
  it('one price a service; changed for those to come, ended with a reason; two people at one see each other', async () => {
    const price = {
      what: 'service' as const,
      service: 'calibrate' as const,
      name: 'Calibration',
      partNumber: '',
      amount: '85.00',
    };
    const { id } = await as(administrator, (context) => keepPrice(context, price));
    await expect(as(administrator, (context) => keepPrice(context, { ...price, name: 'Another' }))).rejects.toThrow(
      'its price already',
    );
    await expect(as(counter, (context) => keepPrice(context, price))).rejects.toMatchObject({ status: 403 });
    await as(administrator, (context) => keepPrice(context, { ...price, priceId: id, version: 1, amount: '92.50' }));
    await expect(
      as(administrator, (context) => keepPrice(context, { ...price, priceId: id, version: 1, amount: '1' })),
    ).rejects.toThrow('changed it since');
    expect((await world.db.transaction((tx) => pricesNow(tx))).map((one) => one.amount)).toEqual(['92.50']);
    await as(administrator, (context) => endPrice(context, { priceId: id, why: 'done elsewhere' }));
    expect(await world.db.transaction((tx) => pricesNow(tx))).toEqual([]);
    expect(await world.db.transaction((tx) => pricesNow(tx, { ended: true }))).toHaveLength(1);
    await as(administrator, (context) => keepPrice(context, price));
  });
});

describe('the work in the house', () => {
  it('the most late comes first; what is ready and not fetched is told; turnaround by PostgreSQL’s own percentile', async () => {
    const { id: ticketId } = await world.newTicket();
    await world.superuser.query('update ticket set promise_on = $2 where id = $1', [
      ticketId,
      new Date(now.getTime() - 5 * 86_400_000).toISOString().slice(0, 10),
    ]);
    const { lines, turnaround } = await world.db.transaction((tx) => workInHouse(tx, now));
    expect(lines[0]).toMatchObject({ ticketId, late: 5, status: 'inTray' });
    expect(turnaround).toMatchObject({ n: 2 });
    const [own] = (await world.superuser.query<{ n: number }>("select count(*)::int as n from ticket where status = 'returned'"))
      .rows;
    expect(own!.n).toBe(2);
  });
});
