import { subDays } from 'date-fns';
import { and, desc, eq, isNull } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { isVersion2 } from '@/core/certificate';
import type { Actor } from '@/core/record/event';
import { say } from '@/core/words/say';
import {
  asset,
  audit,
  certificate,
  customer,
  customerNotice,
  customerQuestion,
  customerTolerance,
  jobPosition,
  mail,
  reminder,
  ticket,
} from '@/data/schema';
import { approveRun, noticeFor } from '@/features/certificates/server';
import { keepTolerance } from '@/features/customers/server';
import {
  emptyOutbox,
  makeBumpReminders,
  makeReminders,
  notePrinted,
  postToDo,
  printAgain,
  readReturns,
} from '@/features/due/server';
import { makeOffer, mailOffer } from '@/features/money/server';
import { dropMailText, keepMailText, mailTextPage } from '@/features/office/server';
import {
  askByMail,
  doAnswer,
  giveAnswer,
  listQuestions,
  publicQuestion,
  questionsCsv,
  withdrawQuestion,
} from '@/features/questions/server';
import { asActor } from '@/platform/as-actor';
import { readSettings, writeSettings } from '@/platform/settings';
import { putMails } from '@/platform/put-mail';
import type { UseCaseContext } from '@/platform/use-case';
import { startMailServer } from './mail-server';
import { refused } from './refused';
import { openWorld, type World } from './world';
import '@/core/words/en/answer-page';
import '@/core/words/en/certificate';
import '@/core/words/de';

let world: World;
const administrator: Actor = { id: 'admin', name: 'Admin', role: 'administrator' };
const as = <T>(work: (context: UseCaseContext) => Promise<T>, actor: Actor = administrator, now = new Date()) =>
  world.db.transaction(async (tx) => {
    await asActor(tx, actor, 'test');
    return work({ tx, actor, now });
  });
const mails = () => world.db.select().from(mail).orderBy(desc(mail.createdAt), desc(mail.id));
beforeAll(async () => {
  world = await openWorld();
  await world.db.update(customer).set({ language: 'de', contact: 'Papiere', email: 'papiere@yard.example' });
});
afterAll(() => world.close());

it('a letter that was taken for printed waits to be printed again, once', async () => {
  const letter = { customerId: world.customerId, recipient: '', subject: 'Brief', body: 'Guten Tag', onPaper: true as const };
  const [mailId] = await as(({ tx, now }) => putMails(tx, [letter], { now, kind: 'reminder', host: 'test.example' }));
  const state = async () => (await world.db.select().from(mail).where(eq(mail.id, mailId!)))[0]!.state;
  await as((context) => notePrinted(context, { mailIds: [mailId!] }));
  expect(await state()).toBe('printed');
  await as((context) => printAgain(context, { mailId: mailId! }));
  expect(await state()).toBe('toPrint');
  expect(await refused(as((context) => printAgain(context, { mailId: mailId! })))).toMatchObject({ status: 404 });
  await as((context) => notePrinted(context, { mailIds: [mailId!] }));
});

