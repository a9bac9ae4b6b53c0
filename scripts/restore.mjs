// npm run restore -- FILE [--key FILE] [--replace]: rebuilds the house from a backup, then verifies it against the anchor that came with it. A house that is there is replaced only when asked.
import { copyFileSync, chmodSync, existsSync, mkdirSync, rmSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { openBackup } from './lib/archive.mjs';
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
import { ensureModules, environment, migrate, runFile } from './lib/project.mjs';
import { giveUp, homeFolder, run, say } from './lib/system.mjs';

const [file] = process.argv.slice(2).filter((one) => !one.startsWith('--'));
const option = (name) => (process.argv.includes(name) ? process.argv[process.argv.indexOf(name) + 1] : undefined);
if (!file || !existsSync(resolve(file))) giveUp('Say which backup: npm run restore -- FILE');
ensureModules();
const home = homeFolder();
mkdirSync(home, { recursive: true });
const opened = openBackup(resolve(file), resolve(option('--key') ?? join(home, 'backup-key.txt')));
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
  if (!process.argv.includes('--replace')) {
    rmSync(opened, { recursive: true, force: true });
    giveUp('There is a house here already. To replace it: npm run restore -- FILE --replace');
  }
  dropDatabase(cluster);
  ensureDatabase(cluster);
}
loadDatabase(cluster, join(opened, 'house.dump'));
// The secrets come along: documents go on being signed by the same key. On a machine that has a key already the backup's replaces it only with the whole house.
copyFileSync(join(opened, 'secrets.json'), join(home, 'secrets.json'));
chmodSync(join(home, 'secrets.json'), 0o600);
if (option('--key') && !existsSync(join(home, 'backup-key.txt'))) {
  const { secret, recipient } = keyIn(resolve(option('--key')));
  run('bash', [
    '-c',
    'umask 077; printf "# public key: %s\\n%s\\n" "$1" "$2" > "$3"',
    'key',
    recipient,
    secret,
    join(home, 'backup-key.txt'),
  ]);
}
if (existsSync(join(opened, 'anchors'))) run('cp', ['-r', '-n', join(opened, 'anchors'), home]);
rmSync(opened, { recursive: true, force: true });
migrate(cluster);
const verified = runFile(['src/processes/verify.ts'], environment({ cluster, home, port: 3210, smtpPort: 0 }), { mayFail: true });
if (startedHere) stopCluster(cluster);
say((verified.stdout + verified.stderr).trim());
process.exit(verified.status ?? 1);

function keyIn(path) {
  const secret = /AGE-SECRET-KEY-\S+/i.exec(run('cat', [path]).stdout)?.[0];
  if (!secret) giveUp(`${path} holds no key: one line that begins with AGE-SECRET-KEY-`);
  return { secret, recipient: run('age-keygen', ['-y', path]).stdout.trim() };
}
