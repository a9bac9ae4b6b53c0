import { addDays, format, parseISO } from 'date-fns';
import { eq, ne, sql } from 'drizzle-orm';
import Papa from 'papaparse';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { mondayOf } from '@/core/booking/week-load';
import type { Actor } from '@/core/record/event';
import { asset, booking, bookingItem, customer } from '@/data/schema';
import {
  announce,
  arrivals,
  bookable,
  bookingById,
  bookingsCsv,
  cancelBooking,
  changeBooking,
  readLoad,
} from '@/features/bookings/server';
import { INSPECTION_ITEMS, receive } from '@/features/counter/server';
import { asActor } from '@/platform/as-actor';
import { readSettings, writeSettings } from '@/platform/settings';
import type { UseCaseContext } from '@/platform/use-case';
import { atTheWindow } from '@/processes/seed/at-the-window';
import { refused } from './refused';
import { openWorld, type World } from './world';

let world: World;
/** A Wednesday at noon: the days of the test lie around it. */
const now = new Date('2031-03-12T12:00:00Z');
const today = '2031-03-12';
const day = (days: number) => format(addDays(parseISO(today), days), 'yyyy-MM-dd');
const inTx = <T>(work: (context: UseCaseContext) => Promise<T>, actor: Actor = { ...world.technician, role: 'counter' }) =>
  world.db.transaction(async (tx) => {
    await asActor(tx, actor, 'test');
    return work({ tx, actor, now });
  });
const book = (assetIds: string[], arrivesOn: string, more: object = {}) =>
  inTx((context) =>
    announce(context, {
      customerId: world.customerId,
      arrivesOn,
      wholeWeek: false,
      contact: 'Runa',
      note: '',
      assetIds,
      ...more,
    }),
  );
const load = async (week: string) => (await inTx(({ tx }) => readLoad(tx, today, now))).find((one) => one.week === week)!;

beforeAll(async () => {
  world = await openWorld();
  await world.db.transaction(async (tx) => writeSettings(tx, { ...(await readSettings(tx)), weekInstruments: 3 }));
});
afterAll(() => world.close());

describe('announcing instruments', () => {
  it('for a day or a week; what makes no sense is said beside its field; nobody else’s, nothing twice', async () => {
    const [one, two] = [await world.newAsset('B-1'), await world.newAsset('B-2')];
    expect(await refused(book([one], day(-1)))).toMatchObject({ fields: { arrivesOn: 'That day is over.' } });
    expect(await refused(book([world.customerId], day(9)))).toMatchObject({
      status: 404,
      fields: { assetIds: expect.any(String) },
    });
    const [other] = await world.db.insert(customer).values({ name: 'Other', email: '', contact: '', createdAt: now }).returning();
    expect(await refused(book([one], day(9), { customerId: other!.id }))).toMatchObject({
      fields: { assetIds: expect.any(String) },
    });
    const { id } = await book([one, two], day(9), { wholeWeek: true });
    expect(await inTx(({ tx }) => bookingById(tx, id))).toMatchObject({
      arrivesOn: mondayOf(day(9)),
      wholeWeek: true,
      items: [{ serial: 'B-1' }, { serial: 'B-2' }],
    });
    expect(await refused(book([two], day(30)))).toMatchObject({ status: 409, fields: { assetIds: 'B-2 is booked already.' } });
    expect(
      await refused(inTx((context) => cancelBooking(context, { id, why: 'x' }), { ...world.technician, role: 'auditor' })),
    ).toMatchObject({ status: 403 });
    // Changed to one instrument, the other is free again; called off, both are.
    await inTx((context) =>
      changeBooking(context, { id, arrivesOn: day(10), wholeWeek: false, contact: '', note: '', assetIds: [one] }),
    );
    expect((await inTx(({ tx }) => bookable(tx, world.customerId))).filter((row) => row.booked).map((row) => row.serial)).toEqual(
      ['B-1'],
    );
    await inTx((context) => cancelBooking(context, { id, why: 'They sold it' }));
    expect(await inTx(({ tx }) => bookingById(tx, id))).toMatchObject({ state: 'cancelled', endedWhy: 'They sold it' });
    expect(
      await refused(
        inTx((context) =>
          changeBooking(context, { id, arrivesOn: day(10), wholeWeek: false, contact: '', note: '', assetIds: [one] }),
        ),
      ),
    ).toMatchObject({ status: 409 });
    const { data } = Papa.parse<Record<string, string>>(await inTx(({ tx }) => bookingsCsv(tx)), { header: true });
    expect(data.find((row) => row.why === 'They sold it')).toMatchObject({
      state: 'cancelled',
      arrives_on: day(10),
      instruments: 'B-1',
    });
  });

  it('a week that is full takes no more, and says which week does; of two that want its last place at once one gets it; the workshop may take more all the same', async () => {
    const ids = await Promise.all(Array.from({ length: 6 }, () => world.newAsset()));
    const week = mondayOf(day(40));
    await book(ids.slice(0, 2), week);
    const both = await Promise.all([refused(book([ids[2]!], week)), refused(book([ids[3]!], week))]);
    const [told, ...others] = both.filter((one) => one !== null);
    expect(others).toEqual([]);
    const next = format(addDays(parseISO(week), 7), 'd MMM yyyy');
    expect(told).toMatchObject({ status: 409, fields: { arrivesOn: expect.stringContaining(next) } });
    const { rows } = await world.app.query(
      'select count(*)::int as n from booking b join booking_item i on i.booking_id = b.id where b.arrives_on = $1',
      [week],
    );
    expect(rows[0].n).toBe(3);
    // Moving one within the full week doesn't ask for a second place.
    const { rows: mine } = await world.app.query('select i.booking_id from booking_item i where i.asset_id = $1', [ids[0]]);
    await inTx((context) =>
      changeBooking(context, {
        id: mine[0].booking_id,
        arrivesOn: format(addDays(parseISO(week), 2), 'yyyy-MM-dd'),
        wholeWeek: false,
        contact: '',
        note: '',
        assetIds: ids.slice(0, 2),
      }),
    );
    const { id } = await book(ids.slice(4), week, { over: true });
    expect(await inTx(({ tx }) => bookingById(tx, id))).toMatchObject({ overCeiling: true });
    expect((await load(week)).booked.instruments).toBe(5);
  });
});