describe('texts of mails', () => {
  it('the office’s own text is in the next letter of that language; one without its caution is refused; the usual one comes back; the audit has both', async () => {
    const page = await as(({ tx }) => mailTextPage(tx, 'reminder', 'de'));
    const body = page.usual.body.replace('Bringen oder senden', 'Bitte bringen oder senden');
    const problem = await refused(
      as((context) =>
        keepMailText(context, { kind: 'reminder', language: 'de', subject: 'Fällig', body: body.replace('{caution}', '{link}') }),
      ),
    );
    expect(problem?.status).toBe(400);
    expect(problem?.fields).toEqual({ body: 'There is no {link} for this letter.' });
    await expect(
      as((context) => keepMailText(context, { kind: 'reminder', language: 'de', subject: 'Fällig', body }), world.signatory),
    ).rejects.toThrow();
    await as((context) =>
      keepMailText(context, { kind: 'reminder', language: 'de', subject: 'Werkstatt: {count} fällig', body }),
    );
    const told = async () => {
      const assetId = await world.newAsset();
      await world.db.update(asset).set({ nextDue: '2020-01-31' }).where(eq(asset.id, assetId));
      await as((context) => makeReminders(context));
      return (await mails())[0]!;
    };
    const own = await told();
    expect(own.subject).toBe('Werkstatt: 1 Gerät fällig');
    expect(own.body).toMatch(/^Guten Tag Papiere,\n\n[^]*31\.01\.2020[^]*Auf ein überfälliges Gerät/);
    expect(own.body).toContain('Bitte bringen oder senden');
    await as((context) => dropMailText(context, { kind: 'reminder', language: 'de' }));
    expect((await told()).subject).toBe('Kalibrierung fällig: 1 Gerät');
    const [kept] = await world.db.select().from(audit).where(eq(audit.action, 'keepMailText'));
    expect(kept!.detail).toMatchObject({ before: page.usual, after: { subject: 'Werkstatt: {count} fällig' } });
  });
});

