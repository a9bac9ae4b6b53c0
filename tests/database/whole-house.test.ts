import { appendFileSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { randomUUID } from 'node:crypto';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { drizzle } from 'drizzle-orm/node-postgres';
import Papa from 'papaparse';
import { Pool } from 'pg';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { approveRun, certificatePdfOf } from '@/features/certificates/server';
import { verifyRecords } from '@/features/office/server';
import { drawAndKeep } from '@/features/certificates/server';
import { exportHouse, tablesOf } from '@/processes/whole/export-house';
import { LEFT_OUT } from '@/processes/whole/left-out';
import { readHouse } from '@/processes/whole/read-house';
import { addresses, clusterAt, ensureDatabase } from '../../scripts/lib/cluster.mjs';
import { openWorld, type World } from './world';

let world: World;
const folders: string[] = [];
const folder = () => {
  const made = mkdtempSync(join(tmpdir(), 'werkbank-whole-'));
  folders.push(made);
  return made;
};
const ownerOf = (name: string) => addresses(clusterAt(inject('clusterHome'), { throwAway: true }), name).owner;
const emptyHouse = () => {
  const name = `second_${randomUUID().slice(0, 8)}`;
  ensureDatabase(clusterAt(inject('clusterHome'), { throwAway: true }), name, { template: 'world_template' });
  return name;
};

beforeAll(async () => {
  world = await openWorld();
  for (let n = 0; n < 2; n += 1) {
    const { run } = await world.finishedRun();
    const { id } = await world.db.transaction((tx) =>
      approveRun({ tx, actor: world.signatory, now: new Date() }, { runId: run }),
    );
    await drawAndKeep(world.db, id, new Date());
  }
  await world.superuser.query("update customer set name = '=cmd()' where id = $1", [world.customerId]);
}, 60_000);
afterAll(async () => {
  folders.forEach((one) => rmSync(one, { recursive: true, force: true }));
  await world.close();
});

describe('a whole house as open files', () => {
  it('read back into an empty house and exported again, every file has the same hash; all records hold there', async () => {
    const [first, second] = [folder(), folder()];
    const before = await exportHouse(ownerOf(world.name), first, new Date());
    const name = emptyHouse();
    // As migrating makes it: a house knows its own key before anybody comes, and its log of changes begins with it.
    const empty = new Pool({ connectionString: ownerOf(name) });
    const { rows: keys } = await world.superuser.query<{ id: string; public_key: string }>(
      'select id, public_key from signing_key',
    );
    await empty.query('insert into signing_key (id, public_key, created_at) values ($1, $2, now()) on conflict do nothing', [
      keys[0]!.id,
      keys[0]!.public_key,
    ]);
    await empty.end();
    await readHouse(ownerOf(name), first);
    const after = await exportHouse(ownerOf(name), second, new Date());
    expect(after.files).toEqual(before.files);
    expect(Object.keys(before.files).filter((one) => one.endsWith('.pdf')).length).toBe(2);
    expect(before.tables.find((one) => one.name === 'run_event')!.rows).toBeGreaterThan(50);
    const app = new Pool({ connectionString: addresses(clusterAt(inject('clusterHome'), { throwAway: true }), name).app });
    const report = await verifyRecords(drizzle(app), { anchor: null, sinceAnchor: false });
    expect(report.faults).toEqual([]);
    expect(report.certificates).toBe(2);
    // Records go on there: the next row finds its number.
    await app.query("select set_config('werkbank.actor', '{}', false)");
    await app.end();
  }, 60_000);

  it('a spreadsheet reader takes its lists, and no cell is a formula; each document’s bytes are the issued ones', async () => {
    const made = folder();
    const manifest = await exportHouse(ownerOf(world.name), made, new Date());
    const { data, errors } = Papa.parse<Record<string, string>>(readFileSync(join(made, 'tables/documents.csv'), 'utf8'), {
      header: true,
      skipEmptyLines: true,
    });
    expect(errors).toEqual([]);
    expect(data.map((one) => one.customer)).toEqual(["'=cmd()", "'=cmd()"]);
    const [row] = (await world.app.query<{ id: string; number: string }>('select id, number from certificate limit 1')).rows;
    const { bytes } = await certificatePdfOf(row!.id);
    expect(readFileSync(join(made, `documents/${row!.number}.pdf`)).equals(bytes)).toBe(true);
    const all = Object.keys(manifest.files).map((one) => readFileSync(join(made, one), 'utf8'));
    expect(all.join()).not.toMatch(/argon2/);
  }, 60_000);

  it('a file that was touched, a house that is used, another version: refused by name, and nothing is read', async () => {
    const made = folder();
    await exportHouse(ownerOf(world.name), made, new Date());
    await expect(readHouse(ownerOf(world.name), made)).rejects.toThrow(/not empty/);
    const name = emptyHouse();
    appendFileSync(join(made, 'tables/customer.jsonl'), '{}\n');
    await expect(readHouse(ownerOf(name), made)).rejects.toThrow(/customer\.jsonl is not as it was exported/);
    const other = folder();
    await exportHouse(ownerOf(world.name), other, new Date());
    const su = new Pool({ connectionString: ownerOf(name) });
    await su.query("insert into schema_migration (name, hash) values ('9999_later.sql', 'x')");
    await expect(readHouse(ownerOf(name), other)).rejects.toThrow(/another version/);
    expect((await su.query('select 1 from customer')).rowCount).toBe(0);
    await su.end();
  }, 60_000);

  it('every table leaves, or says why not', async () => {
    const client = await world.superuser.connect();
    const left = new Set((await tablesOf(client as never)).map((one) => one.name));
    client.release();
    const { rows } = await world.superuser.query<{ name: string }>(
      "select table_name as name from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE'",
    );
    expect(
      rows
        .map((one) => one.name)
        .filter((one) => !left.has(one))
        .sort(),
    ).toEqual(Object.keys(LEFT_OUT).sort());
    expect(Object.values(LEFT_OUT).every((why) => why.length > 5)).toBe(true);
  });
});
