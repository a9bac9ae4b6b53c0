// npm run nodes [-- 22 24]: the unit tests, the database tests and one browser walk on each Node.js that "engines" names. Whole Nodes come from the registry as packages; nothing of this machine's own is changed.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { addresses, ensureServer } from './lib/cluster.mjs';
import { openDoors } from './lib/doors.mjs';
import { stopAll } from './lib/processes.mjs';
import { ensureBuild, ensureModules } from './lib/project.mjs';
import { closeHouse, ensureDemoDump, openHouse } from './lib/seeded.mjs';
import { cacheFolder, giveUp, ROOT, run, say } from './lib/system.mjs';

const VERSIONS = ['20', '22', '24'];
const WALK = 'tests/e2e/walk.spec.ts';
const bin = (name, ...path) => join(ROOT, 'node_modules', name, ...path);

/** The program of one version, fetched once. */
function nodeOf(version) {
  const folder = join(cacheFolder(), `node-${version}`);
  const program = join(folder, 'node_modules', `node-linux-${process.arch}`, 'bin', 'node');
  if (!existsSync(program)) {
    mkdirSync(folder, { recursive: true });
    const got = run(
      'npm',
      ['install', '--prefix', folder, '--no-save', '--no-audit', '--no-fund', `node-linux-${process.arch}@${version}`],
      {
        mayFail: true,
      },
    );
    if (got.status !== 0 || !existsSync(program)) giveUp(`Node ${version} could not be fetched:\n${got.stderr}`);
  }
  return program;
}

/** Everything here runs on the Node.js that runs this script. */
async function here() {
  const vitest = (project) => {
    const { status, stdout, stderr } = spawnSync(process.execPath, [bin('vitest', 'vitest.mjs'), 'run', '--project', project], {
      cwd: ROOT,
      encoding: 'utf8',
      maxBuffer: 1e9,
    });
    const said = /Tests\s+(.*)/.exec((stdout ?? '').replaceAll(/\u001b\[[0-9;]*m/g, ''))?.[1] ?? 'nothing ran';
    say(`${process.version} ${project}: ${said}`);
    if (status !== 0) console.log(stdout.slice(-6000), stderr.slice(-2000));
    return status === 0;
  };
  const results = [vitest('unit'), vitest('database')];
  const house = await openHouse(await ensureDemoDump(), 'house');
  try {
    await openDoors(house, { outside: false });
    const walk = spawnSync(process.execPath, [bin('@playwright/test', 'cli.js'), 'test', '--no-deps', WALK], {
      cwd: ROOT,
      encoding: 'utf8',
      env: {
        ...house.env,
        E2E_PART: 'house',
        E2E_ORIGIN: house.env.WERKBANK_ORIGIN,
        E2E_CLUSTER: house.home,
        OWNER_DATABASE_URL: addresses(house.cluster).owner,
        NODE_ENV: 'test',
      },
    });
    say(`${process.version} walk: ${/\d+ (passed|failed).*/.exec(walk.stdout)?.[0] ?? 'nothing ran'}`);
    if (walk.status !== 0) console.log(walk.stdout.slice(-4000));
    results.push(walk.status === 0);
  } finally {
    await stopAll();
    closeHouse(house);
  }
  return results.every(Boolean);
}

if (process.argv.includes('--here')) process.exit((await here()) ? 0 : 1);
ensureServer();
ensureModules();
await ensureBuild();
const asked = process.argv.slice(2).length ? process.argv.slice(2) : VERSIONS;
let failed = 0;
for (const version of asked) {
  const program = nodeOf(version);
  const env = { ...process.env, PATH: `${dirname(program)}:${process.env.PATH}` };
  const { status } = spawnSync(program, ['scripts/nodes.mjs', '--here'], { cwd: ROOT, stdio: 'inherit', env });
  failed += status === 0 ? 0 : 1;
}
say(failed ? `${failed} of ${asked.length} did not pass` : `all passed on ${asked.join(', ')}`);
process.exit(failed ? 1 : 0);
