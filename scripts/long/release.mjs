// A release built here is unpacked elsewhere, serves without building or asking a registry, and is rebuilt from backup and recovery sheet: timed, and measured in memory.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { makeRelease } from '../release.mjs';
import { answers } from '../lib/processes.mjs';
import { freePort, run } from '../lib/system.mjs';

const seconds = (since) => (Date.now() - since) / 1000;

/** Proportional memory of a process and all below it, MB. */
function memory(pid) {
  const children = run('ps', ['-o', 'pid=', '--ppid', String(pid)], { mayFail: true })
    .stdout.split(/\s+/)
    .filter(Boolean);
  let own = 0;
  try {
    own = Number(/^Pss:\s+(\d+)/m.exec(readFileSync(`/proc/${pid}/smaps_rollup`, 'utf8'))?.[1] ?? 0) / 1024;
  } catch {
    /* gone meanwhile */
  }
  return own + children.reduce((sum, child) => sum + memory(Number(child)), 0);
}
/** The database's server is nobody's child. */
function serverMemory(home) {
  const file = join(home, 'cluster', 'postmaster.pid');
  return existsSync(file) ? memory(Number(readFileSync(file, 'utf8').split('\n')[0])) : 0;
}

async function serveOnce(folder, home, { work }) {
  const [port, publicPort] = [await freePort(), await freePort()];
  const env = {
    PATH: process.env.PATH,
    HOME: home,
    WERKBANK_HOME: home,
    PORT: String(port),
    PUBLIC_PORT: String(publicPort),
    // A registry that nobody answers at: whoever asked would fail.
    npm_config_registry: 'http://127.0.0.1:9/',
    NODE_ENV: 'production',
  };
  const began = Date.now();
  const child = spawn(process.execPath, ['scripts/serve.mjs'], { cwd: folder, env, stdio: ['ignore', 'pipe', 'pipe'] });
  let said = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (piece) => (said += piece));
  let most = 0;
  const look = setInterval(() => (most = Math.max(most, memory(child.pid) + serverMemory(home))), 1000);
  try {
    await answers(`http://127.0.0.1:${port}/api/health`, 120);
    await answers(`http://127.0.0.1:${publicPort}/api/health`, 60);
    const up = seconds(began);
    const given = await work({ env, port });
    await new Promise((resolve) => setTimeout(resolve, 3000));
    return { up, most, said, given };
  } finally {
    clearInterval(look);
    child.kill('SIGTERM');
    await new Promise((resolve) => child.once('exit', resolve));
  }
}

export async function release() {
  const place = mkdtempSync(join(tmpdir(), 'werkbank-elsewhere-'));
  const [first, second] = [join(place, 'house'), join(place, 'rebuilt')];
  [first, second].forEach((home) => mkdirSync(home, { mode: 0o711 }));
  run('chmod', ['711', place]);
  try {
    const building = Date.now();
    const made = await makeRelease(join(place, 'made'));
    const built = seconds(building);
    run('sha256sum', ['-c', `${made.name}.tar.gz.sha256`], { cwd: join(place, 'made') });
    run('tar', ['-C', place, '-xzf', made.file]);
    const folder = join(place, made.name);
    const script = (home, ...args) =>
      spawnSync(process.execPath, args, {
        cwd: folder,
        env: { PATH: process.env.PATH, HOME: home, WERKBANK_HOME: home, NODE_ENV: 'production' },
        encoding: 'utf8',
      });
    const house = await serveOnce(folder, first, {
      work: async () => {
        const person = script(
          first,
          'scripts/with-demo.mjs',
          'src/processes/add-administrator.ts',
          'Ada Admin',
          'ada@example.test',
        );
        if (person.status !== 0) throw new Error(person.stdout + person.stderr);
        const saved = script(first, 'scripts/backup.mjs');
        if (saved.status !== 0) throw new Error(saved.stdout + saved.stderr);
        const sheet = script(first, 'scripts/recovery-sheet.mjs', join(place, 'sheet.html'));
        if (sheet.status !== 0) throw new Error(sheet.stdout + sheet.stderr);
      },
    });
    // Rebuilding as docs/running.md says: the key typed from the sheet, the backup, serve.
    const rebuilding = Date.now();
    const key = /AGE-SECRET-KEY-[A-Z0-9]+/.exec(readFileSync(join(place, 'sheet.html'), 'utf8'))[0];
    writeFileSync(join(place, 'key.txt'), `${key}\n`, { mode: 0o600 });
    const backup = join(
      first,
      'backups',
      readdirSync(join(first, 'backups')).find((one) => one.endsWith('.age')),
    );
    const restored = script(second, 'scripts/restore.mjs', backup, '--key', join(place, 'key.txt'));
    const rebuilt = await serveOnce(folder, second, {
      work: async ({ port }) => (await fetch(`http://127.0.0.1:${port}/sign-in`)).status,
    });
    const builtAgain = /building|npm ci/.test(house.said + rebuilt.said);
    const ok = restored.status === 0 && rebuilt.given === 200 && !builtAgain && house.most < 2000;
    return {
      ok,
      text: [
        `Archive ${(made.bytes / 1e6).toFixed(0)} MB, made in ${built.toFixed(0)} s. Unpacked elsewhere it served after ${house.up.toFixed(0)} s (database made included), without building or asking a registry: ${builtAgain ? 'NO' : 'yes'}.`,
        `Whole house at most ${house.most.toFixed(0)} MB (proportional) while it was set up, an administrator added and a backup made.`,
        `Rebuilt from backup and recovery sheet: restore "${restored.stdout.trim().split('\n').at(-1)}", serving again after ${seconds(rebuilding).toFixed(0)} s of machine time. A person types: one key, two commands.`,
      ].join('\n'),
    };
  } finally {
    rmSync(place, { recursive: true, force: true });
  }
}

if (import.meta.url === `file://${process.argv[1]}`) {
  const { ok, text } = await release();
  console.log(text);
  process.exit(ok ? 0 : 1);
}
