import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import { personOfLink, sendPasswordLink, setPasswordByLink } from '@/features/account/server';
import { addUser, giveOneTimePassword, listAudit } from '@/features/office/server';
import { auth } from '@/platform/auth';
import type { UseCaseContext } from '@/platform/use-case';
import { startMailServer, type MailServer } from './mail-server';
import { openWorld, type World } from './world';

let world: World;
let mail: MailServer | null = null;
const now = new Date('2026-11-28T09:00:00Z');
const after = (minutes: number) => new Date(now.getTime() + minutes * 60_000);
const office = () => ({ id: world.signatory.id, name: 'Admin', role: 'administrator' as const });
const inTx = <T>(work: (context: UseCaseContext) => Promise<T>) =>
  world.db.transaction((tx) => work({ tx, actor: office(), now }));
const signsIn = (email: string, password: string) =>
  auth()
    .api.signInEmail({ body: { email, password } })
    .then(
      () => true,
      () => false,
    );

beforeAll(async () => {
  process.env.WERKBANK_SECRET = 'a secret of the test, thirty-two characters';
  process.env.WERKBANK_ORIGIN = 'http://127.0.0.1:1';
  world = await openWorld();
  await inTx((context) =>
    addUser(context, { name: 'Rike Lund', email: 'rike@test.example', role: 'technician', password: 'before it was lost' }),
  );
});
afterAll(() => world.close());
afterEach(async () => {
  await mail?.stop();
  mail = null;
});
const tokenOf = (text = '') => /new-password\/([\w-]+)/.exec(text)?.[1] ?? '';
const send = (minutes = 0, email = 'Rike@test.example') => sendPasswordLink({ now: after(minutes) }, { email });

describe('a forgotten password', () => {
  it('the link comes by mail to that person alone, opens once and for half an hour, and stands nowhere else', async () => {
    mail = await startMailServer();
    expect(await send()).toBe('sent');
    const [letter] = await mail.received();
    expect(letter!.to).toMatchObject({ text: 'rike@test.example' });
    const token = tokenOf(letter!.text);
    expect(token).toHaveLength(32);
    const kept = JSON.stringify([
      (await world.superuser.query('select * from password_link')).rows,
      (await world.superuser.query('select * from mail')).rows,
      (await world.superuser.query('select * from change_log')).rows,
      (await world.superuser.query('select * from audit')).rows,
    ]);
    expect(kept).not.toContain(token);
    const whose = (minutes: number) => world.db.transaction((tx) => personOfLink(tx, { token, now: after(minutes) }));
    expect(await whose(29)).toMatchObject({ name: 'Rike Lund' });
    expect(await whose(31)).toBeNull();
    await expect(setPasswordByLink({ now: after(1) }, { token, password: 'rike' })).rejects.toMatchObject({
      status: 400,
      fields: { password: expect.stringContaining('12') },
    });
    await setPasswordByLink({ now: after(2) }, { token, password: 'four grey herons asleep' });
    expect(await signsIn('rike@test.example', 'before it was lost')).toBe(false);
    expect(await signsIn('rike@test.example', 'four grey herons asleep')).toBe(true);
    await expect(setPasswordByLink({ now: after(3) }, { token, password: 'five grey herons awake' })).rejects.toMatchObject({
      status: 409,
    });
    const [newest] = (await inTx(({ tx }) => listAudit(tx, {}))).rows;
    expect(newest).toMatchObject({ action: 'setPasswordByLink', actor: { name: 'Rike Lund' } });
  });

  it('a newer link makes the one before void; three an hour, then silence; nobody gets one for an address that is none', async () => {
    mail = await startMailServer();
    expect(await send(5)).toBe('sent');
    expect(await send(6)).toBe('sent');
    expect(await send(7)).toBe('tooMany');
    expect(await send(8, 'nobody@test.example')).toBe('nobody');
    const tokens = (await mail.received()).map((one) => tokenOf(one.text));
    expect(tokens).toHaveLength(2);
    const good = await Promise.all(
      tokens.map((token) => world.db.transaction((tx) => personOfLink(tx, { token, now: after(9) }))),
    );
    expect(good.filter(Boolean)).toHaveLength(1);
  });

  it('the mail server is away: it is said in the log, nothing waits, and the person asks again', async () => {
    process.env.SMTP_URL = 'smtp://127.0.0.1:1';
    expect(await send(200)).toBe('notSent');
    mail = await startMailServer();
    expect(await send(201)).toBe('sent');
  });
});

describe('a one-time password', () => {
  it('is made by the house, ends the sessions, and opens once; who isn’t of the office gives none', async () => {
    await signsIn('rike@test.example', 'four grey herons asleep');
    const { rows } = await world.app.query<{ id: string }>('select id from "user" where email = \'rike@test.example\'');
    const userId = rows[0]!.id;
    const given = await inTx((context) => giveOneTimePassword(context, { userId }));
    expect(given).toMatchObject({ name: 'Rike Lund', password: expect.stringMatching(/^([a-z2-9]{5}-){3}[a-z2-9]{5}$/) });
    expect((await world.app.query('select 1 from session where user_id = $1', [userId])).rowCount).toBe(0);
    expect(await signsIn('rike@test.example', given.password)).toBe(true);
    await world.app.query('select spend_password_once($1, now())', [userId]);
    expect(await signsIn('rike@test.example', given.password)).toBe(false);
    await world.app.query('select set_person_password($1, $2, now())', [userId, 'x']);
    expect(
      (await world.app.query('select password_once_until from "user" where id = $1', [userId])).rows[0].password_once_until,
    ).toBeNull();
    // A password of one's own is never taken away by coming in.
    await world.app.query('select spend_password_once($1, now())', [userId]);
    expect((await world.superuser.query('select password from account where user_id = $1', [userId])).rows[0].password).toBe('x');
    await expect(
      world.db.transaction((tx) => giveOneTimePassword({ tx, actor: world.technician, now }, { userId })),
    ).rejects.toMatchObject({ status: 403 });
  });
});

describe('who did what', () => {
  it('ids are said by name; asked by person, act, words and days', async () => {
    const rows = async (query: Parameters<typeof listAudit>[1]) => (await inTx(({ tx }) => listAudit(tx, query))).rows;
    await world.app.query('select 1');
    const all = await rows({});
    expect(all.length).toBeGreaterThan(3);
    const rike = all.find((row) => row.action === 'setPasswordByLink')!.actor.id;
    expect(new Set((await rows({ person: rike })).map((row) => row.actor.name))).toEqual(new Set(['Rike Lund']));
    expect((await rows({ action: 'sendPasswordLink' })).every((row) => row.action === 'sendPasswordLink')).toBe(true);
    expect((await rows({ text: 'rike@' })).length).toBeGreaterThan(0);
    expect(await rows({ text: 'r_ke@' })).toEqual([]);
    expect(await rows({ from: '2026-11-28', to: '2026-11-28', zone: 'Europe/Berlin' })).not.toEqual([]);
    expect(await rows({ from: '2099-01-01' })).toEqual([]);
    expect(await rows({ from: 'yesterday', action: 'none' })).toEqual([]);
  });
});
