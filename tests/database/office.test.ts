import { verify as argonVerify } from '@node-rs/argon2';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { addUser, listAudit, listUsers, setUserActive, verifyRecords } from '@/features/office/server';
import { certificateById, listCertificates, reviseCertificate, verifyToken, approveRun } from '@/features/certificates/server';
import { referencePage, referenceSnapshot } from '@/features/shelf/server';
import type { Transaction } from '@/data/connection';
import { recordAudit } from '@/platform/audit';
import { readSettings, writeSettings } from '@/platform/settings';
import { openWorld, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());

const inTx = <T>(work: (context: { tx: Transaction; actor: World['technician']; now: Date }) => Promise<T>, now = new Date()) =>
  world.db.transaction((tx) => work({ tx, actor: { ...world.signatory, role: 'administrator' }, now }));

describe('people', () => {
  const person = { name: 'Ilse Anker', email: 'Ilse@Test.Example', role: 'counter' as const, password: 'a password of length' };
  it('the password is kept only as an Argon2id hash; the address in small letters', async () => {
    const { id } = await inTx((context) => addUser(context, person));
    const { rows } = await world.superuser.query('select password from account where user_id = $1', [id]);
    expect(rows[0].password).toMatch(/^\$argon2id\$/);
    expect(await argonVerify(rows[0].password, person.password)).toBe(true);
    expect(await argonVerify(rows[0].password, 'another')).toBe(false);
    expect((await inTx(({ tx }) => listUsers(tx))).find((one) => one.id === id)).toMatchObject({
      email: 'ilse@test.example',
      role: 'counter',
      active: true,
    });
  });
  it('an address signs in one person only', async () => {
    await expect(inTx((context) => addUser(context, { ...person, name: 'Other' }))).rejects.toMatchObject({
      status: 409,
      fields: { email: 'In use already.' },
    });
  });
  it('kept out: the sessions end at once, the name stays; nobody shuts themselves out', async () => {
    const { id } = await inTx((context) => addUser(context, { ...person, email: 'out@test.example' }));
    await world.app.query(
      "insert into session (id, user_id, token, expires_at, created_at, updated_at) values ('s1', $1, 'token-1', now() + interval '1 day', now(), now())",
      [id],
    );
    await inTx((context) => setUserActive(context, { userId: id, active: false }));
    expect((await world.app.query('select count(*)::int as n from session where user_id = $1', [id])).rows[0].n).toBe(0);
    expect((await inTx(({ tx }) => listUsers(tx))).find((one) => one.id === id)).toMatchObject({
      active: false,
      name: 'Ilse Anker',
    });
    await expect(inTx((context) => setUserActive(context, { userId: world.signatory.id, active: false }))).rejects.toMatchObject({
      status: 409,
    });
  });
});

describe('settings', () => {
  it('what was never set has a default; what is written comes back', async () => {
    const before = await readSettings(world.db);
    expect(before).toMatchObject({ samePersonApproves: false, zone: 'UTC' });
    await inTx(({ tx }) => writeSettings(tx, { ...before, places: 9 }));
    expect((await readSettings(world.db)).places).toBe(9);
    await world.app.query(`update setting set value = '{"name": "Short"}'`);
    expect(await readSettings(world.db)).toMatchObject({ name: 'Short', places: 6, remindAheadDays: 21 });
    await inTx(({ tx }) => writeSettings(tx, before));
  });
});

describe('the audit', () => {
  it('is one chain, whoever writes at the same time, and is read newest first by key', async () => {
    await Promise.all(
      Array.from({ length: 25 }, (_one, index) =>
        inTx((context) => recordAudit(context, 'tried', `subject ${index}`, { index })),
      ),
    );
    expect((await verifyRecords(world.db)).faults).toEqual([]);
    const seen: number[] = [];
    let before: string | undefined;
    do {
      const page = await inTx(({ tx }) => listAudit(tx, { before, pageSize: 7 }));
      seen.push(...page.rows.map((row) => Number(row.id)));
      before = page.next ?? undefined;
    } while (before);
    expect(new Set(seen).size).toBe(seen.length);
    expect(seen).toEqual([...seen].sort((a, b) => b - a));
    expect(seen.length).toBeGreaterThanOrEqual(25);
  });
  it('rolled back work leaves no entry', async () => {
    await expect(
      inTx(async (context) => {
        await recordAudit(context, 'never', 'happened');
        throw new Error('undone');
      }),
    ).rejects.toThrow('undone');
    expect((await world.app.query("select count(*)::int as n from audit where action = 'never'")).rows[0].n).toBe(0);
  });
});