describe('the weeks ahead', () => {
  it('what is booked, and what is due that nobody booked; not what is retired or in the house; hours by the workshop’s own runs', async () => {
    const week = mondayOf(day(60));
    const ids = await Promise.all(Array.from({ length: 4 }, () => world.newAsset()));
    for (const id of ids) await world.db.update(asset).set({ nextDue: week }).where(eq(asset.id, id));
    await world.db.update(asset).set({ status: 'retired' }).where(eq(asset.id, ids[3]!));
    await book([ids[0]!], week);
    expect(await load(week)).toMatchObject({ booked: { instruments: 1, hours: 0.75 }, due: { instruments: 2, hours: 1.5 } });
    // Five runs of half an hour each say that the model takes half an hour.
    for (let n = 0; n < 5; n += 1) {
      const { run } = await world.finishedRun();
      await world.db.execute(
        sql`update run_summary set status = 'approved', started_at = ${now.toISOString()}::timestamptz - interval '1 day', finished_at = ${now.toISOString()}::timestamptz - interval '1 day' + interval '30 minutes' where run_id = ${run}`,
      );
    }
    expect(await load(week)).toMatchObject({ booked: { hours: 0.5 }, due: { hours: 1 } });
  });
});

describe('arrivals', () => {
  it('who comes today and who should have; received, the booking names its receipt, and its instruments are free for the next', async () => {
    const ids = [await world.newAsset('A-1'), await world.newAsset('A-2')];
    const { id } = await book(ids, today, { over: true });
    const { id: late } = await book([await world.newAsset('A-3')], day(1), { over: true });
    await world.db
      .update(booking)
      .set({ arrivesOn: day(-3) })
      .where(eq(booking.id, late));
    const rows = await inTx(({ tx }) => arrivals(tx, today));
    expect(rows.map((row) => row.items.map((one) => one.serial))).toEqual([['A-3'], ['A-1', 'A-2']]);
    const received = await inTx((context) =>
      receive(context, {
        customerId: world.customerId,
        bookingId: id,
        contact: '',
        note: '',
        instruments: ids.map((assetId) => ({
          assetId,
          service: 'calibrate' as const,
          rule: 'simple' as const,
          promiseOn: null,
          dueAgreed: false,
          note: '',
          samples: undefined as never,
          inspection: Object.fromEntries(INSPECTION_ITEMS.map((item) => [item.id, { result: 'notLookedAt' as const, note: '' }])),
        })),
      }),
    );
    expect(await inTx(({ tx }) => bookingById(tx, id))).toMatchObject({ state: 'arrived', receipt: received.number });
    expect((await inTx(({ tx }) => arrivals(tx, today))).map((row) => row.id)).toEqual([late]);
    const open = await world.db.select().from(bookingItem).where(eq(bookingItem.bookingId, id));
    expect(open.every((row) => !row.open)).toBe(true);
  });
});

describe('an hour before midnight by UTC', () => {
  const late = new Date('2031-05-12T22:30:00Z');
  it('it is tomorrow in the workshop: the day by UTC is over, and the demo is made all the same', async () => {
    await world.db.transaction(async (tx) => writeSettings(tx, { ...(await readSettings(tx)), zone: 'Europe/Berlin' }));
    const counter: Actor = { ...world.technician, role: 'counter' };
    const as = <T>(actor: Actor, work: (tx: UseCaseContext['tx']) => Promise<T>) =>
      world.db.transaction(async (tx) => {
        await asActor(tx, actor, 'test');
        return work(tx);
      });
    const given = { customerId: world.customerId, wholeWeek: false, contact: '', note: '' };
    const at = (arrivesOn: string, assetId: string) =>
      as(counter, (tx) => announce({ tx, actor: counter, now: late }, { ...given, arrivesOn, assetIds: [assetId] }));
    const one = await world.newAsset('L-1');
    expect(await refused(at('2031-05-12', one))).toMatchObject({ fields: { arrivesOn: 'That day is over.' } });
    await at('2031-05-13', one);
    // One customer alone: all that the demo announces is of theirs, the first for today.
    await world.db.update(customer).set({ retiredAt: late }).where(ne(customer.id, world.customerId));
    for (const serial of ['L-2', 'L-3']) await world.newAsset(serial);
    await atTheWindow(world.db, as, counter, late);
    const days = (await world.db.select({ on: booking.arrivesOn }).from(booking)).map((each) => each.on);
    expect(days).not.toContain('2031-05-12');
    expect(days.filter((on) => on === '2031-05-13').length).toBeGreaterThan(1);
  });
});
