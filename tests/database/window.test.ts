import { addDays, format, subHours } from 'date-fns';
import { eq, sql } from 'drizzle-orm';
import JSZip from 'jszip';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Actor } from '@/core/record/event';
import { asset, certificate, customer, customerContact, mail, windowLink, windowRequest } from '@/data/schema';
import { announce } from '@/features/bookings/server';
import { approveRun } from '@/features/certificates/server';
import { dropContact } from '@/features/customers/server';
import { verifyRecords } from '@/features/office/server';
import {
  doWindowRequest,
  openReports,
  ownBookings,
  ownDocuments,
  ownInstrument,
  ownInstruments,
  ownJson,
  ownPdf,
  ownZip,
  seeReport,
  sendWindowLinks,
} from '@/features/window/server';
import { asActor } from '@/platform/as-actor';
import type { UseCaseContext } from '@/platform/use-case';
import { atWindow } from '@/platform/window-door';
import { refused } from './refused';
import { openWorld, type World } from './world';

let world: World;
const theirs: { customerId: string; contact: string; assetId: string; run: string }[] = [];
const now = () => new Date();
const inTx = <T>(work: (context: UseCaseContext) => Promise<T>, actor: Actor = world.signatory) =>
  world.db.transaction(async (tx) => {
    await asActor(tx, actor, 'test');
    return work({ tx, actor, now: now() });
  });

async function customerWith(name: string, purposes: ('window' | 'windowActs')[]) {
  const [made] = await world.db
    .insert(customer)
    .values({ name, email: '', address: 'Quay 1', contact: '', createdAt: now() })
    .returning();
  const [person] = await world.db
    .insert(customerContact)
    .values({
      customerId: made!.id,
      name: `Person of ${name}`,
      email: `${name.toLowerCase()}@window.example`,
      purposes,
      createdAt: now(),
    })
    .returning();
  const assetId = await world.newAsset();
  await world.db.update(asset).set({ customerId: made!.id }).where(eq(asset.id, assetId));
  const { run, ticketId } = await world.finishedRun({ assetId, customerId: made!.id });
  await inTx((context) => approveRun(context, { runId: run }));
  await world.app.query("update ticket set status = 'returned', returned_at = now() where id = $1", [ticketId]);
  theirs.push({ customerId: made!.id, contact: person!.id, assetId, run });
  return person!;
}
/** The secret link of the newest mail to an address. */
async function linkTo(email: string): Promise<string> {
  const rows = await world.db.select().from(mail).where(eq(mail.recipient, email)).orderBy(mail.createdAt);
  return /\/window\/enter\/([\w-]+)/.exec(rows.at(-1)!.body)![1]!;
}
/** The links of before were asked for long ago. */
const anHourLater = () => world.superuser.query("update window_link set made_at = made_at - interval '2 hours'");
let secrets = 0;
async function enter(link: string): Promise<{ secret: string; customer: string | null }> {
  const secret = `${'s'.repeat(40)}-${(secrets += 1)}`;
  const { rows } = await world.app.query('select window_enter($1, $2) as customer', [link, secret]);
  return { secret, customer: rows[0].customer };
}
async function standing(email: string): Promise<string> {
  await anHourLater();
  await sendWindowLinks(world.db, email, now());
  return (await enter(await linkTo(email))).secret;
}
async function ask(secret: string, kind: string, what: object) {
  const id = await atWindow(
    secret,
    async (tx) =>
      (await tx.execute<{ id: string }>(`select window_send('${kind}', '${JSON.stringify(what)}'::jsonb) as id`)).rows[0]!.id,
  );
  await doWindowRequest(world.db, id!, now());
  await doWindowRequest(world.db, id!, now());
  const [row] = await world.db.select().from(windowRequest).where(eq(windowRequest.id, id!));
  return row!;
}

beforeAll(async () => {
  world = await openWorld();
  await customerWith('Alpha', ['windowActs']);
  await customerWith('Beta', ['window']);
}, 60_000);
afterAll(() => world.close());

