import { spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Client } from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { toForget } from '../../scripts/lib/archive.mjs';
import {
  addresses,
  clusterAt,
  ensureDatabase,
  loadDatabase,
  removeCluster,
  startCluster,
  type Cluster,
} from '../../scripts/lib/cluster.mjs';

/** A house as the last landed state left it (docs in tests/upgrade): three runs with their documents, made by that state's own use cases. */
const LANDED = join(__dirname, '..', 'upgrade');
const homes: string[] = [];
afterAll(() => homes.forEach((home) => removeCluster(clusterAt(home))));

function homeOf(name: string): string {
  const home = mkdtempSync(join(tmpdir(), `werkbank-${name}-`));
  homes.push(home);
  return home;
}
async function landed(): Promise<{ home: string; cluster: Cluster }> {
  const home = homeOf('upgrade');
  cpSync(join(LANDED, 'secrets.json'), join(home, 'secrets.json'));
  const cluster = clusterAt(home, { throwAway: true });
  await startCluster(cluster);
  ensureDatabase(cluster);
  loadDatabase(cluster, join(LANDED, 'landed.dump'));
  return { home, cluster };
}
const run = (home: string, script: string, ...args: string[]) => {
  const { status, stdout, stderr } = spawnSync(process.execPath, [`scripts/${script}.mjs`, ...args], {
    encoding: 'utf8',
    env: { ...process.env, WERKBANK_HOME: home },
  });
  return { status, said: stdout + stderr };
};
async function ask(cluster: Cluster, sql: string): Promise<Record<string, unknown>[]> {
  const client = new Client({ connectionString: addresses(cluster).superuser.replace(/\/postgres$/, '/werkbank') });
  await client.connect();
  const { rows } = await client.query<Record<string, unknown>>(sql);
  await client.end();
  return rows;
}

describe('upgrading a house of the last landed state', () => {
  let house: Awaited<ReturnType<typeof landed>>;
  beforeAll(async () => {
    house = await landed();
  });
  it('what doesn’t hold after it is rolled back: the house is as it was', async () => {
    const serial = (value: string) =>
      ask(
        house.cluster,
        `set session_replication_role = replica; update certificate set content = jsonb_set(content, '{item,serial}', '${value}') where issue_no = 1`,
      );
    const [{ was }] = (await ask(
      house.cluster,
      `select (content#>'{item,serial}')::text as was from certificate where issue_no = 1`,
    )) as [{ was: string }];
    await serial('"X"');
    const { status, said } = run(house.home, 'upgrade', '--no-build');
    expect(status).toBe(1);
    expect(said).toMatch(/as it was before/);
    expect(said).toMatch(/its content does not match its hash/);
    expect(await ask(house.cluster, `select max(name) as last from schema_migration`)).toEqual([
      { last: expect.stringMatching(/^0017/) as string },
    ]);
    rmSync(join(house.home, 'backups'), { recursive: true, force: true });
    // Mended, the same house is upgraded after all.
    await serial(was);
  });
  it('backs up, migrates, verifies: all that was recorded holds', async () => {
    const { status, said } = run(house.home, 'upgrade', '--no-build');
    expect(said).toMatch(/3 runs with \d+ events, 3 documents, .*: all hold/);
    expect(status).toBe(0);
    expect(await ask(house.cluster, 'select count(*)::int as n from change_log')).not.toEqual([{ n: 0 }]);
  });
  it('its backup is its owner’s alone, opens with its key alone, can be tried, and rebuilds the house on an empty machine', async () => {
    const folder = join(house.home, 'backups');
    const [name] = readdirSync(folder);
    const file = join(folder, name!);
    expect([
      statSync(folder).mode & 0o777,
      statSync(file).mode & 0o777,
      statSync(join(house.home, 'backup-key.txt')).mode & 0o777,
    ]).toEqual([0o700, 0o600, 0o600]);
    expect(readFileSync(file, 'latin1').slice(0, 20)).toBe('age-encryption.org/v');
    expect(run(house.home, 'trial-restore')).toMatchObject({
      status: 0,
      said: expect.stringContaining('it can be restored') as string,
    });
    const empty = homeOf('rebuilt');
    const key = join(empty, 'typed.txt');
    writeFileSync(key, /AGE-SECRET-KEY-\S+/.exec(readFileSync(join(house.home, 'backup-key.txt'), 'utf8'))![0]);
    expect(run(empty, 'restore', file, '--key', key)).toMatchObject({
      status: 0,
      said: expect.stringMatching(/3 documents, .*: all hold/) as string,
    });
    expect(readFileSync(join(empty, 'secrets.json'), 'utf8')).toBe(readFileSync(join(house.home, 'secrets.json'), 'utf8'));
    // A second time it is refused: a house that is there isn't replaced by accident.
    expect(run(empty, 'restore', file)).toMatchObject({ status: 1, said: expect.stringContaining('--replace') as string });
    const other = homeOf('stranger');
    spawnSync('age-keygen', ['-o', join(other, 'key.txt')]);
    expect(run(other, 'restore', file, '--key', join(other, 'key.txt'))).toMatchObject({
      status: 1,
      said: expect.stringContaining('can’t be opened') as string,
    });
  });
});

it('of backups, two weeks and the first of each month of a year are kept', () => {
  const day = (n: number) => new Date(Date.UTC(2026, 0, 1) + n * 86_400_000).toISOString().slice(0, 10);
  const names = Array.from({ length: 400 }, (_one, n) => `werkbank-${day(n)}-01-50-00.tar.age`);
  const kept = names.filter((name) => !toForget([...names, 'note.txt']).includes(name));
  expect(kept.slice(-14)).toEqual(names.slice(-14));
  const months = kept.slice(0, -14).map((name) => name.slice(9, 19));
  expect(months.every((one) => one.endsWith('-01'))).toBe(true);
  expect(months.length).toBeGreaterThanOrEqual(11);
  expect(kept.length).toBeLessThanOrEqual(26);
});