describe('the customer’s word by link', () => {
  const linkOf = (body: string) => /\/answer\/([\w-]{43})/.exec(body)![1]!;
  const answer = async (secret: string, said: 'yes' | 'no', name = 'Ilka Thorn', remark = '') => {
    const done = await as(({ tx }) => giveAnswer(tx, secret, { answer: said, name, remark }));
    for (const { id } of await world.db
      .select({ id: customerQuestion.id })
      .from(customerQuestion)
      .where(isNull(customerQuestion.doneAt)))
      await doAnswer(world.db, id, new Date());
    return done;
  };

  it('an offer is accepted by it, once: its lines are the job’s, and a second press changes nothing', async () => {
    const { id: ticketId } = await world.newTicket();
    const positions = [{ what: 'part' as const, name: 'H2S-Sensor', partNumber: 'S-4', quantity: '1', each: '119.90' }];
    const made = await as((context) => makeOffer(context, { ticketId, finding: 'Sensor am Ende', positions }));
    await as((context) => mailOffer(context, { offerId: made.id, to: 'papiere@yard.example' }));
    const first = linkOf((await mails())[0]!.body);
    // Mailed again, the newest link alone asks.
    await as((context) => mailOffer(context, { offerId: made.id, to: 'papiere@yard.example' }));
    const secret = linkOf((await mails())[0]!.body);
    expect(await as(({ tx }) => publicQuestion(tx, first))).toMatchObject({ state: 'withdrawn' });
    expect(await answer(first, 'yes')).toBe(false);
    expect(await as(({ tx }) => publicQuestion(tx, secret))).toMatchObject({ state: 'open', language: 'de', about: 'offer' });
    expect(await answer(secret, 'yes')).toBe(true);
    expect(await answer(secret, 'no')).toBe(false);
    const lines = await world.db.select().from(jobPosition).where(eq(jobPosition.ticketId, ticketId));
    expect(lines.map(({ name, offerId }) => [name, offerId])).toEqual([['H2S-Sensor', made.id]]);
    const asked = await as(({ tx, now }) => listQuestions(tx, { customerId: world.customerId, state: 'answered', now }));
    expect(asked.rows[0]).toMatchObject({ answer: 'yes', answeredBy: 'Ilka Thorn', problem: null });
    expect(asked.rows[0]!.asked).toContain('Sensor am Ende');
    expect(asked.rows[0]).not.toHaveProperty('digest');
    await world.db.update(ticket).set({ status: 'returned', returnedAt: new Date() });
  });
  it('what can’t be done any more is said beside the answer, which stays', async () => {
    const { id: ticketId } = await world.newTicket();
    const positions = [{ what: 'other' as const, name: 'Stunde', partNumber: '', quantity: '1', each: '84.00' }];
    const made = await as((context) => makeOffer(context, { ticketId, finding: 'x', positions }));
    await as((context) => mailOffer(context, { offerId: made.id, to: 'papiere@yard.example' }));
    const secret = linkOf((await mails())[0]!.body);
    await world.db.update(ticket).set({ status: 'returned', returnedAt: new Date() });
    expect(await answer(secret, 'yes')).toBe(true);
    const [row] = await world.db.select().from(customerQuestion).where(eq(customerQuestion.subjectId, made.id));
    expect(row).toMatchObject({ answer: 'yes' });
    expect(row!.problem).toBeTruthy();
    expect(await world.db.select().from(jobPosition).where(eq(jobPosition.ticketId, ticketId))).toEqual([]);
  });
  it('a tolerance that is not agreed ends; the due date goes on paper by a yes; the rule stands on record', async () => {
    const { customerId, modelId } = world;
    const given = { customerId, modelId, role: 'co', tolerance: { absolute: '1' }, agreedOn: '2026-11-02', agreedWith: 'a call' };
    await as((context) => keepTolerance(context, given as never));
    const [agreed] = await world.db
      .select()
      .from(customerTolerance)
      .where(and(eq(customerTolerance.customerId, customerId), isNull(customerTolerance.endedAt)));
    const ask = async (about: 'tolerance' | 'due' | 'rule', subjectId?: string) => {
      await as((context) =>
        askByMail(context, { customerId, about, subjectId, asked: `Frage zu ${about}`, to: 'papiere@yard.example' }),
      );
      return linkOf((await mails())[0]!.body);
    };
    expect(await answer(await ask('tolerance', agreed!.id), 'yes', 'Piet Loos')).toBe(true);
    const held = () => world.db.select().from(customerTolerance).where(eq(customerTolerance.id, agreed!.id));
    expect((await held())[0]).toMatchObject({ agreedWith: 'Piet Loos', endedAt: null });
    expect(await answer(await ask('tolerance', agreed!.id), 'no')).toBe(true);
    expect((await held())[0]!.endedBy).toBe('Ilka Thorn');
    await expect(ask('tolerance', agreed!.id)).rejects.toThrow();
    expect(await answer(await ask('due'), 'yes')).toBe(true);
    expect((await world.db.select().from(customer).where(eq(customer.id, customerId)))[0]!.agreesDue).toBe(true);
    const open = await ask('rule');
    const [question] = await world.db.select().from(customerQuestion).orderBy(desc(customerQuestion.askedAt)).limit(1);
    await as((context) => withdrawQuestion(context, { questionId: question!.id }));
    expect(await answer(open, 'yes')).toBe(false);
    const found = await as(({ tx, now }) => listQuestions(tx, { q: 'rule frage', now }));
    expect(found.rows.map((row) => row.id)).toEqual([question!.id]);
    const csv = await as(({ tx, now }) => questionsCsv(tx, { q: 'zu rule', state: 'withdrawn', now }));
    expect(csv.trim().split('\r\n')).toHaveLength(2);
  });
  it('the rule that was agreed stands on the next document, with who agreed and when; another rule since, or a no, does not', async () => {
    const supplied = async () => {
      const { run } = await world.finishedRun({ assetId: await world.newAsset() });
      const { id } = await as((context) => approveRun(context, { runId: run }), world.signatory);
      const [row] = await world.db.select().from(certificate).where(eq(certificate.id, id));
      return JSON.stringify(isVersion2(row!.content) ? row!.content.suppliedByCustomer : []);
    };
    const ask = async (rule: 'simple' | 'guarded') => {
      const asked = say({ code: 'askedOf.rule', numbers: { rule: say({ code: `rule.${rule}` }, 'de') } }, 'de');
      await as((context) =>
        askByMail(context, { customerId: world.customerId, about: 'rule', asked, to: 'papiere@yard.example' } as never),
      );
      return linkOf((await mails())[0]!.body);
    };
    expect(await supplied()).not.toContain('Entscheidungsregel');
    expect(await answer(await ask('simple'), 'yes')).toBe(true);
    expect(await supplied()).toMatch(/Entscheidungsregel vereinbart am \d\d\.\d\d\.\d{4} mit Ilka Thorn/);
    expect(await answer(await ask('guarded'), 'yes')).toBe(true);
    expect(await supplied()).not.toContain('Entscheidungsregel');
  });
  it('guessed, late, nameless: nothing; the public role reads no question and answers by the function alone', async () => {
    const guessed = 'A'.repeat(43);
    expect(await as(({ tx }) => publicQuestion(tx, guessed))).toBeNull();
    expect(await as(({ tx }) => giveAnswer(tx, guessed, { answer: 'yes', name: 'Nobody', remark: '' }))).toBe(false);
    await as((context) =>
      askByMail(context, {
        customerId: world.customerId,
        about: 'alarms',
        asked: 'Alarme bei 5 und 10 ppm?',
        to: 'papiere@yard.example',
      } as never),
    );
    const secret = linkOf((await mails())[0]!.body);
    expect(await answer(secret, 'yes', ' ')).toBe(false);
    const client = await world.superuser.connect();
    try {
      await client.query('set role werkbank_public');
      await expect(client.query('select * from customer_question')).rejects.toThrow(/permission denied/);
      await client.query('reset role');
      await client.query(
        `update customer_question set until = now() - interval '1 second' where answer is null and withdrawn_at is null`,
      );
    } finally {
      client.release();
    }
    expect(await answer(secret, 'yes')).toBe(false);
    expect(await as(({ tx }) => publicQuestion(tx, secret))).toMatchObject({ state: 'late' });
  });
  it('a notice goes out in the customer’s language with a link; what they did about it comes back', async () => {
    const assetId = await world.newAsset('DE-9');
    const channels = await world.app.query<{ id: string; role: string }>(
      'select id, role from asset_channel where asset_id = $1',
      [assetId],
    );
    const co = channels.rows.find((one) => one.role === 'co')!;
    const { run } = await world.finishedRun({ assetId, behaviour: { foundError: { [co.id]: -0.4 } } });
    const draft = await as(({ tx }) => noticeFor(tx, run));
    expect(draft!.subject).toBe('Außerhalb der Toleranz vorgefunden: Ordfell OF-410 DE-9');
    expect(draft!.body).toMatch(/zeigte [\d.]+ ppm statt [\d.]+ ppm, [\d.]+ ppm zu niedrig \(Toleranz ±/);
    expect(draft!.body).not.toMatch(/\b(the|and|found|reading|with)\b/i);
    await as((context) => approveRun(context, { runId: run, notice: draft!.body }), world.signatory);
    const [notice] = await world.db.select().from(customerNotice).where(eq(customerNotice.runId, run));
    expect(notice!.body).not.toContain('/answer/');
    const [sent] = await world.db.select().from(mail).where(eq(mail.id, notice!.mailId!));
    expect(await answer(linkOf(sent!.body), 'yes', 'Ilka Thorn', 'Schacht 3 gesperrt, Werte seit Mai geprüft')).toBe(true);
    const [row] = await world.db.select().from(customerQuestion).where(eq(customerQuestion.subjectId, notice!.id));
    expect(row).toMatchObject({ about: 'notice', answer: 'yes', remark: 'Schacht 3 gesperrt, Werte seit Mai geprüft' });
    // It stands in the register too, where the entry of that run says how they were told.
    const { rows: steps } = await world.app.query(
      `select s.text, s.by from nonconformity_step s join nonconformity n on n.id = s.nonconformity_id where n.run_id = $1 order by s.id desc limit 1`,
      [run],
    );
    expect(steps).toEqual([
      { text: 'Read by Ilka Thorn, by a link. Schacht 3 gesperrt, Werte seit Mai geprüft', by: 'Ilka Thorn' },
    ]);
  });
});

describe('reminders of bump tests, for who wishes them', () => {
  it('so many days after the last bump, ours or theirs; one mail a customer, each day once; a new bump begins anew', async () => {
    const now = new Date();
    const { rows } = await world.superuser.query<{ id: string }>(
      `select id from asset where not exists (select from ticket t where t.asset_id = asset.id and t.status <> 'returned')`,
    );
    const [first, second, never] = rows.map((row) => row.id);
    await world.superuser.query(`update asset set bumped_at = null`);
    await world.db
      .update(asset)
      .set({ bumpedAt: subDays(now, 9) })
      .where(eq(asset.id, first!));
    await world.db
      .update(asset)
      .set({ bumpedAt: subDays(now, 3) })
      .where(eq(asset.id, second!));
    const told = async () => {
      await as((context) => makeBumpReminders(context));
      const lines = await world.db.select().from(reminder).where(eq(reminder.stage, 'bump'));
      return lines.map((line) => line.assetId);
    };
    expect(await told()).toEqual([]);
    await world.db.update(customer).set({ bumpEveryDays: 7 }).where(eq(customer.id, world.customerId));
    expect(await told()).toEqual([first]);
    expect((await mails())[0]).toMatchObject({ subject: 'Anzeigetest fällig: 1 Gerät', unsubscribe: expect.any(String) });
    expect(await told()).toEqual([first]);
    await world.superuser.query(
      `insert into customer_bump (asset_id, customer_id, at, by_name, passed) values ($1, $2, now() - interval '8 days', 'theirs', true)`,
      [never, world.customerId],
    );
    expect((await told()).toSorted()).toEqual([first, never].toSorted());
    await world.db
      .update(asset)
      .set({ bumpedAt: subDays(now, 7) })
      .where(eq(asset.id, first!));
    expect(await told()).toHaveLength(3);
  });
});

describe('mails that come back later (RFC 3464)', () => {
  it('answers go where the office says; a report in the mailbox makes a sent mail refused, with what was said; read again it changes nothing', async () => {
    const server = await startMailServer();
    try {
      process.env.RETURNS_URL = server.returns();
      await as(async ({ tx }) => writeSettings(tx, { ...(await readSettings(tx)), replyTo: 'counter@werkstatt.example' }));
      await world.db.update(mail).set({ state: 'sent', sentAt: new Date() });
      const [good, gone] = await as(({ tx, now }) =>
        putMails(
          tx,
          ['good@yard.example', 'gone@yard.example'].map((recipient) => ({
            customerId: world.customerId,
            recipient,
            subject: 'Hier',
            body: 'Text',
          })),
          { now, kind: 'test', host: 'werkstatt.example' },
        ),
      );
      await emptyOutbox(world.db, { clock: () => new Date() });
      const [letter] = await server.received();
      expect(letter!.replyTo!.value[0]!.address).toBe('counter@werkstatt.example');
      const states = async () =>
        Promise.all([good, gone].map(async (id) => (await world.db.select().from(mail).where(eq(mail.id, id!)))[0]!));
      expect((await states()).map((one) => one.state)).toEqual(['sent', 'sent']);
      // Shut, it changes nothing, and is tried again.
      process.env.RETURNS_URL = server.returns('wrong');
      await expect(readReturns(world.db, new Date())).rejects.toThrow();
      process.env.RETURNS_URL = server.returns();
      expect(await readReturns(world.db, new Date())).toEqual({ read: 1, returned: 1 });
      const [kept, back] = await states();
      expect(kept!.state).toBe('sent');
      expect(back).toMatchObject({ state: 'refused', problem: 'It came back (5.1.1): 550 5.1.1 no mailbox of that name' });
      expect(await readReturns(world.db, new Date())).toEqual({ read: 0, returned: 0 });
      expect(await as(({ tx }) => postToDo(tx))).toMatchObject({ refused: 1 });
    } finally {
      delete process.env.RETURNS_URL;
      await server.stop();
    }
  });
});
