import { createReadStream, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { Client } from 'pg';
import { tablesOf } from './export-house';
import { MANIFEST, readManifest, sha256OfFile, type Manifest } from './manifest';

const ROWS = 500;
const quoted = (name: string) => `"${name.replace(/"/g, '""')}"`;

/**
 * Reads a whole house into an empty one of the same schema, in one transaction: all of it or nothing. Every file is compared with its SHA-256 first.
 * Errors: Error naming the file that differs, the versions that differ, or the table of a house that is not empty.
 */
export async function readHouse(address: string, folder: string): Promise<Manifest> {
  const manifest = readManifest(JSON.parse(readFileSync(join(folder, MANIFEST), 'utf8')) as unknown);
  for (const [file, hash] of Object.entries(manifest.files))
    if ((await sha256OfFile(join(folder, file))) !== hash) throw new Error(`${file} is not as it was exported`);
  const client = new Client({ connectionString: address });
  await client.connect();
  try {
    await client.query("set timezone to 'UTC'; begin");
    const { rows } = await client.query<{ name: string }>('select name from schema_migration order by name');
    if (rows.map((one) => one.name).join() !== manifest.migrations.join())
      throw new Error('this house is of another version: install the one that the export was made with');
    const known = new Set((await tablesOf(client)).map((one) => one.name));
    for (const { name } of manifest.tables) if (!known.has(name)) throw new Error(`this house has no table ${name}`);
    await refuseUsed(client);
    const own = await setAside(client);
    for (const name of await inOrder(client, [...known])) {
      const table = manifest.tables.find((one) => one.name === name);
      if (table) await readTable(client, { name, path: join(folder, table.file), folder });
    }
    // A house that signs with another key adds it to what it read, as a change of its own.
    for (const { id, public_key } of own)
      await client.query('insert into signing_key (id, public_key, created_at) values ($1, $2, now()) on conflict do nothing', [
        id,
        public_key,
      ]);
    await client.query('insert into read_back (exported_at, manifest) values ($1, $2)', [
      manifest.exportedAt,
      await sha256OfFile(join(folder, MANIFEST)),
    ]);
    await client.query('commit');
    return manifest;
  } catch (error) {
    await client.query('rollback');
    throw error;
  } finally {
    await client.end();
  }
}

/** An empty house knows its own key, and says so in its log of changes: both give way to the log that is read, which is one chain from its first row. */
async function setAside(client: Client): Promise<{ id: string; public_key: string }[]> {
  const { rows } = await client.query<{ id: string; public_key: string }>('select id, public_key from signing_key');
  for (const table of ['signing_key', 'change_log']) {
    await client.query(`alter table ${table} disable trigger user`);
    await client.query(`delete from ${table}`);
    await client.query(`alter table ${table} enable trigger user`);
  }
  return rows;
}

async function refuseUsed(client: Client): Promise<void> {
  for (const name of ['customer', 'asset', 'run', 'certificate', 'user']) {
    const { rows } = await client.query(`select 1 from ${quoted(name)} limit 1`);
    if (rows.length) throw new Error(`this house is not empty: it has rows in ${name}`);
  }
}

/** Tables so that each comes after those it refers to. */
async function inOrder(client: Client, names: string[]): Promise<string[]> {
  const { rows } = await client.query<{ of: string; to: string }>(
    `select c.conrelid::regclass::text as of, c.confrelid::regclass::text as to from pg_constraint c where c.contype = 'f' and c.conrelid <> c.confrelid`,
  );
  const plain = (name: string) => name.replace(/"/g, '');
  const needs = new Map(names.map((name) => [name, new Set<string>()]));
  for (const { of, to } of rows) if (needs.has(plain(of)) && needs.has(plain(to))) needs.get(plain(of))!.add(plain(to));
  const ordered: string[] = [];
  while (ordered.length < names.length) {
    const next = names.find((name) => !ordered.includes(name) && [...needs.get(name)!].every((one) => ordered.includes(one)));
    if (!next) throw new Error('tables refer to each other in a circle');
    ordered.push(next);
  }
  return ordered;
}

async function readTable(client: Client, { name, path, folder }: { name: string; path: string; folder: string }): Promise<void> {
  const table = quoted(name);
  // What keeps records from being changed is for those who work here; this is how they came to be.
  await client.query(`alter table ${table} disable trigger user`);
  await client.query('create temp table staged (row jsonb) on commit drop');
  let rows: string[] = [];
  const stage = async () => {
    if (rows.length) await client.query('insert into staged select e from unnest($1::jsonb[]) e', [rows]);
    rows = [];
  };
  for await (const line of createInterface({ input: createReadStream(path), crlfDelay: Infinity })) {
    rows.push(name === 'certificate_pdf' ? withBytes(line, folder) : line);
    if (rows.length === ROWS) await stage();
  }
  await stage();
  const { rows: columns } = await client.query<{ name: string; identity: boolean }>(
    `select column_name as name, is_identity = 'YES' as identity from information_schema.columns where table_schema = 'public' and table_name = $1 and is_generated = 'NEVER'`,
    [name],
  );
  const listed = columns.map((one) => quoted(one.name)).join(', ');
  // One statement: rows of a table may refer to each other in any order.
  await client.query(
    `insert into ${table} (${listed}) overriding system value select ${columns.map((one) => `r.${quoted(one.name)}`).join(', ')} from staged, jsonb_populate_record(null::${table}, staged.row) r on conflict do nothing`,
  );
  for (const { name: column } of columns.filter((one) => one.identity))
    await client.query(
      `select setval(pg_get_serial_sequence($1, $2), greatest((select max(${quoted(column)}) from ${table}), 1))`,
      [table, column],
    );
  await client.query('drop table staged');
  // What is checked when a transaction ends is checked now: triggers are not switched while something waits.
  await client.query('set constraints all immediate; set constraints all deferred');
  await client.query(`alter table ${table} enable trigger user`);
}

function withBytes(line: string, folder: string): string {
  const { file, ...row } = JSON.parse(line) as { file: string };
  return JSON.stringify({ ...row, bytes: `\\x${readFileSync(join(folder, file)).toString('hex')}` });
}
