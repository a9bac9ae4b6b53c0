import { format, subDays } from 'date-fns';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { promiseFits } from '@/core/booking/promise-fits';
import { workingDays } from '@/core/booking/plan-work';
import { approveRun } from '@/features/certificates/server';
import { lateTickets, promisedSoFar, workPlan } from '@/features/plan/server';
import { readSettings, writeSettings } from '@/platform/settings';
import { openWorld, type World } from './world';

let world: World;
const now = new Date();
const today = format(now, 'yyyy-MM-dd');
const [first, second, third] = workingDays(today, 4);
const plan = () => world.db.transaction((tx) => workPlan(tx, now));
beforeAll(async () => {
  world = await openWorld();
  await world.app.query("update ticket set status = 'returned', returned_at = now()");
  const ids: string[] = [];
  for (let n = 0; n < 12; n += 1) ids.push((await world.newTicket({ at: now, assetId: await world.newAsset(`PL-${n}`) })).id);
  for (const [index, id] of ids.entries())
    await world.app.query('update ticket set promise_on = $2 where id = $1', [id, index < 9 ? first : index < 11 ? third : null]);
});
afterAll(() => world.close());

it('plans what stands in the house: each once, the earliest promise first, what is too much is said with the day that it comes to', async () => {
  // Four hundred minutes a day for all; nine instruments of 45 min promised for the first day, and set-ups beside.
  await world.db.transaction(async (tx) =>
    writeSettings(tx, { ...(await readSettings(tx)), weekHours: (400 / 60) * 5, zone: 'UTC' }),
  );
  const { plan: made, tickets, minutesADay } = await plan();
  const people = made.days[0]!.people.length;
  expect(minutesADay * people).toBeCloseTo(400, 6);
  const planned = made.days.flatMap((one) => one.people.flatMap((hand) => hand.work.map((work) => work.id)));
  expect([...planned, ...made.beyond].sort()).toEqual(tickets.map((one) => one.id).sort());
  expect(tickets).toHaveLength(12);
  const promised = (id: string) => tickets.find((one) => one.id === id)!.promiseOn;
  for (const { people: hands } of made.days)
    for (const hand of hands) {
      const days = hand.work.map((one) => promised(one.id) ?? '9999');
      expect(days).toEqual([...days].sort());
    }
  expect(made.late.length).toBeGreaterThan(0);
  expect(made.late.every((one) => one.promiseOn === first && one.day > first!)).toBe(true);
});
it('the counter hears that a day is full, and which one has room', async () => {
  const { promised, minutesADay, usual } = await world.db.transaction((tx) => promisedSoFar(tx, now));
  expect(promised).toHaveLength(11);
  expect(usual).toBe(45);
  const asked = { today, minutesADay, promised, minutes: usual };
  expect(promiseFits({ ...asked, day: first! })).toEqual({ fits: false, first: second });
  // What is done is promised no more.
  await world.app.query("update ticket set status = 'toApprove' where promise_on = $1", [first]);
  expect((await world.db.transaction((tx) => promisedSoFar(tx, now))).promised).toHaveLength(2);
});

it('says why something became late: it waits in the tray, for the customer’s word, for the signatory; what was ready in time is not there', async () => {
  const ago = (days: number) => subDays(now, days);
  const past = format(ago(3), 'yyyy-MM-dd');
  const ids: Record<string, string> = {};
  ids.tray = (await world.newTicket({ at: ago(9), assetId: await world.newAsset('LT-1') })).id;
  ids.word = (await world.newTicket({ at: ago(9), assetId: await world.newAsset('LT-2') })).id;
  await world.superuser.query(
    `insert into offer (ticket_id, number, finding, positions, currency, total, made_by, made_at) values ($1, 'O-1', 'cell', '[]', 'EUR', 1, 'Tech', $2)`,
    [ids.word, ago(8).toISOString()],
  );
  const waits = await world.finishedRun({ at: ago(6), assetId: await world.newAsset('LT-3') });
  ids.approval = waits.ticketId;
  const inTime = await world.finishedRun({ at: ago(8), assetId: await world.newAsset('LT-4') });
  await world.db.transaction((tx) => approveRun({ tx, actor: world.signatory, now: ago(7) }, { runId: inTime.run }));
  for (const id of [...Object.values(ids), inTime.ticketId])
    await world.app.query('update ticket set promise_on = $2 where id = $1', [id, past]);
  const late = await world.db.transaction((tx) => lateTickets(tx, now));
  const cause = (id: string) => late.find((one) => one.id === id)?.cause;
  expect(Object.fromEntries(Object.entries(ids).map(([name, id]) => [name, cause(id)]))).toEqual({
    tray: 'tray',
    word: 'word',
    approval: 'approval',
  });
  expect(cause(inTime.ticketId)).toBeUndefined();
  expect(late.find((one) => one.id === ids.tray)).toMatchObject({ over: 3, ready: false });
});