describe('revisions (ISO/IEC 17025:2017, 7.8.8)', () => {
  it('same number, next revision, names and replaces the old one and says why; both stay, the values are the same', async () => {
    const { run, assetId } = await world.finishedRun();
    const first = await inTx((context) => approveRun(context, { runId: run }));
    await world.app.query("update asset set tag = 'RIGHT-TAG' where id = $1", [assetId]);
    const second = await inTx((context) =>
      reviseCertificate(context, { certificateId: first.id, reason: 'customer’s tag was wrong' }),
    );
    const [old, fresh] = await inTx(async ({ tx }) => [
      (await certificateById(tx, first.id))!,
      (await certificateById(tx, second.id))!,
    ]);
    expect(old!.replacedBy).toBe(second.id);
    expect(fresh!.certificate.content).toMatchObject({
      number: first.number,
      revision: 1,
      replaces: { number: first.number, revision: 0, reason: 'customer’s tag was wrong' },
      item: { tag: 'RIGHT-TAG' },
      results: old!.certificate.content.results,
    });
    expect(old!.certificate.content.item.tag).not.toBe('RIGHT-TAG');
    await expect(
      inTx((context) => reviseCertificate(context, { certificateId: first.id, reason: 'again' })),
    ).rejects.toMatchObject({ status: 409 });
    expect(await inTx(({ tx }) => verifyToken(tx, old!.certificate.token))).toMatchObject({
      state: 'replaced',
      newest: { revision: 1 },
    });
    expect(await inTx(({ tx }) => verifyToken(tx, fresh!.certificate.token))).toMatchObject({
      state: 'genuine',
      number: first.number,
    });
    expect((await verifyRecords(world.db)).faults).toEqual([]);
  });
  it('the public answer holds number and date of issue, nothing of the customer; guesses are unknown', async () => {
    const { run } = await world.finishedRun();
    const { id, number } = await inTx((context) => approveRun(context, { runId: run }));
    const { certificate } = (await inTx(({ tx }) => certificateById(tx, id)))!;
    const answer = JSON.stringify(await inTx(({ tx }) => verifyToken(tx, certificate.token)));
    for (const secret of ['Test Yard', certificate.content.item.serial, 'Tech']) expect(answer).not.toContain(secret);
    for (const guess of [number, '', "' or 1=1 --", certificate.token.slice(0, -1), `${certificate.token}x`])
      expect(await inTx(({ tx }) => verifyToken(tx, guess))).toEqual({ state: 'unknown' });
  });
  it('the list is paged by key, newest first', async () => {
    for (let i = 0; i < 4; i += 1) await inTx(async (context) => approveRun(context, { runId: (await world.finishedRun()).run }));
    const seen: string[] = [];
    let before: string | undefined;
    do {
      const page = await inTx(({ tx }) => listCertificates(tx, { pageSize: 2, after: before }));
      seen.push(...page.rows.map((row) => row.id));
      before = page.next ?? undefined;
    } while (before);
    const { rows } = await world.app.query('select id from certificate order by issued_at desc, id desc');
    expect(seen).toEqual(rows.map((row: { id: string }) => row.id));
  });
});

describe('the shelf', () => {
  it('what is left is the content at the pressure read less what runs drew; each use is on record', async () => {
    const left = async () => Number((await inTx(({ tx }) => referenceSnapshot(tx, world.bottleId)))!.availableL);
    const before = await left();
    const { run } = await world.finishedRun();
    const use = (await inTx(({ tx }) => referencePage(tx, world.bottleId)))!.uses.filter((one) => one.runId === run);
    const drawn = use.reduce((sum, one) => sum + Number(one.litres), 0);
    expect(drawn).toBeGreaterThan(1);
    expect(before - (await left())).toBeCloseTo(drawn, 0);
    expect(use.every((one) => one.by === 'Tech')).toBe(true);
  });
  it('never falls below nothing, and a wrong id is nobody', async () => {
    await world.app.query(
      'insert into reference_booking (reference_id, run_id, seq, litres, at, by) select $1, run_id, 99999, 100000, now(), $2 from run_summary limit 1',
      [world.bottleId, 'Tech'],
    );
    expect((await inTx(({ tx }) => referenceSnapshot(tx, world.bottleId)))!.availableL).toBe('0');
    expect(await inTx(({ tx }) => referenceSnapshot(tx, 'x'))).toBeNull();
  });
});
