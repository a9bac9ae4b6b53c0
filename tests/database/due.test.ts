import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { addDays, format } from 'date-fns';
import readCalendar, { type VEvent } from 'node-ical';
import {
  changePolicy,
  dueCalendar,
  dueCsv,
  dueList,
  emptyOutbox,
  keepUse,
  makeReminders,
  markCutOff,
  sendAgain,
  usesOfAsset,
} from '@/features/due/server';
import { startMailServer, type MailServer } from './mail-server';
import { openWorld, type World } from './world';

let world: World;
let assets: string[];
let standin: MailServer | null = null;
const now = new Date();
const date = (days: number) => format(addDays(now, days), 'yyyy-MM-dd');

async function startStandin(cut?: string): Promise<void> {
  standin = await startMailServer(cut);
}

/** What the jobs process does to every mail that waits. */
async function sendQueued(db: World['db'], clock: () => Date) {
  await markCutOff(db, clock());
  // What was put off is asked again at once.
  await world.app.query("update mail set next_try_at = null where state = 'queued'");
  return emptyOutbox(db, { clock });
}

const received = () => standin!.received();
const remind = (at = now) => world.db.transaction((tx) => makeReminders({ tx, actor: world.signatory, now: at }));
const states = async () => (await world.app.query('select state, count(*)::int as n from mail group by state')).rows;

beforeAll(async () => {
  world = await openWorld();
  assets = [];
  for (let i = 0; i < 6; i += 1) assets.push(await world.newAsset(`DUE-${i}`));
});
afterAll(() => world.close());
beforeEach(async () => {
  // Not truncate: a notice that was sent points at its mail, and is a record that can't be emptied along with it.
  await world.superuser.query('delete from reminder');
  await world.superuser.query('delete from mail');
  const due = [10, 3, 0, -20, 40, null];
  for (const [index, id] of assets.entries())
    await world.app.query('update asset set next_due = $1 where id = $2', [due[index] === null ? null : date(due[index]!), id]);
});
afterEach(async () => {
  await standin?.stop();
  standin = null;
});

describe('reminders', () => {
  it('one mail a customer with all its instruments, received by a real mail server, and nothing twice', async () => {
    await startStandin();
    expect(await remind()).toEqual({ mails: 1, letters: 0, instruments: 4 });
    expect(await sendQueued(world.db, () => new Date())).toMatchObject({ sent: 1 });
    expect(await remind()).toEqual({ mails: 0, letters: 0, instruments: 0 });
    expect(await sendQueued(world.db, () => new Date())).toMatchObject({ sent: 0 });
    const mails = await received();
    expect(mails).toHaveLength(1);
    expect(mails[0]!.to).toMatchObject({ text: 'yard@test.example' });
    for (const text of ['DUE-0', 'DUE-1', 'DUE-2', 'DUE-3', 'due soon', 'due now', 'overdue'])
      expect(mails[0]!.text).toContain(text);
    expect(mails[0]!.text).not.toContain('DUE-4');
    expect(mails[0]!.messageId).toBe((await world.app.query('select message_id from mail')).rows[0].message_id);
  });
  it('comes again only at the next stage: ahead, at, after', async () => {
    await remind();
    expect(await remind(addDays(now, 1))).toEqual({ mails: 0, letters: 0, instruments: 0 });
    expect(await remind(addDays(now, 3))).toEqual({ mails: 1, letters: 0, instruments: 1 });
  });
  it('two processes at once make one mail', async () => {
    const made = await Promise.allSettled([remind(), remind(), remind()]);
    expect(made.filter((one) => one.status === 'fulfilled' && one.value.mails > 0)).toHaveLength(1);
    expect((await world.app.query('select count(*)::int as n from mail')).rows[0].n).toBe(1);
  });
  it('cut off after the message went out: uncertain, and never sent again by itself', async () => {
    await startStandin('after-data');
    await remind();
    expect(await sendQueued(world.db, () => new Date())).toMatchObject({ uncertain: 1, sent: 0 });
    expect(await sendQueued(world.db, () => new Date())).toMatchObject({ uncertain: 0, sent: 0 });
    expect(await received()).toHaveLength(1);
    expect(await states()).toEqual([{ state: 'uncertain', n: 1 }]);
  });
  it('the process killed while sending: shown as uncertain after a while; a person sends it again with the same Message-ID', async () => {
    await startStandin();
    await remind();
    await world.app.query("update mail set state = 'sending', sending_at = now() - interval '10 minutes'");
    expect(await sendQueued(world.db, () => new Date())).toMatchObject({ sent: 0 });
    expect(await states()).toEqual([{ state: 'uncertain', n: 1 }]);
    const {
      rows: [row],
    } = await world.app.query('select id, message_id from mail');
    await world.db.transaction((tx) => sendAgain(tx, row.id));
    await sendQueued(world.db, () => new Date());
    expect((await received())[0]!.messageId).toBe(row.message_id);
  });
  it('a full mailbox is said and never counts as told; one that may have room later is tried again; a person sends it once there is room', async () => {
    await startStandin();
    const address = (to: string) => world.app.query('update customer set email = $1 where id = $2', [to, world.customerId]);
    const [{ email }] = (await world.app.query('select email from customer where id = $1', [world.customerId])).rows;
    try {
      await address('full@yard.example');
      await remind();
      expect(await sendQueued(world.db, () => new Date())).toMatchObject({ sent: 0, refused: 1 });
      const [row] = (await world.app.query('select id, state, problem from mail')).rows;
      expect(row).toMatchObject({ state: 'refused', problem: expect.stringContaining('552') });
      expect(await received()).toHaveLength(0);
      await world.app.query("update mail set recipient = 'full.soon@yard.example' where id = $1", [row.id]);
      await world.db.transaction((tx) => sendAgain(tx, row.id));
      expect(await sendQueued(world.db, () => new Date())).toMatchObject({ sent: 0, queued: 1 });
      await world.app.query("update mail set recipient = 'yard@test.example' where id = $1", [row.id]);
      expect(await sendQueued(world.db, () => new Date())).toMatchObject({ sent: 1 });
      expect(await received()).toHaveLength(1);
    } finally {
      await address(email);
    }
  });
  it('the mail server away: the mail waits and goes out later', async () => {
    process.env.SMTP_URL = 'smtp://127.0.0.1:1';
    await remind();
    expect(await sendQueued(world.db, () => new Date())).toMatchObject({ queued: 1 });
    await startStandin();
    expect(await sendQueued(world.db, () => new Date())).toMatchObject({ sent: 1 });
  });
  it('who wants no reminders gets none', async () => {
    await world.app.query('update customer set wants_reminders = false');
    expect(await remind()).toEqual({ mails: 0, letters: 0, instruments: 0 });
    await world.app.query('update customer set wants_reminders = true');
  });
});

