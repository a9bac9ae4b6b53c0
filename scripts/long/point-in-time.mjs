// Something is deleted by mistake; the database is set back to the minute before, from the archive. Real server, real pgBackRest, a throw-away folder.
import { mkdtempSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import { archiveOn, archiveRestore, archiveSays } from '../lib/pg-archive.mjs';
import { addresses, asServer, clusterAt, ensureDatabase, startCluster, stopCluster } from '../lib/cluster.mjs';
import { migrate } from '../lib/project.mjs';

export async function pointInTime() {
  const home = mkdtempSync(join(tmpdir(), 'werkbank-moment-'));
  const cluster = clusterAt(home);
  const began = Date.now();
  const took = () => `${((Date.now() - began) / 1000).toFixed(0)} s`;
  const ask = async (sql, values) => {
    const client = new pg.Client({ connectionString: addresses(cluster).owner });
    await client.connect();
    const { rows } = await client.query(sql, values);
    await client.end();
    return rows;
  };
  try {
    await startCluster(cluster);
    ensureDatabase(cluster);
    migrate(cluster);
    await archiveOn(cluster);
    await ask(
      `insert into customer (name, email, contact, created_at) select 'Customer ' || n, 'c' || n || '@example.test', '', now() from generate_series(1, 500) n`,
    );
    const [{ moment }] = await ask('select clock_timestamp()::text as moment');
    await new Promise((resolve) => setTimeout(resolve, 1500));
    await ask('delete from customer');
    const after = Number((await ask('select count(*) from customer'))[0].count);
    await new Promise((resolve) => setTimeout(resolve, 1500));
    await ask(`insert into customer (name, email, contact, created_at) values ('Later', 'later@example.test', '', now())`);
    stopCluster(cluster);
    const info = archiveSays(cluster);
    const checksums = /page checksum version:\s+[1-9]/.test(asServer('pg_controldata', ['-D', cluster.data]).stdout);
    await archiveRestore(cluster, { to: moment });
    const back = (
      await ask('select count(*)::int as n, count(*) filter (where name = $1)::int as later from customer', ['Later'])
    )[0];
    const closed = (statSync(join(home, 'archive')).mode & 0o077) === 0;
    const ok = after === 0 && back.n === 500 && back.later === 0 && checksums && closed && /cipher: aes-256-cbc/.test(info);
    return {
      ok,
      text: `500 customers deleted, ${back.n} back at ${moment} (${back.later} of what came later); page checksums ${checksums ? 'on' : 'OFF'}, archive encrypted and ${closed ? 'closed to other users' : 'OPEN'}; ${took()} in all`,
    };
  } finally {
    stopCluster(cluster);
    rmSync(home, { recursive: true, force: true });
  }
}

if (import.meta.url === `file://${process.argv[1]}`) {
  const { ok, text } = await pointInTime();
  console.log(text);
  process.exit(ok ? 0 : 1);
}
