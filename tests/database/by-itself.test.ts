import { addDays, format, parseISO } from 'date-fns';
import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Actor } from '@/core/record/event';
import type { Transaction } from '@/data/connection';
import { asset, certificate, customer, houseCheck, mail, reminder } from '@/data/schema';
import { approveRun, drawAndKeep, keptPdf, mailsOf } from '@/features/certificates/server';
import { keepContact, unsubscribe } from '@/features/customers/server';
import {
  asLetter,
  emptyOutbox,
  lettersToPrint,
  makeReminders,
  notePrinted,
  postToDo,
  remindedLast,
  remindToday,
} from '@/features/due/server';
import { jobsDone, jobsNow } from '@/features/office/server';
import { putMails } from '@/platform/put-mail';
import { unsubscribeHeaders } from '@/platform/unsubscribe-address';
import { readSettings, writeSettings, type WorkshopSettings } from '@/platform/settings';
import { refused } from './refused';
import { startMailServer } from './mail-server';
import { openWorld, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());

const set = async (more: Partial<WorkshopSettings>) =>
  world.db.transaction(async (tx) => writeSettings(tx, { ...(await readSettings(tx)), ...more }));
const day = (date: Date) => format(date, 'yyyy-MM-dd');
const at = (on: string, time = '07:30') => new Date(`${on}T${time}:00Z`);

describe('reminders that go out by themselves', () => {
  const FIRST = '2027-03-01';
  /** Days from the first one on which each instrument is due. */
  const DUE = [-40, -14, -3, 0, 1, 6, 13, 20, 21, 22, 30, 41];
  const AHEAD = 21;
  const AFTER = 14;

  it('six weeks of days, three of them slept through: each instrument is told of each stage once, on the first day that was awake', async () => {
    await set({ remindByItself: true, remindHour: 7, zone: 'UTC', remindAheadDays: AHEAD, remindAfterDays: AFTER });
    const ids: string[] = [];
    for (const offset of DUE) {
      const id = await world.newAsset();
      await world.db
        .update(asset)
        .set({ nextDue: day(addDays(parseISO(FIRST), offset)) })
        .where(eq(asset.id, id));
      ids.push(id);
    }
    // One that is due and stands in our own house is nobody's to bring.
    const { assetId: inHouse } = await world.newTicket();
    await world.db.update(asset).set({ nextDue: FIRST }).where(eq(asset.id, inHouse));
    const asleep = new Set([5, 6, 20]);
    const told: string[] = [];
    for (let n = 0; n < 42; n += 1) {
      if (asleep.has(n)) continue;
      const on = day(addDays(parseISO(FIRST), n));
      const before = new Set((await world.db.select({ id: reminder.id }).from(reminder)).map((one) => one.id));
      expect(await remindToday(world.db, at(on, '06:59'))).toBeNull();
      const [made, twice] = await Promise.all([remindToday(world.db, at(on)), remindToday(world.db, at(on))]);
      // Two processes: one does it, the other finds it done.
      expect([made, twice].filter((one) => one === null)).toHaveLength(1);
      expect((made ?? twice)!.mails).toBeLessThanOrEqual(1);
      for (const one of await world.db.select().from(reminder))
        if (!before.has(one.id)) told.push(`${n} ${ids.indexOf(one.assetId)} ${one.stage}`);
    }
    // Worked out without the house: from which day each stage holds, and until which.
    const expected = DUE.flatMap((due, index) =>
      (
        [
          ['ahead', due - AHEAD, due],
          ['at', due, due + AFTER],
          ['after', due + AFTER, Infinity],
        ] as const
      ).flatMap(([stage, from, until]) => {
        let n = Math.max(0, from);
        while (asleep.has(n)) n += 1;
        return n < until && n < 42 ? [`${n} ${index} ${stage}`] : [];
      }),
    );
    expect(told.sort()).toEqual(expected.sort());
    expect((await remindedLast(world.db))!.detail.day).toBe(day(addDays(parseISO(FIRST), 41)));
  });
  it('not where the workshop presses itself; what failed is on record, and tried again', async () => {
    const on = '2027-06-01';
    await set({ remindByItself: false });
    expect(await remindToday(world.db, at(on))).toBeNull();
    await set({ remindByItself: true });
    await world.superuser.query('alter table reminder rename to elsewhere');
    await expect(remindToday(world.db, at(on))).rejects.toThrow();
    await world.superuser.query('alter table elsewhere rename to reminder');
    expect((await world.db.transaction((tx) => jobsDone(tx))).rows[0]).toMatchObject({ kind: 'reminders', ok: false });
    expect(await remindToday(world.db, at(on))).not.toBeNull();
    const [newest] = (await world.db.transaction((tx) => jobsDone(tx))).rows;
    expect(newest).toMatchObject({ ok: true, detail: { day: on } });
    // What it left behind to be sent waits, where the queue can be seen.
    expect((await world.db.transaction((tx) => jobsNow(tx))).find((one) => one.task === 'mail')!.waiting).toBeGreaterThan(0);
    expect((await world.db.select().from(houseCheck)).some((one) => one.kind === 'reminders')).toBe(true);
  });
});

