import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Client } from 'pg';
import { keepKey } from './keep-key';
import { prepareQueue } from './queue';

const FOLDER = fileURLToPath(new URL('./migrations', import.meta.url));

/** Runs the numbered SQL files that this database has not seen, each in its own transaction, as the owner. A file that was changed after it ran is refused by name. */
export async function migrate(address: string, { publicKey }: { publicKey?: string | undefined } = {}): Promise<string[]> {
  const client = new Client({ connectionString: address });
  await client.connect();
  try {
    await client.query('set client_min_messages = warning; select pg_advisory_lock(7201)');
    await client.query(
      'create table if not exists schema_migration (name text primary key, hash text not null, at timestamptz(3) not null default now())',
    );
    const seen = new Map(
      (await client.query<{ name: string; hash: string }>('select name, hash from schema_migration')).rows.map((row) => [
        row.name,
        row.hash,
      ]),
    );
    await prepareQueue(address, client);
    const ran: string[] = [];
    for (const name of readdirSync(FOLDER)
      .filter((file) => file.endsWith('.sql'))
      .sort()) {
      const sql = readFileSync(join(FOLDER, name), 'utf8');
      const hash = createHash('sha256').update(sql).digest('hex');
      if (seen.has(name)) {
        if (seen.get(name) !== hash) throw new Error(`migration ${name} was changed after it ran here`);
        continue;
      }
      await client.query('begin');
      await client.query(sql);
      await client.query('insert into schema_migration (name, hash) values ($1, $2)', [name, hash]);
      await client.query('commit');
      ran.push(name);
    }
    await client.query('select state_changed_shapes()');
    if (publicKey) await keepKey(client, publicKey);
    return ran;
  } finally {
    await client.end();
  }
}

if (process.argv[1] && fileURLToPath(import.meta.url) === process.argv[1]) {
  await migrate(process.env.OWNER_DATABASE_URL ?? '', { publicKey: process.env.WERKBANK_PUBLIC_KEY });
}
