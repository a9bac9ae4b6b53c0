// The archive behind the daily backup: pgBackRest (Debian's package) keeps every piece of the write-ahead log, encrypted, so that the database can be set back to any moment of the last weeks.
import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { addresses, asServer, ensureServer, startCluster, stopCluster } from './cluster.mjs';
import { aptInstall, giveUp, installed, isRoot, run, writePrivate } from './system.mjs';

const STANZA = 'werkbank';
const FULL_KEPT = 4;
const PROGRAM = '/usr/bin/pgbackrest';
const configFile = (home) => join(home, 'pgbackrest.conf');

/** Places of the archive: beside the house, and wherever WERKBANK_ARCHIVE_FOLDERS says. */
const places = (home) => [join(home, 'archive'), ...(process.env.WERKBANK_ARCHIVE_FOLDERS ?? '').split(':').filter(Boolean)];

function own(...paths) {
  if (isRoot) run('chown', ['-R', 'postgres:postgres', ...paths]);
}

function writeConfig(cluster) {
  const { home, data, socket, state } = cluster;
  const lines = places(home).flatMap((place, index) => [
    `repo${index + 1}-path=${place}`,
    `repo${index + 1}-cipher-type=aes-256-cbc`,
    `repo${index + 1}-cipher-pass=${state.archive}`,
    `repo${index + 1}-retention-full=${FULL_KEPT}`,
  ]);
  const folders = [...places(home), socket, join(home, 'archive-lock')];
  folders.forEach((folder) => mkdirSync(folder, { recursive: true, mode: 0o700 }));
  writeFileSync(
    configFile(home),
    [
      '[global]',
      ...lines,
      `lock-path=${join(home, 'archive-lock')}`,
      'log-level-console=warn',
      'log-level-file=off',
      'start-fast=y',
      'compress-level=3',
      `[${STANZA}]`,
      `pg1-path=${data}`,
      `pg1-socket-path=${socket}`,
      'pg1-user=postgres',
      '',
    ].join('\n'),
    { mode: 0o600 },
  );
  own(configFile(home), ...folders);
}

function ask(cluster, args, options = {}) {
  return asServer(PROGRAM, [`--config=${configFile(cluster.home)}`, `--stanza=${STANZA}`, ...args], {
    env: { ...process.env, PGPASSWORD: cluster.state.superuser },
    ...options,
  });
}
const atServer = (cluster, command) => [...command, `--pg1-port=${cluster.state.port}`];

function tell(cluster, statements) {
  run(join(ensureServer(), 'psql'), ['-X', '-q', '-v', 'ON_ERROR_STOP=1', '-d', addresses(cluster).superuser], {
    input: statements,
  });
}

/** Switches the archive on; the server is started anew. Its first full backup is made at once. */
export async function archiveOn(cluster) {
  if (!installed('pgbackrest')) aptInstall(['pgbackrest'], 'The program pgbackrest, which keeps the archive,');
  if (!cluster.state.archive) writePrivate(cluster.stateFile, { ...cluster.state, archive: randomBytes(24).toString('hex') });
  writeConfig(cluster);
  stopCluster(cluster);
  await startCluster(cluster);
  const push = `${PROGRAM} --config=${configFile(cluster.home)} --stanza=${STANZA} archive-push %p`;
  tell(
    cluster,
    `alter system set archive_mode = on; alter system set archive_command = '${push}'; alter system set archive_timeout = '5min';`,
  );
  stopCluster(cluster);
  await startCluster(cluster);
  ask(cluster, atServer(cluster, ['stanza-create']));
  ask(cluster, atServer(cluster, ['check']));
  archiveBackup(cluster, 'full');
}

/** A base to go forward from: full on Sundays, else what changed. Each place gets its own. */
export function archiveBackup(cluster, type = new Date().getDay() === 0 ? 'full' : 'incr') {
  places(cluster.home).forEach((_place, index) =>
    ask(cluster, atServer(cluster, ['backup', `--type=${type}`, `--repo=${index + 1}`])),
  );
}

export const archiveSays = (cluster) => ask(cluster, ['info']).stdout.trim();

/** Sets the database back to a moment, or forward to the last piece that was archived. What was there is kept beside, under its own name. */
export async function archiveRestore(cluster, { to } = {}) {
  if (cluster.running()) giveUp('Stop the house first: its database would be taken from under it.');
  const aside = `${cluster.data}-before-${new Date().toISOString().slice(0, 19).replace(/[:T]/g, '-')}`;
  if (existsSync(cluster.data)) renameSync(cluster.data, aside);
  mkdirSync(cluster.data, { mode: 0o700 });
  own(cluster.data);
  writeConfig(cluster);
  ask(cluster, ['restore', ...(to ? ['--type=time', `--target=${to}`, '--target-action=promote'] : [])]);
  await startCluster(cluster);
  return aside;
}
