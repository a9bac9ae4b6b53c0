import { addDays, format } from 'date-fns';
import { eq } from 'drizzle-orm';
import readCalendar, { type VEvent } from 'node-ical';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Actor } from '@/core/record/event';
import { asset, calendarFeed, customer, ticket } from '@/data/schema';
import { announce, cancelBooking, changeBooking } from '@/features/bookings/server';
import { allFeeds, endFeed, feedCalendar, makeFeed } from '@/features/feeds/server';
import { asActor } from '@/platform/as-actor';
import type { UseCaseContext } from '@/platform/use-case';
import { refused } from './refused';
import { openWorld, type World } from './world';

let world: World;
let assetId: string;
beforeAll(async () => {
  process.env.WERKBANK_PUBLIC_ORIGIN = 'https://check.example';
  world = await openWorld();
  assetId = await world.newAsset('F-1');
});
afterAll(() => {
  delete process.env.WERKBANK_PUBLIC_ORIGIN;
  return world.close();
});

const inTx = <T>(work: (context: UseCaseContext) => Promise<T>, actor: Actor = world.technician) =>
  world.db.transaction(async (tx) => {
    await asActor(tx, actor, 'test');
    return work({ tx, actor, now: new Date() });
  });
const day = (days: number) => format(addDays(new Date(), days), 'yyyy-MM-dd');
const secretOf = (address: string) => /^https:\/\/check\.example\/feed\/([\w-]{43})\.ics$/.exec(address)![1]!;
const make = async (kind: 'workshop' | 'technician' | 'customer', who = '') =>
  secretOf((await inTx((context) => makeFeed(context, { kind, who }))).address);
/** The calendar as an outside parser reads it: entries by their identity. */
async function read(secret: string): Promise<Record<string, VEvent>> {
  const text = await world.db.transaction((tx) => feedCalendar(tx, secret, 'check.example'));
  expect(text!.split('\r\n').every((line) => Buffer.byteLength(line) <= 75)).toBe(true);
  const entries = Object.values(readCalendar.sync.parseICS(text!)).filter((one) => one?.type === 'VEVENT') as VEvent[];
  return Object.fromEntries(entries.map((one) => [one.uid, one]));
}
const dayOf = (event: VEvent) => format(event.start, 'yyyy-MM-dd');

describe('a calendar that a program reads by a secret address', () => {
  it('due, promised and booked; an entry keeps its identity while its day moves and its sequence rises; what is called off is said to be', async () => {
    const secret = await make('customer', world.customerId);
    await world.db
      .update(asset)
      .set({ nextDue: day(20) })
      .where(eq(asset.id, assetId));
    const promised = await world.newTicket();
    await world.db
      .update(ticket)
      .set({ promiseOn: day(4) })
      .where(eq(ticket.id, promised.id));
    const booked = { arrivesOn: day(6), wholeWeek: false, contact: '', note: 'two boxes', assetIds: [assetId] };
    const { id } = await inTx((context) => announce(context, { ...booked, customerId: world.customerId }));
    const [due, promise, booking] = [`due-${assetId}`, `promised-${promised.id}`, `booking-${id}`].map(
      (uid) => `${uid}@check.example`,
    );
    const before = await read(secret);
    expect([due, promise, booking].map((uid) => dayOf(before[uid!]!))).toEqual([day(20), day(4), day(6)]);
    expect(before[booking!]).toMatchObject({
      status: 'CONFIRMED',
      description: expect.stringContaining('two boxes'),
      datetype: 'date',
    });
    expect(format(before[due!]!.end!, 'yyyy-MM-dd')).toBe(day(21));
    await world.db
      .update(asset)
      .set({ nextDue: day(30) })
      .where(eq(asset.id, assetId));
    await inTx((context) => changeBooking(context, { ...booked, id, arrivesOn: day(8) }));
    const after = await read(secret);
    expect([due, booking].map((uid) => dayOf(after[uid!]!))).toEqual([day(30), day(8)]);
    for (const uid of [due!, booking!]) expect(Number(after[uid]!.sequence)).toBeGreaterThan(Number(before[uid]!.sequence));
    expect(Number(after[promise!]!.sequence)).toBe(Number(before[promise!]!.sequence));
    await inTx((context) => cancelBooking(context, { id, why: 'sold' }));
    const last = await read(secret);
    expect(last[booking!]!.status).toBe('CANCELLED');
    expect(Number(last[booking!]!.sequence)).toBeGreaterThan(Number(after[booking!]!.sequence));
  });

  it('each has its own: the workshop all, a customer theirs, a technician what they work on', async () => {
    const [other] = await world.db
      .insert(customer)
      .values({ name: 'Elsewhere', email: '', contact: '', createdAt: new Date() })
      .returning();
    const theirs = await world.newAsset('F-9');
    await world.db
      .update(asset)
      .set({ customerId: other!.id, nextDue: day(12) })
      .where(eq(asset.id, theirs));
    const summaries = async (secret: string) =>
      Object.values(await read(secret))
        .map((one) => String(one.summary))
        .join('\n');
    expect(await summaries(await make('workshop'))).toMatch(/F-9[^]*F-1|F-1[^]*F-9/);
    expect(await summaries(await make('customer', other!.id))).toMatch(/F-9/);
    expect(await summaries(await make('customer', other!.id))).not.toMatch(/F-1\b/);
    const { ticketId } = await world.finishedRun();
    await world.db
      .update(ticket)
      .set({
        promiseOn: day(2),
        runId: (await world.app.query('select id from run where ticket_id = $1', [ticketId])).rows[0].id,
      })
      .where(eq(ticket.id, ticketId));
    expect(await summaries(await make('technician', world.technician.id))).toMatch(/^Promised: /);
    expect(await summaries(await make('technician', world.signatory.id))).toBe('');
  });

  it('guessed or ended it is nothing; the secret stands nowhere; what makes no sense is said; the public reads no table of it', async () => {
    const secret = await make('workshop');
    const at = (text: string) => world.db.transaction((tx) => feedCalendar(tx, text, 'check.example'));
    expect(await at(`${secret.slice(0, -1)}_`)).toBeNull();
    const [newest] = await inTx(({ tx }) => allFeeds(tx));
    const rows = await world.db.select().from(calendarFeed);
    expect(JSON.stringify(rows)).not.toContain(secret);
    expect(
      await refused(inTx((context) => endFeed(context, { feedId: newest!.id }), { ...world.technician, role: 'auditor' })),
    ).toMatchObject({ status: 403 });
    await inTx((context) => endFeed(context, { feedId: newest!.id }));
    expect(await at(secret)).toBeNull();
    expect(await refused(inTx((context) => endFeed(context, { feedId: newest!.id })))).toMatchObject({ status: 404 });
    expect(await refused(inTx((context) => makeFeed(context, { kind: 'customer', who: 'x' })))).toMatchObject({
      status: 400,
      fields: { who: expect.any(String) },
    });
  });
});