describe('due list and policies', () => {
  it('is paged by key: every instrument once, in order of date', async () => {
    const seen: string[] = [];
    let after: string | undefined;
    do {
      const page = await dueList(world.db, { window: 'all', today: date(0), after, pageSize: 2 });
      seen.push(...page.rows.map((row) => `${row.nextDue} ${row.serial}`));
      after = page.next ?? undefined;
    } while (after);
    expect(seen).toHaveLength(5);
    expect(seen).toEqual([...seen].sort());
  });
  it('a changed policy moves the stored dates that rest on a calibration, the stronger one wins', async () => {
    await world.app.query(
      `update asset set due_basis = '{"from": "2026-11-01", "reason": "x"}', next_due = '2027-07-01' where id = $1`,
      [assets[0]],
    );
    const due = async () =>
      (await world.app.query('select next_due::text as due from asset where id = $1', [assets[0]])).rows[0].due;
    const change = (input: Parameters<typeof changePolicy>[1]) =>
      world.db.transaction((tx) => changePolicy({ tx, actor: world.technician, now }, input));
    await change({ scope: 'customer', customerId: world.customerId, every: { months: 3 }, reason: '' });
    expect(await due()).toBe('2027-02-01');
    await change({ scope: 'asset', assetId: assets[0]!, every: { days: 30 }, reason: '' });
    expect(await due()).toBe('2026-12-01');
    await change({ scope: 'asset', assetId: assets[0]!, every: null, reason: '' });
    expect(await due()).toBe('2027-02-01');
    const told = await world.app.query("select detail from audit where action = 'changePolicy' order by id desc limit 2");
    expect(told.rows.map((row) => [row.detail.before?.every ?? null, row.detail.after?.every ?? null])).toEqual([
      [{ days: 30 }, null],
      [null, { days: 30 }],
    ]);
    await expect(
      world.db.transaction((tx) =>
        changePolicy(
          { tx, now, actor: { ...world.technician, role: 'counter' } },
          { scope: 'asset', assetId: assets[0]!, every: null, reason: '' },
        ),
      ),
    ).rejects.toThrow();
  });
});

