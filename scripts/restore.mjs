// npm run restore -- FILE [--replace]: fills this machine's database from a backup, then verifies it. An existing database is replaced only when asked.
import { existsSync } from 'node:fs';
import { resolve } from 'node:path';
import {
  addresses,
  clusterAt,
  dropDatabase,
  ensureDatabase,
  ensureServer,
  loadDatabase,
  startCluster,
  stopCluster,
} from './lib/cluster.mjs';
import { ensureModules, environment, migrate, tsx } from './lib/project.mjs';
import { giveUp, homeFolder, run, say } from './lib/system.mjs';
import { join } from 'node:path';

const file = process.argv[2] && resolve(process.argv[2]);
if (!file || !existsSync(file)) giveUp('Say which backup: npm run restore -- FILE');
ensureModules();
const home = homeFolder();
const cluster = clusterAt(home);
const { startedHere } = await startCluster(cluster);
ensureDatabase(cluster);
const tables = run(join(ensureServer(), 'psql'), [
  '-X',
  '-At',
  '-d',
  addresses(cluster).owner,
  '-c',
  "select count(*) from pg_tables where schemaname = 'public'",
]).stdout.trim();
if (tables !== '0') {
  if (!process.argv.includes('--replace'))
    giveUp('There is a database here already. To replace it: npm run restore -- FILE --replace');
  dropDatabase(cluster);
  ensureDatabase(cluster);
}
loadDatabase(cluster, file);
migrate(cluster);
const verified = tsx(['src/processes/verify.ts'], environment({ cluster, home, port: 3210, smtpPort: 0 }), { mayFail: true });
if (startedHere) stopCluster(cluster);
say((verified.stdout + verified.stderr).trim());
process.exit(verified.status ?? 1);