describe('a document goes to its customer when it is approved', () => {
  const approve = (runId: string) =>
    world.db.transaction((tx) => approveRun({ tx, actor: world.signatory, now: new Date() }, { runId }));
  const attach = async (id: string) => {
    await drawAndKeep(world.db, id, new Date());
    const { bytes, name } = await keptPdf(world.db, id);
    return { filename: name, content: bytes! };
  };

  it('to the contact who is there for certificates, with the PDF as it was issued and what of the receipt is ready; its state stands at the document', async () => {
    await set({ mailCertificates: true });
    await world.db.update(mail).set({ state: 'sent' });
    await world.db.transaction((tx) =>
      keepContact(
        { tx, actor: world.technician, now: new Date() },
        { customerId: world.customerId, name: 'Papers', email: 'papers@test.example', phone: '', purposes: ['certificates'] },
      ),
    );
    const issued = await approve((await world.finishedRun()).run);
    const server = await startMailServer();
    try {
      // A process that draws no papers leaves it; one that does sends it.
      expect((await emptyOutbox(world.db, { clock: () => new Date() }))!.queued).toBe(1);
      await world.db.update(mail).set({ nextTryAt: null }).where(eq(mail.attachedCertificate, issued.id));
      expect((await emptyOutbox(world.db, { clock: () => new Date(), attach }))!.sent).toBe(1);
      const [letter, ...others] = await server.received();
      expect(others).toEqual([]);
      expect(letter!.subject).toContain(issued.number);
      expect([letter!.to].flat()[0]!.text).toBe('papers@test.example');
      expect(letter!.text).toMatch(/Good day, Papers,[\s\S]*ready for collection/);
      const [paper] = letter!.attachments;
      expect(paper).toMatchObject({ filename: `${issued.number}.pdf`, contentType: 'application/pdf' });
      expect(paper!.content.equals((await keptPdf(world.db, issued.id)).bytes!)).toBe(true);
    } finally {
      await server.stop();
    }
    expect(await world.db.transaction((tx) => mailsOf(tx, issued.id))).toMatchObject([
      { recipient: 'papers@test.example', state: 'sent' },
    ]);
  });
  it('not where the customer or the workshop doesn’t want it, and never for an approval that was taken back', async () => {
    const mailed = async (id: string) => (await world.db.transaction((tx) => mailsOf(tx, id))).length;
    await world.db.update(customer).set({ wantsCertificates: false }).where(eq(customer.id, world.customerId));
    expect(await mailed((await approve((await world.finishedRun()).run)).id)).toBe(0);
    await world.db.update(customer).set({ wantsCertificates: true }).where(eq(customer.id, world.customerId));
    await set({ mailCertificates: false });
    expect(await mailed((await approve((await world.finishedRun()).run)).id)).toBe(0);
    await set({ mailCertificates: true });
    const { run } = await world.finishedRun();
    const count = async () => (await world.db.select({ id: mail.id }).from(mail)).length;
    const before = await count();
    await expect(
      world.db.transaction(async (tx) => {
        await approveRun({ tx, actor: world.signatory, now: new Date() }, { runId: run });
        throw new Error('power cut');
      }),
    ).rejects.toThrow('power cut');
    expect(await count()).toBe(before);
    await approve(run);
    expect(await count()).toBe(before + 1);
    expect(await world.db.select().from(certificate).where(eq(certificate.runId, run))).toHaveLength(1);
  });
});

