import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, describe, expect, it } from 'vitest';
import { addresses, clusterAt, ensureDatabase, removeCluster, startCluster } from '../../scripts/lib/cluster.mjs';
import { supervisor } from '../../scripts/lib/supervisor.mjs';
import { freePort } from '../../scripts/lib/system.mjs';
import { Client } from 'pg';

const ends: (() => Promise<void>)[] = [];
afterEach(async () => {
  for (const end of ends.splice(0)) await end();
});

/** A process of one line: its stops are known to the test. */
function keeper() {
  const said: string[] = [];
  const starts: { pid: number; at: number }[] = [];
  const house = supervisor({ say: (text) => said.push(text), lookEveryMs: 250 });
  ends.push(() => house.stop());
  const program = (code: string) => (onExit: (code: number | null, signal: string | null) => void) => {
    const child = spawn(process.execPath, ['-e', code], { stdio: 'ignore' });
    starts.push({ pid: child.pid!, at: Date.now() });
    child.on('exit', onExit);
    ends.unshift(() => Promise.resolve(void child.kill('SIGKILL')));
    return child;
  };
  return { house, said, starts, program };
}
const alive = (pid: number) => {
  try {
    return process.kill(pid, 0);
  } catch {
    return false;
  }
};

describe('what falls is started again', () => {
  it('one that is killed comes back and takes nobody along; one that keeps falling comes back later each time', async () => {
    const { house, said, starts, program } = keeper();
    house.keep('steady', program('setInterval(() => 0, 1000)'));
    const steady = starts[0]!.pid;
    house.keep('falling', program('process.exit(3)'));
    await expect.poll(() => starts.length, { timeout: 25_000 }).toBeGreaterThanOrEqual(5);
    // What it said it would wait, not what a busy machine made of it.
    const pauses = said.flatMap((text) => /^falling ended \(3\): started again in ([\d.]+) s/.exec(text)?.[1] ?? []);
    expect(pauses.slice(0, 3)).toEqual(['0.5', '1.0', '2.0']);
    expect(alive(steady)).toBe(true);
    process.kill(steady, 'SIGKILL');
    await expect.poll(() => said.some((text) => /^steady ended \(SIGKILL\)/.test(text))).toBe(true);
    await expect
      .poll(() => starts.some(({ pid, at }) => pid !== steady && at > Date.now() - 3000 && alive(pid)), { timeout: 5000 })
      .toBe(true);
  }, 40_000);
  it('one that is there and answers nothing any more is ended and started again', async () => {
    const { house, said, program } = keeper();
    const port = await freePort();
    // Answers three times, then never.
    house.keep(
      'deaf',
      program(`let n = 0; require('http').createServer((q, r) => { if (++n < 3) r.end('ok'); }).listen(${port}, '127.0.0.1')`),
      { alive: `http://127.0.0.1:${port}/` },
    );
    await expect
      .poll(() => said.join(), { timeout: 20_000, interval: 100 })
      .toMatch(/deaf does not answer any more: ended,deaf ended \(SIGKILL\)/);
  }, 30_000);
  it('PostgreSQL that died is started again, on its port, with what it held', async () => {
    const home = mkdtempSync(join(tmpdir(), 'werkbank-keep-'));
    const cluster = clusterAt(home, { throwAway: true });
    ends.push(() => Promise.resolve(removeCluster(cluster)));
    await startCluster(cluster);
    ensureDatabase(cluster);
    const { house, said } = keeper();
    house.keepCluster(cluster);
    const server = Number(readFileSync(join(home, 'cluster', 'postmaster.pid'), 'utf8').split('\n')[0]);
    process.kill(server, 'SIGKILL');
    const asks = async () => {
      const client = new Client({ connectionString: addresses(cluster).owner, connectionTimeoutMillis: 1000 });
      client.on('error', () => undefined);
      await client.connect();
      const { rows } = await client.query<{ n: number }>('select 1 as n');
      await client.end();
      return rows[0]!.n;
    };
    await expect.poll(() => said.join(), { timeout: 15_000 }).toContain('PostgreSQL ended: started again');
    await expect.poll(() => asks().catch(() => 0), { timeout: 20_000, interval: 300 }).toBe(1);
  }, 50_000);
});