describe('the way in', () => {
  it('a link comes to whoever may look, and to nobody else; five an hour at most', async () => {
    expect(await sendWindowLinks(world.db, 'ALPHA@window.example', now())).toBe(1);
    expect(await sendWindowLinks(world.db, 'nobody@window.example', now())).toBe(0);
    // Who is a contact without that right gets none.
    expect(await sendWindowLinks(world.db, 'yard@test.example', now())).toBe(0);
    for (let n = 0; n < 4; n += 1) await sendWindowLinks(world.db, 'alpha@window.example', now());
    expect(await sendWindowLinks(world.db, 'alpha@window.example', now())).toBe(0);
    await anHourLater();
  });
  it('opens once, in its time; guessed, used, late or ended it opens nothing; the secret itself stands nowhere', async () => {
    await sendWindowLinks(world.db, 'alpha@window.example', now());
    const link = await linkTo('alpha@window.example');
    const first = await enter(link);
    expect(first.customer).toBe('Alpha');
    expect((await enter(link)).customer).toBeNull();
    expect((await enter(`${link.slice(0, -1)}x`)).customer).toBeNull();
    expect(await atWindow(first.secret, (_tx, who) => Promise.resolve(who))).toMatchObject({ customer: 'Alpha', acts: true });
    expect(await atWindow(`${first.secret}x`, () => Promise.resolve('in'))).toBeNull();
    expect(await atWindow(undefined, () => Promise.resolve('in'))).toBeNull();
    const { rows } = await world.superuser.query('select count(*)::int as n from window_session where digest = $1', [
      first.secret,
    ]);
    expect(rows[0].n).toBe(0);
    await sendWindowLinks(world.db, 'alpha@window.example', now());
    const late = await linkTo('alpha@window.example');
    await world.superuser.query("update window_link set until = now() - interval '1 minute' where used_at is null");
    expect((await enter(late)).customer).toBeNull();
    await atWindow(first.secret, (tx) => tx.execute('select window_leave()'));
    expect(await atWindow(first.secret, () => Promise.resolve('in'))).toBeNull();
    // Two who press the same link at once: one goes in.
    await sendWindowLinks(world.db, 'alpha@window.example', now());
    const both = await linkTo('alpha@window.example');
    const entered = await Promise.all([enter(both), enter(both), enter(both)]);
    expect(entered.filter((one) => one.customer)).toHaveLength(1);
  });
  it('who leaves the customer is out at once', async () => {
    const { id } = await customerWith('Gamma', ['windowActs']);
    const secret = await standing('gamma@window.example');
    expect(await atWindow(secret, () => Promise.resolve('in'))).toBe('in');
    await inTx((context) => dropContact(context, { contactId: id }));
    expect(await atWindow(secret, () => Promise.resolve('in'))).toBeNull();
  });
});

