// A backup in one file: the database, the house's secrets and its anchors, packed by tar and encrypted by age (Debian's package) to the workshop's own key. Whoever has the file and the recovery sheet can rebuild the house; with either alone nobody reads anything.
import {
  chmodSync,
  copyFileSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { dumpDatabase } from './cluster.mjs';
import { aptInstall, giveUp, installed, run } from './system.mjs';

const KEY_FILE = 'backup-key.txt';
const KEPT_DAYS = 14;
const KEPT_MONTHS = 12;

function ensureAge() {
  if (!installed('age', 'age-keygen')) aptInstall(['age'], 'The program age, which encrypts backups,');
}

/** The workshop's key for backups, made once: its secret half is what the recovery sheet prints. */
export function backupKey(home) {
  ensureAge();
  const file = join(home, KEY_FILE);
  if (!existsSync(file)) {
    run('age-keygen', ['-o', file]);
    chmodSync(file, 0o600);
  }
  const text = readFileSync(file, 'utf8');
  return { file, secret: /AGE-SECRET-KEY-\S+/.exec(text)[0], recipient: /public key: (\S+)/.exec(text)[1] };
}

export const backupFolder = (home) => join(home, 'backups');
const second = () => (process.env.WERKBANK_BACKUP_FOLDERS ?? '').split(':').filter(Boolean);

/** Writes a backup; nobody but its owner may read it, nor the folder it lies in. Gives back its path, its size, and where a copy could not be laid. */
export function writeBackup(cluster, home, { at = new Date(), database, file: given } = {}) {
  const { recipient } = backupKey(home);
  const folder = backupFolder(home);
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  chmodSync(folder, 0o700);
  const file = given ?? join(folder, `werkbank-${at.toISOString().slice(0, 19).replace(/[:T]/g, '-')}.tar.age`);
  const work = mkdtempSync(join(home, 'backup-making-'));
  chmodSync(work, 0o700);
  const making = `${file}.part`;
  try {
    dumpDatabase(cluster, join(work, 'house.dump'), database);
    copyFileSync(join(home, 'secrets.json'), join(work, 'secrets.json'));
    const anchors = join(home, 'anchors');
    writeFileSync(join(work, 'backup.json'), JSON.stringify({ format: 1, at: at.toISOString() }));
    const parts = ['backup.json', 'house.dump', 'secrets.json'];
    if (existsSync(anchors)) {
      run('cp', ['-r', anchors, join(work, 'anchors')]);
      parts.push('anchors');
    }
    // Straight from one program into the other: what is not encrypted touches the disk in a folder of ours alone.
    writeFileSync(making, '', { mode: 0o600 });
    run('bash', [
      '-c',
      'set -o pipefail; tar -C "$1" -cf - "${@:4}" | age -r "$2" > "$3"',
      'backup',
      work,
      recipient,
      making,
      ...parts,
    ]);
    renameSync(making, file);
  } finally {
    rmSync(work, { recursive: true, force: true });
    rmSync(making, { force: true });
  }
  if (!given) forgetOld(folder);
  const missed = second().flatMap((place) => copyTo(place, file));
  return { file, bytes: statSync(file).size, missed };
}

function copyTo(place, file) {
  try {
    mkdirSync(place, { recursive: true, mode: 0o700 });
    const copy = join(place, file.split('/').at(-1));
    copyFileSync(file, `${copy}.part`);
    chmodSync(`${copy}.part`, 0o600);
    renameSync(`${copy}.part`, copy);
    forgetOld(place);
    return [];
  } catch (error) {
    return [`${place}: ${error.message}`];
  }
}

/** Every day of two weeks, then the first of each month of a year. */
export function toForget(names) {
  const days = names
    .filter((name) => /^werkbank-\d{4}-\d{2}-\d{2}-.*\.tar\.age$/.test(name))
    .sort()
    .reverse();
  const kept = new Set(days.slice(0, KEPT_DAYS));
  const months = new Map();
  for (const name of [...days].reverse()) if (!months.has(name.slice(9, 16))) months.set(name.slice(9, 16), name);
  [...months.values()]
    .reverse()
    .slice(0, KEPT_MONTHS)
    .forEach((name) => kept.add(name));
  return days.filter((name) => !kept.has(name));
}
function forgetOld(folder) {
  toForget(readdirSync(folder)).forEach((name) => rmSync(join(folder, name), { force: true }));
}

export function newestBackup(home) {
  const folder = backupFolder(home);
  const names = existsSync(folder)
    ? readdirSync(folder)
        .filter((name) => name.endsWith('.tar.age'))
        .sort()
    : [];
  return names.length ? join(folder, names.at(-1)) : null;
}

/** Opens a backup into a folder of its own, with the key of this house or the one that the recovery sheet was typed into. The caller takes the folder away. */
export function openBackup(file, keyFile) {
  ensureAge();
  if (!existsSync(keyFile))
    giveUp(`The key for backups is not at ${keyFile}. Type the line of the recovery sheet into a file and name it: --key FILE`);
  const folder = mkdtempSync(join(tmpdir(), 'werkbank-opened-'));
  chmodSync(folder, 0o700);
  const result = run('bash', ['-c', 'set -o pipefail; age -d -i "$1" "$2" | tar -C "$3" -xf -', 'open', keyFile, file, folder], {
    mayFail: true,
  });
  if (result.status !== 0) {
    rmSync(folder, { recursive: true, force: true });
    giveUp(`${file} can’t be opened with this key: ${result.stderr.trim()}`);
  }
  return folder;
}
