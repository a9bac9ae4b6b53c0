// What every script stands on: running programs, installing Debian packages, finding free ports. Node's own modules only: npm ci may not have run yet.
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { homedir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..', '..');
export const isRoot = process.getuid?.() === 0;
const started = Date.now();

export function say(text) {
  console.log(`  ${((Date.now() - started) / 1000).toFixed(1).padStart(6)} s  ${text}`);
}

/** Ends the script with one sentence a person can act on. */
export function giveUp(sentence) {
  console.error(`\n${sentence}\n`);
  process.exit(1);
}

/** Runs a program to its end; its output is shown only when it fails. */
export function run(command, args, options = {}) {
  const result = spawnSync(command, args, { encoding: 'utf8', cwd: ROOT, maxBuffer: 64e6, ...options });
  if (result.status !== 0 && !options.mayFail) {
    giveUp(`${command} ${args.join(' ')} failed:\n${result.error?.message ?? ''}${result.stdout ?? ''}${result.stderr ?? ''}`);
  }
  return result;
}

/** As `run`, without blocking: for work that goes side by side. Resolves to { code, output }. */
export function runBeside(command, args, options = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'], ...options });
    beside.add(child);
    let output = '';
    child.stdout.on('data', (chunk) => {
      output += chunk;
    });
    child.stderr.on('data', (chunk) => {
      output += chunk;
    });
    child.on('error', (error) => resolve({ code: 1, output: output + error.message }));
    child.on('close', (code) => {
      beside.delete(child);
      resolve({ code: code ?? 1, output });
    });
  });
}
const beside = new Set();
/** Whatever `runBeside` began and did not end is asked to. */
export const endBeside = () => beside.forEach((child) => child.kill('SIGTERM'));

export function installed(...programs) {
  return programs.every((program) => run('sh', ['-c', `command -v ${program}`], { mayFail: true }).status === 0);
}

/** Installs Debian packages as root or through sudo; else says which ones are needed. */
export function aptInstall(packages, what) {
  const problem = tryAptInstall(packages);
  if (problem === null) return;
  giveUp(
    `${what} is missing. Please install the Debian package${packages.length > 1 ? 's' : ''} ${packages.join(', ')} and start again.\n${problem}`.trim(),
  );
}

/** The same for what can be done without: null where it is there now, else what apt said. */
export function tryAptInstall(packages) {
  const prefix = isRoot ? [] : ['sudo', '-n'];
  if (!installed('apt-get') || (!isRoot && run('sudo', ['-n', 'true'], { mayFail: true }).status !== 0)) return '';
  say(`installing ${packages.join(', ')}`);
  const apt = (...args) => {
    const [first, ...rest] = [...prefix, 'env', 'DEBIAN_FRONTEND=noninteractive', 'apt-get', ...args];
    return run(first, rest, { mayFail: true });
  };
  if (apt('install', '-y', '--no-install-recommends', ...packages).status === 0) return null;
  apt('update');
  const second = apt('install', '-y', '--no-install-recommends', ...packages);
  return second.status === 0 ? null : second.stderr;
}

export function freePort() {
  return new Promise((resolve, reject) => {
    const server = createServer();
    server.once('error', reject);
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address();
      server.close(() => resolve(port));
    });
  });
}

export function portIsFree(port) {
  return new Promise((resolve) => {
    const server = createServer();
    server.once('error', () => resolve(false));
    server.listen(port, '127.0.0.1', () => server.close(() => resolve(true)));
  });
}

/** One folder a checkout: data, keys, mail and logs of its demo. As root it can't lie where the postgres user may not enter. */
export function homeFolder() {
  if (process.env.WERKBANK_HOME) return process.env.WERKBANK_HOME;
  const checkout = createHash('sha256').update(ROOT).digest('hex').slice(0, 10);
  return join(isRoot ? '/var/lib/werkbank' : join(homedir(), '.local', 'share', 'werkbank'), checkout);
}

export function readJson(file) {
  return existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null;
}

export function writePrivate(file, value) {
  mkdirSync(dirname(file), { recursive: true });
  writeFileSync(file, JSON.stringify(value, null, 2), { mode: 0o600 });
}

/**
 * A hash over the contents of files and folders, named relative to the checkout: a copy of the checkout counts as the same.
 * `skip` leaves out files whose path it matches.
 */
export function hashOf(paths, { skip } = {}) {
  const hash = createHash('sha256');
  const add = (path) => {
    const full = join(ROOT, path);
    if (!existsSync(full) || skip?.test(path)) return;
    if (statSync(full).isDirectory())
      readdirSync(full)
        .sort()
        .forEach((name) => add(join(path, name)));
    else hash.update(path).update(readFileSync(full));
  };
  paths.forEach(add);
  return hash.digest('hex');
}

/** Where things that can be made again are kept between runs and between checkouts. */
export function cacheFolder() {
  if (process.env.WERKBANK_CACHE) return process.env.WERKBANK_CACHE;
  return isRoot ? '/var/cache/werkbank' : join(homedir(), '.cache', 'werkbank');
}