describe('what is seen', () => {
  it('their instruments with whether each may be used, their documents, how it came; nothing of another’s', async () => {
    const [alpha, beta] = theirs;
    const secret = await standing('alpha@window.example');
    const seen = (await atWindow(secret, async (tx) => ({
      instruments: await ownInstruments(tx, now()),
      documents: await ownDocuments(tx),
      one: await ownInstrument(tx, alpha!.assetId, now()),
      other: await ownInstrument(tx, beta!.assetId, now()),
      bookings: await ownBookings(tx),
    })))!;
    expect(seen.instruments.map((row) => row.id)).toEqual([alpha!.assetId]);
    // Calibrated today, and not bumped today by anybody.
    expect(seen.instruments[0]!.use.may).toMatch(/yes|bumpFirst/);
    expect(seen.documents).toHaveLength(1);
    expect(seen.one!.history.length).toBeGreaterThan(2);
    expect(seen.one!.history.every((point) => point.percent >= 0 && point.percent < 400)).toBe(true);
    expect(seen.other).toBeNull();
    const [foreign] = await world.db.select().from(certificate).where(eq(certificate.customerId, beta!.customerId));
    const files = await atWindow(secret, async (tx) => [
      await ownPdf(tx, foreign!.id),
      await ownJson(tx, foreign!.id),
      await ownJson(tx, seen.documents[0]!.id),
    ]);
    expect(files!.slice(0, 2)).toEqual([null, null]);
    const drawn = (id: string) =>
      atWindow(secret, async (tx) => (await tx.execute(sql`select window_draw(${id}::uuid) as drawn`)).rows[0]!.drawn);
    expect([await drawn(foreign!.id), await drawn(seen.documents[0]!.id)]).toEqual([false, true]);
    expect(JSON.parse((files![2] as { text: string }).text).content.number).toBe(seen.documents[0]!.number);
    // As one file: what stands of theirs alone, read by another library; what was never drawn is named.
    const zip = await JSZip.loadAsync((await atWindow(secret, (tx) => ownZip(tx)))!);
    const { number } = seen.documents[0]!;
    expect(Object.keys(zip.files).toSorted()).toEqual([`${number}.json`, 'being-drawn.txt'].toSorted());
    expect(await zip.file('being-drawn.txt')!.async('string')).toContain(`${number}.pdf`);
  });

  it('row-level security, attacked: over every table of the house the window’s role reads nothing, or rows of its own customer; it writes nothing', async () => {
    const secret = await standing('alpha@window.example');
    const { rows: tables } = await world.superuser.query(
      "select c.relname as name from pg_class c where c.relkind in ('r', 'v', 'm', 'p') and c.relnamespace = 'public'::regnamespace order by 1",
    );
    expect(tables.length).toBeGreaterThan(70);
    const { rows: columns } = await world.superuser.query(
      "select table_name, column_name from information_schema.column_privileges where grantee = 'werkbank_window' and table_schema = 'public' and privilege_type = 'SELECT'",
    );
    const client = await world.app.connect();
    const within = async <T>(statement: string): Promise<T[] | string> => {
      await client.query('begin');
      await client.query("select set_config('werkbank.window', $1, true)", [secret]);
      await client.query('set local role werkbank_window');
      const result = await client.query(statement).then(
        ({ rows }) => rows as T[],
        (error: { code: string }) => error.code,
      );
      await client.query('rollback');
      return result;
    };
    const readable: string[] = [];
    for (const { name } of tables as { name: string }[]) {
      const own = columns.filter((one) => one.table_name === name).map((one) => `"${one.column_name}"`);
      if (own.length === 0) {
        expect(await within(`select * from "${name}"`), name).toBe('42501');
        continue;
      }
      readable.push(name);
      const rows = (await within<Record<string, unknown>>(`select ${own.join(', ')} from "${name}"`)) as Record<
        string,
        unknown
      >[];
      expect(Array.isArray(rows), name).toBe(true);
      for (const row of rows) {
        if ('customer_id' in row) expect(row.customer_id, name).toBe(theirs[0]!.customerId);
        if ('asset_id' in row && row.asset_id !== null) expect(row.asset_id, name).toBe(theirs[0]!.assetId);
      }
      for (const statement of [
        `update "${name}" set ${own[0]} = ${own[0]}`,
        `delete from "${name}"`,
        `insert into "${name}" default values`,
      ])
        expect(await within(statement), `${statement}`).toBe('42501');
    }
    expect(readable).toHaveLength(14);
    expect(await within('select id from customer')).toEqual([{ id: theirs[0]!.customerId }]);
    // Another's secret isn't there to be read, the role can't be made more of, and what it isn't granted it can't call.
    for (const statement of [
      'select secret from person_key',
      'set role werkbank_owner',
      "select enqueue_job('mail', '{}', 'x', null, 0, 1, null)",
      "select window_enter('x', repeat('y', 40))",
      'create table x ()',
      'select content, signed from certificate',
    ])
      expect(await within(statement), statement).toBe('42501');
    client.release();
    // The house itself sees all, and without a secret the window's role sees nothing.
    expect((await world.db.select().from(customer)).length).toBeGreaterThan(3);
    await world.db.transaction(async (tx) => {
      await tx.execute('set local role werkbank_window');
      expect((await tx.execute('select id from asset')).rows).toEqual([]);
    });
  });
});