describe('letters', () => {
  const at = new Date('2027-09-01T08:00:00Z');
  const inTx = <T>(work: (context: { tx: Transaction; actor: Actor; now: Date }) => Promise<T>) =>
    world.db.transaction((tx) => work({ tx, actor: world.technician, now: at }));

  it('who has no mail address is reminded by post: it waits to be printed once; with neither address nobody is told, and nothing is booked', async () => {
    const [byPost, nowhere] = await Promise.all(
      ['Quay 1, Port Test', ''].map(async (address, index) => {
        const [row] = await world.db
          .insert(customer)
          .values({ name: `No mail ${index}`, address, contact: 'Ebba', createdAt: at })
          .returning();
        const id = await world.newAsset(`POST-${index}`);
        await world.db.update(asset).set({ customerId: row!.id, nextDue: '2027-09-02' }).where(eq(asset.id, id));
        return id;
      }),
    );
    const made = await inTx((context) => makeReminders(context, { assetIds: [byPost!, nowhere!] }));
    expect(made).toEqual({ mails: 0, letters: 1, instruments: 1 });
    const [letter, ...others] = await inTx(({ tx }) => lettersToPrint(tx));
    expect(others).toEqual([]);
    expect(letter).toMatchObject({ customer: { name: 'No mail 0', address: 'Quay 1, Port Test' } });
    expect(letter!.body).toContain('POST-0');
    expect(letter!.body).not.toContain('unsubscribe');
    // The jobs process has nothing to do with it.
    expect(await emptyOutbox(world.db, { clock: () => at })).toMatchObject({ sent: 0 });
    expect(await inTx((context) => notePrinted(context, { mailIds: [letter!.id] }))).toEqual({ printed: 1 });
    expect(await inTx((context) => notePrinted(context, { mailIds: [letter!.id] }))).toEqual({ printed: 0 });
    expect(await inTx((context) => makeReminders(context, { assetIds: [byPost!, nowhere!] }))).toMatchObject({ letters: 0 });
  });
  it('a mail that was refused becomes one, where there is an address to send it to', async () => {
    const put = async (address: string) => {
      const [row] = await world.db
        .insert(customer)
        .values({ name: `Refused ${address}`, address, createdAt: at })
        .returning();
      const [id] = await inTx(({ tx }) =>
        putMails(tx, [{ customerId: row!.id, recipient: 'gone@test.example', subject: 'Due', body: 'Due.' }], {
          now: at,
          kind: 'test',
          host: 'x.example',
        }),
      );
      await world.db.update(mail).set({ state: 'refused', problem: '550 no such mailbox' }).where(eq(mail.id, id!));
      return id!;
    };
    const [some, none] = [await put('Pier 2'), await put('')];
    expect((await inTx(({ tx }) => postToDo(tx))).refused).toBe(2);
    await inTx((context) => asLetter(context, { mailId: some }));
    expect(await inTx(({ tx }) => postToDo(tx))).toEqual({ letters: 1, refused: 1 });
    expect(await refused(inTx((context) => asLetter(context, { mailId: none })))).toMatchObject({ status: 409 });
    expect(await refused(inTx((context) => asLetter(context, { mailId: some })))).toMatchObject({ status: 404 });
  });
});

describe('the way out of reminders', () => {
  it('stands in the mail, as headers only where the public address is https (RFC 8058, 3.1); whoever pressed is on record', async () => {
    const [row] = await world.db.select().from(customer).where(eq(customer.id, world.customerId));
    const token = row!.unsubscribeToken;
    expect(unsubscribeHeaders(token, 'http://127.0.0.1:1')).toEqual({});
    expect(unsubscribeHeaders(null, 'https://check.example')).toEqual({});
    const origin = process.env.WERKBANK_PUBLIC_ORIGIN;
    process.env.WERKBANK_PUBLIC_ORIGIN = 'https://check.example';
    const server = await startMailServer();
    try {
      const id = await world.newAsset('OUT-1');
      await world.db.update(mail).set({ state: 'sent' }).where(eq(mail.state, 'queued'));
      await world.db.update(asset).set({ nextDue: '2027-10-01' }).where(eq(asset.id, id));
      await world.db.transaction((tx) =>
        makeReminders({ tx, actor: world.technician, now: new Date('2027-10-01T08:00:00Z') }, { assetIds: [id] }),
      );
      await emptyOutbox(world.db, { clock: () => new Date('2027-10-01T08:00:00Z') });
      const [letter] = await server.received();
      expect(letter!.text).toContain(`No more reminders: https://check.example/unsubscribe/${token}`);
      // Read by another library: mailparser gathers the List- headers (RFC 2369).
      const list = letter!.headers.get('list') as unknown as Record<string, Record<string, string>>;
      expect(list.unsubscribe!.url).toBe(`https://check.example/api/unsubscribe/${token}`);
      expect(list['unsubscribe-post']!.name).toBe('List-Unsubscribe=One-Click');
    } finally {
      await server.stop();
      if (origin === undefined) delete process.env.WERKBANK_PUBLIC_ORIGIN;
      else process.env.WERKBANK_PUBLIC_ORIGIN = origin;
    }
    const press = (given: string, pressed: boolean) => world.db.transaction((tx) => unsubscribe(tx, given, pressed));
    expect(await press(token, false)).toMatchObject({ wants: true });
    expect(await press(token, true)).toMatchObject({ name: 'Test Yard', wants: false });
    expect(await press(token, true)).toMatchObject({ wants: false });
    expect([await press('0'.repeat(36), true), await press('x', true)]).toEqual([null, null]);
    const { rows } = await world.app.query(
      "select actor->>'name' as who from change_log where table_name = 'customer' and row_key = $1 and kind = 'changed' and after ? 'wants_reminders'",
      [world.customerId],
    );
    expect(rows).toEqual([{ who: 'the customer, by the link in a mail' }]);
    await world.db.update(customer).set({ wantsReminders: true }).where(eq(customer.id, world.customerId));
  });
});
