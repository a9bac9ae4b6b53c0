import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { approveRun } from '@/features/certificates/server';
import { reviseCertificate, verifyToken } from '@/features/certificates/server';
import { recordAudit } from '@/platform/audit';
import { openWorld, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await openWorld();
  const { run } = await world.finishedRun();
  await world.db.transaction(async (tx) => {
    const context = { tx, actor: world.signatory, now: new Date() };
    await approveRun(context, { runId: run });
    await recordAudit(context, 'test', 'entry');
  });
});
afterAll(() => world.close());

const TABLES = [
  'run_event',
  'run_command',
  'certificate',
  'certificate_pdf',
  'audit',
  'procedure_version',
  'reference_booking',
  'signing_key',
];

describe('attacks as the application’s role', () => {
  it.each(TABLES)('%s can’t be updated, deleted or truncated', async (table) => {
    const column = {
      run_event: 'type',
      run_command: 'command',
      certificate: 'number',
      certificate_pdf: 'hash',
      audit: 'action',
      procedure_version: 'hash',
      reference_booking: 'by',
      signing_key: 'public_key',
    }[table];
    await expect(world.app.query(`update ${table} set ${column} = ${column}`)).rejects.toMatchObject({ code: '42501' });
    await expect(world.app.query(`delete from ${table}`)).rejects.toMatchObject({ code: '42501' });
    await expect(world.app.query(`truncate ${table} cascade`)).rejects.toMatchObject({ code: '42501' });
  });
  it.each(TABLES)('the trigger of %s can’t be switched off or dropped', async (table) => {
    await expect(world.app.query(`alter table ${table} disable trigger all`)).rejects.toMatchObject({ code: '42501' });
    await expect(world.app.query(`drop trigger no_change on ${table}`)).rejects.toMatchObject({ code: '42501' });
    await expect(world.app.query('set session_replication_role = replica')).rejects.toMatchObject({ code: '42501' });
  });
  it('the role owns nothing and can make nothing', async () => {
    const { rows } = await world.app.query(
      "select count(*)::int as n from pg_class where relowner = (select oid from pg_roles where rolname = 'werkbank_app')",
    );
    expect(rows[0].n).toBe(0);
    await expect(world.app.query('create table mine (x int)')).rejects.toMatchObject({ code: '42501' });
    await expect(world.app.query('alter role werkbank_app superuser')).rejects.toMatchObject({ code: '42501' });
  });
  it('not even the owner changes a record while the triggers stand', async () => {
    await expect(world.superuser.query("update certificate set number = 'C-0'")).rejects.toThrow(/nothing in it is changed/);
  });
});

describe('revisions and the public page', () => {
  it('a revision replaces the old one; both stay, the code tells them apart', async () => {
    const {
      rows: [old],
    } = await world.app.query('select id, token, number, hash from certificate where revision = 0');
    expect(await world.db.transaction((tx) => verifyToken(tx, old.token))).toMatchObject({
      state: 'genuine',
      number: old.number,
    });
    await world.app.query("update customer set name = 'Test Yard Ltd'");
    const { id } = await world.db.transaction((tx) =>
      reviseCertificate({ tx, actor: world.signatory, now: new Date() }, { certificateId: old.id, reason: 'name misspelt' }),
    );
    const {
      rows: [next],
    } = await world.app.query('select * from certificate where id = $1', [id]);
    expect(next).toMatchObject({ number: old.number, revision: 1, replaces: old.id });
    expect(next.content.customer.name).toBe('Test Yard Ltd');
    expect(next.content.replaces.reason).toBe('name misspelt');
    expect(await world.db.transaction((tx) => verifyToken(tx, old.token))).toMatchObject({
      state: 'replaced',
      newest: { revision: 1 },
    });
    expect((await world.app.query('select hash from certificate where id = $1', [old.id])).rows[0].hash).toBe(old.hash);
    await expect(
      world.db.transaction((tx) =>
        reviseCertificate({ tx, actor: world.signatory, now: new Date() }, { certificateId: old.id, reason: 'again' }),
      ),
    ).rejects.toThrow(/replaced this one already/);
  });
  it('says nothing private and knows no other code', async () => {
    const {
      rows: [row],
    } = await world.app.query('select token from certificate limit 1');
    expect(Object.keys(await world.db.transaction((tx) => verifyToken(tx, row.token))).sort()).toEqual(
      expect.arrayContaining(['issued', 'number', 'revision', 'state']),
    );
    expect(JSON.stringify(await world.db.transaction((tx) => verifyToken(tx, row.token)))).not.toMatch(/Yard|S-/);
    for (const token of ['C-2026-00001', 'x'.repeat(24), "' or 1=1 --"])
      expect(await world.db.transaction((tx) => verifyToken(tx, token))).toEqual({ state: 'unknown' });
  });
});