describe('what is asked', () => {
  const day = (days: number) => format(addDays(now(), days), 'yyyy-MM-dd');
  it('a booking, changed and called off; another’s instrument or booking is none of theirs; done once however often the job runs', async () => {
    const [alpha, beta] = theirs;
    const secret = await standing('alpha@window.example');
    const fields = { arrivesOn: day(5), wholeWeek: false, contact: '', note: '', assetIds: [alpha!.assetId] };
    const made = await ask(secret, 'book', fields);
    expect(made).toMatchObject({ state: 'done' });
    const id = made.answer!.id!;
    expect(await atWindow(secret, (tx) => ownBookings(tx))).toMatchObject([
      { id, arrivesOn: day(5), state: 'announced', contact: 'Person of Alpha' },
    ]);
    expect(await ask(secret, 'book', { ...fields, assetIds: [beta!.assetId] })).toMatchObject({
      state: 'refused',
      answer: { fields: { assetIds: expect.any(String) } },
    });
    expect(await ask(secret, 'book', { ...fields, arrivesOn: day(-2) })).toMatchObject({ state: 'refused' });
    expect(await ask(secret, 'changeBooking', { ...fields, id, arrivesOn: day(6) })).toMatchObject({ state: 'done' });
    const foreign = await inTx((context) =>
      announce(context, { ...fields, customerId: beta!.customerId, assetIds: [beta!.assetId] }),
    );
    expect(await ask(secret, 'cancelBooking', { id: foreign.id, why: 'mine' })).toMatchObject({
      state: 'refused',
      answer: { message: 'This is none of your instruments.' },
    });
    expect(await ask(secret, 'cancelBooking', { id, why: 'Not this year' })).toMatchObject({ state: 'done' });
    const { rows } = await world.app.query(
      "select actor->>'name' as who, detail from audit where action like 'window.%' order by id",
    );
    expect(rows.map((row) => row.who)).toEqual(Array(3).fill('Person of Alpha, Alpha'));
    // Who only looks asks nothing.
    const looks = await standing('beta@window.example');
    await expect(ask(looks, 'bump', { assetId: beta!.assetId, passed: true })).rejects.toThrow();
  });
  it('a bump counts for the day and stands with the instrument; a fault and a sale wait for the counter', async () => {
    const [alpha, beta] = theirs;
    const secret = await standing('alpha@window.example');
    const use = async () => (await atWindow(secret, (tx) => ownInstruments(tx, now())))![0]!.use.may;
    expect(
      await ask(secret, 'bump', { assetId: alpha!.assetId, passed: false, outputs: ['light'], note: 'no horn' }),
    ).toMatchObject({ state: 'done' });
    expect(await use()).toBe('no');
    await ask(secret, 'bump', { assetId: alpha!.assetId, passed: true, outputs: ['sound', 'light'], note: '' });
    expect(await use()).toBe('yes');
    expect(await ask(secret, 'bump', { assetId: beta!.assetId, passed: true, outputs: [], note: '' })).toMatchObject({
      state: 'refused',
    });
    expect(await ask(secret, 'fault', { assetId: alpha!.assetId, text: '' })).toMatchObject({ state: 'refused' });
    await ask(secret, 'fault', { assetId: alpha!.assetId, text: 'The display flickers' });
    await ask(secret, 'gone', { assetId: alpha!.assetId, what: 'sold', text: 'To the pilots' });
    const reports = await inTx(({ tx }) => openReports(tx));
    expect(reports.map((one) => [one.kind, one.assetId, one.customer])).toEqual([
      ['fault', alpha!.assetId, 'Alpha'],
      ['gone', alpha!.assetId, 'Alpha'],
    ]);
    expect(
      await refused(
        inTx((context) => seeReport(context, { requestId: reports[0]!.id }), { ...world.signatory, role: 'auditor' }),
      ),
    ).toMatchObject({ status: 403 });
    await inTx((context) => seeReport(context, { requestId: reports[0]!.id }));
    expect(await inTx(({ tx }) => openReports(tx))).toHaveLength(1);
    expect((await world.db.transaction((tx) => verifyRecords(tx))).faults).toEqual([]);
    expect((await world.db.select().from(windowLink)).every((row) => row.digest.length === 64)).toBe(true);
  });
});

describe('the log of a customer’s own station', () => {
  it('its bumps are noted once, for their instruments alone; of another’s nothing is said but that it was left out', async () => {
    const [alpha, beta] = theirs;
    const secret = await standing('alpha@window.example');
    const serialOf = async (id: string) => (await world.db.select().from(asset).where(eq(asset.id, id)))[0]!;
    const [mine, other] = [await serialOf(alpha!.assetId), await serialOf(beta!.assetId)];
    const at = subHours(now(), 3).toISOString();
    const row = (one: typeof mine, kind = 'bump') =>
      JSON.stringify({
        station: 'Dock 9',
        at,
        maker: one.maker,
        model: 'OF-410',
        serial: one.serial,
        kind,
        passed: true,
        gases: [{ lot: 'T-1', expires: '2099-12-31' }],
        outputs: { sound: true, light: true, vibration: false },
        channels: [{ measurand: 'carbonMonoxide', unit: 'ppm', target: '100', moved: true }],
      });
    const send = async (text: string) => {
      const id = (await atWindow(
        secret,
        async (tx) =>
          (await tx.execute<{ id: string }>(sql`select window_send('stationLog', ${JSON.stringify({ text })}::jsonb) as id`))
            .rows[0]!.id,
      ))!;
      await doWindowRequest(world.db, id, now());
      const [done] = await world.db.select().from(windowRequest).where(eq(windowRequest.id, id));
      return done!;
    };
    const text = [row(mine), row(mine), row(other), row(mine, 'calibration'), 'no line'].join('\n');
    expect(await send(text)).toMatchObject({
      state: 'done',
      answer: { message: 'Bumps noted: 1; on record already: 1; lines left out: 3.' },
    });
    expect((await send(text)).answer).toMatchObject({ message: 'Bumps noted: 0; on record already: 2; lines left out: 3.' });
    const { rows } = await world.app.query('select asset_id, passed, note from customer_bump where note = $1', ['Dock 9']);
    expect(rows).toEqual([{ asset_id: mine.id, passed: true, note: 'Dock 9' }]);
    expect(await send('a;b;c')).toMatchObject({ state: 'refused' });
  });
});
