import { generateKeyPairSync } from 'node:crypto';
import { calculateJwkThumbprint, FlattenedSign } from 'jose';
import type { CertificateVersion2 } from '@/core/certificate';
import { canonicalJson, contentHash } from '@/core/certificate/canonical';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { drizzle } from 'drizzle-orm/node-postgres';
import { Pool } from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { addresses, dumpDatabase, ensureDatabase, loadDatabase } from '../../scripts/lib/cluster.mjs';
import { approveRun } from '@/features/certificates/server';
import { verifyRecords } from '@/features/office/server';
import { recordAudit } from '@/platform/audit';
import { openWorld, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await openWorld();
  for (let i = 0; i < 2; i += 1) {
    const { run } = await world.finishedRun();
    await world.db.transaction(async (tx) => {
      const context = { tx, actor: world.signatory, now: new Date() };
      await approveRun(context, { runId: run });
      await recordAudit(context, 'approve', run);
    });
  }
});
afterAll(() => world.close());

/** Changes something behind the guards' back, as only somebody with the superuser's password could, verifies, and puts it back. */
async function tampered(change: string, undo: string): Promise<string[]> {
  const client = await world.superuser.connect();
  try {
    await client.query('set session_replication_role = replica');
    await client.query(change);
    const { faults } = await verifyRecords(world.db);
    await client.query(undo);
    return faults.map((fault) => `${fault.record}: ${fault.what}`);
  } finally {
    await client.query('set session_replication_role = origin');
    client.release();
  }
}

describe('verify', () => {
  it('finds nothing to say about records nobody touched', async () => {
    expect(await verifyRecords(world.db)).toMatchObject({ runs: 2, certificates: 2, audits: 3, faults: [] });
  });
  it('finds one changed figure in an event, by name', async () => {
    const {
      rows: [row],
    } = await world.superuser.query(
      "select run_id, seq, data::text as data from run_event where type = 'readingCaptured' limit 1",
    );
    const faults = await tampered(
      `update run_event set data = jsonb_set(data, '{reading,text}', '"99"') where run_id = '${row.run_id}' and seq = ${row.seq}`,
      `update run_event set data = '${row.data.replace(/'/g, "''")}' where run_id = '${row.run_id}' and seq = ${row.seq}`,
    );
    expect(faults).toEqual([`run ${row.run_id}, event ${row.seq}: its content does not match its hash`]);
  });
  it('finds an event that was taken out', async () => {
    const {
      rows: [row],
    } = await world.superuser.query("select run_id, seq from run_event where type = 'noted' or type = 'adjusted' limit 1");
    await world.superuser.query('create table if not exists kept as select * from run_event where false');
    const faults = await tampered(
      `with gone as (delete from run_event where run_id = '${row.run_id}' and seq = ${row.seq} returning *) insert into kept select * from gone`,
      'insert into run_event overriding system value select * from kept',
    );
    expect(faults.some((fault) => fault.includes(`event ${row.seq + 1}: does not follow`))).toBe(true);
  });
  it('finds one changed byte in a certificate, even with a matching hash put beside it', async () => {
    const {
      rows: [row],
    } = await world.superuser.query('select id, number, content::text as content, hash from certificate order by serial limit 1');
    const content = row.content.replace(/'/g, "''");
    const undo = `update certificate set content = '${content}', hash = '${row.hash}' where id = '${row.id}'`;
    expect(
      await tampered(`update certificate set content = jsonb_set(content, '{item,serial}', '"X"') where id = '${row.id}'`, undo),
    ).toEqual([
      `certificate ${row.number}: its content does not match its hash`,
      `certificate ${row.number}: its signature does not hold`,
      `certificate ${row.id}: it is not what it was last changed to`,
    ]);
    // The next document carries this one's hash: it no longer follows.
    const faults = await tampered(`update certificate set hash = repeat('0', 64) where id = '${row.id}'`, undo);
    expect(faults).toContain(`certificate ${row.number}: its content does not match its hash`);
    expect(faults.filter((one) => one.includes('does not follow the document issued before it'))).toHaveLength(1);
  });
  it('a key that only stands in the database proves nothing: whoever can write there can’t forge a document', async () => {
    const {
      rows: [row],
    } = await world.superuser.query(
      'select id, number, content::text as content, hash, signature, key_id from certificate order by issue_no desc limit 1',
    );
    const { privateKey, publicKey } = generateKeyPairSync('ed25519');
    const pem = publicKey.export({ type: 'spki', format: 'pem' });
    const { crv, x, kty } = publicKey.export({ format: 'jwk' });
    const kid = await calculateJwkThumbprint({ crv: crv!, x: x!, kty: kty! });
    const forged = JSON.parse(row.content) as CertificateVersion2;
    forged.item.serial = 'FORGED';
    const jws = await new FlattenedSign(new TextEncoder().encode(canonicalJson(forged)))
      .setProtectedHeader({ alg: 'EdDSA', kid })
      .sign(privateKey);
    const text = JSON.stringify(forged).replace(/'/g, "''");
    expect(
      await tampered(
        `insert into signing_key (id, public_key, created_at) values ('${kid}', '${pem}', now());
         update certificate set content = '${text}', hash = '${contentHash(forged)}', signature = '${jws.protected}..${jws.signature}', key_id = '${kid}' where id = '${row.id}'`,
        `update certificate set content = '${row.content.replace(/'/g, "''")}', hash = '${row.hash}', signature = '${row.signature}', key_id = '${row.key_id}' where id = '${row.id}';
         delete from signing_key where id = '${kid}'`,
      ),
    ).toEqual([
      `certificate ${row.number}: it is signed by a key that is not in the workshop’s key file`,
      `certificate ${row.id}: it is not what it was last changed to`,
      `signing_key ${kid}: it is there, and nobody made it`,
    ]);
  });
  it('finds a certificate that is missing from the numbers, and a changed audit entry', async () => {
    const {
      rows: [row],
    } = await world.superuser.query('select id, serial from certificate order by serial limit 1');
    expect(
      await tampered(
        `update certificate set serial = 9 where id = '${row.id}'`,
        `update certificate set serial = ${row.serial} where id = '${row.id}'`,
      ),
    ).toContainEqual(expect.stringContaining('is missing'));
    expect(
      await tampered(
        "update audit set subject = subject || '.' where id = (select min(id) from audit where action = 'approve')",
        "update audit set subject = left(subject, -1) where id = (select min(id) from audit where action = 'approve')",
      ),
    ).toContainEqual(expect.stringMatching(/audit entry \d+ \(approve\): its content/));
  });
  it('a backup restored elsewhere verifies, and its records are guarded there too', async () => {
    const file = join(mkdtempSync(join(tmpdir(), 'werkbank-dump-')), 'all.dump');
    await world.superuser.query('drop table if exists kept');
    dumpDatabase(world.cluster, file, world.name);
    ensureDatabase(world.cluster, `${world.name}_elsewhere`);
    loadDatabase(world.cluster, file, `${world.name}_elsewhere`);
    const pool = new Pool({ connectionString: addresses(world.cluster, `${world.name}_elsewhere`).app });
    expect(await verifyRecords(drizzle(pool))).toMatchObject({ runs: 2, certificates: 2, faults: [] });
    await expect(pool.query('delete from certificate')).rejects.toMatchObject({ code: '42501' });
    await pool.end();
  });
});