describe('an interval that counts uses', () => {
  const context = () => ({ actor: world.technician, now });
  const stored = async (id: string) =>
    (await world.app.query('select next_due::text as due, due_basis as basis from asset where id = $1', [id])).rows[0];
  it('is due on the day the limit was reached, sooner than by the calendar; corrected and taken away, it is counted anew', async () => {
    const id = await world.newAsset('USES-1');
    await world.app.query('update asset set next_due = $1, due_basis = $2 where id = $3', [
      date(100),
      JSON.stringify({ from: date(-80), reason: 'test' }),
      id,
    ]);
    const inTx = <T>(work: (tx: Parameters<Parameters<World['db']['transaction']>[0]>[0]) => Promise<T>) =>
      world.db.transaction(work);
    await inTx((tx) =>
      changePolicy({ tx, ...context() }, { scope: 'asset', assetId: id, every: { days: 180, uses: 500 }, reason: '' }),
    );
    expect((await stored(id)).due).toBe(date(100));
    const keep = (on: number, count: number | null) =>
      inTx((tx) => keepUse({ tx, ...context() }, { assetId: id, readOn: date(on), count }));
    await keep(-80, 1000);
    expect(await keep(-30, 1250)).toEqual({ moved: true });
    // 250 in 50 days: 500 in 100 days, counted from the calibration.
    expect(await stored(id)).toMatchObject({ due: date(20), basis: { reason: expect.stringContaining('250 uses so far') } });
    await keep(-2, 1510);
    expect(await stored(id)).toMatchObject({ due: date(-2), basis: { reason: expect.stringContaining('510 uses since') } });
    await keep(-2, 1310);
    expect((await stored(id)).due > date(20)).toBe(true);
    await keep(-2, null);
    const { rows } = await world.app.query("select detail from audit where action = 'instrumentUses' order by id desc limit 2");
    expect(rows.map((row) => [row.detail.before?.count ?? null, row.detail.after])).toEqual([
      [1310, null],
      [1510, 1310],
    ]);
    await keep(-30, null);
    expect((await stored(id)).due).toBe(date(100));
    expect(await inTx((tx) => usesOfAsset(tx, id))).toEqual([{ readOn: date(-80), count: 1000, readBy: world.technician.name }]);
  });
  it('a day that lies ahead is refused beside its field', async () => {
    const id = await world.newAsset('USES-2');
    const keep = (on: number, actor = world.technician) =>
      world.db.transaction((tx) => keepUse({ tx, actor, now }, { assetId: id, readOn: date(on), count: 5 }));
    await expect(keep(2)).rejects.toMatchObject({ fields: { readOn: expect.stringContaining('ahead') } });
  });
});

describe('what is due as files', () => {
  const query = { window: 'all' as const, today: date(0) };
  const inTx = <T>(work: (tx: Parameters<Parameters<World['db']['transaction']>[0]>[0]) => Promise<T>) =>
    world.db.transaction(work);
  it('a calendar that another library reads: a customer’s day is one entry of a whole day, with the same identity each time', async () => {
    const made = () => inTx((tx) => dueCalendar(tx, query, { workshop: 'Test', host: 'test.example', now }));
    const events = Object.values(readCalendar.sync.parseICS(await made())).filter((one) => one?.type === 'VEVENT') as VEvent[];
    const { rows } = await inTx((tx) => dueList(tx, { ...query, pageSize: 500 }));
    expect(events.length).toBe(new Set(rows.map((row) => `${row.nextDue}${row.customerId}`)).size);
    expect(events.length).toBeGreaterThan(2);
    const days = events.map((one) => format(one.start, 'yyyy-MM-dd')).sort();
    expect(days).toEqual([...new Set(rows.map((row) => row.nextDue!))].sort());
    for (const one of events)
      expect([one.datetype, (one.end!.getTime() - one.start.getTime()) / 86_400_000]).toEqual(['date', 1]);
    const again = Object.keys(readCalendar.sync.parseICS(await made())).sort();
    expect(again).toEqual(Object.keys(readCalendar.sync.parseICS(await made())).sort());
    expect(events.some((one) => String(one.description).includes('DUE-0'))).toBe(true);
  });
  it('a table with the same rows as the list', async () => {
    const csv = await inTx((tx) => dueCsv(tx, query));
    const { rows } = await inTx((tx) => dueList(tx, { ...query, pageSize: 500 }));
    expect(csv.split('\r\n')).toHaveLength(rows.length + 1);
    expect(csv).toContain('DUE-3');
  });
});
