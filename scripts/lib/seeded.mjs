// A house filled with the demo, for tests, pictures and measurements. Filling takes a minute, so it is done once and kept as a dump by the hash of what it is made from.
import { copyFileSync, existsSync, mkdirSync, mkdtempSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { clusterAt, dumpDatabase, ensureDatabase, loadDatabase, removeCluster, startCluster } from './cluster.mjs';
import { environment, migrate, TSX, returnsOf } from './project.mjs';
import { cacheFolder, freePort, hashOf, runBeside, say } from './system.mjs';

/** All that decides what the demo holds: no page, no style, no test. */
const SOURCES = [
  'package-lock.json',
  'src/core',
  'src/data',
  'src/features',
  'src/platform',
  'src/procedures',
  'src/processes/seed',
  'src/processes/seed.ts',
  'src/standins',
];
const SKIP = /\.(test|fixture)\.tsx?$|\.tsx$|\.json$(?<!package-lock\.json)/;
const KEPT = 3;

/** The demo's dates are relative to the day it was made, on the demo workshop's clock (processes/seed/catalogue): another day is another dump. */
function dumpFolder() {
  const day = new Intl.DateTimeFormat('sv-SE', { timeZone: 'Europe/Berlin' }).format(new Date());
  return join(cacheFolder(), `demo-${day}-${hashOf(SOURCES, { skip: SKIP }).slice(0, 20)}`);
}

/** The dump and the keys that its documents are signed with; made when it isn't there. Resolves to its folder. */
export async function ensureDemoDump() {
  const folder = dumpFolder();
  if (existsSync(join(folder, 'demo.dump'))) {
    say('the demo’s dump is there');
    return folder;
  }
  const home = mkdtempSync(join(tmpdir(), 'werkbank-seed-'));
  const cluster = clusterAt(home, { throwAway: true });
  try {
    await startCluster(cluster);
    ensureDatabase(cluster);
    migrate(cluster);
    const env = environment({ cluster, home, port: await freePort(), smtpPort: 1 });
    const { code, output } = await runBeside(process.execPath, [TSX, 'src/processes/seed.ts'], { env });
    if (code !== 0) throw new Error(`The demo could not be filled.\n${output}`);
    say(output.trim());
    const making = `${folder}.${process.pid}`;
    mkdirSync(making, { recursive: true });
    dumpDatabase(cluster, join(making, 'demo.dump'));
    copyFileSync(join(home, 'secrets.json'), join(making, 'secrets.json'));
    // Whoever made the same one meanwhile was as right.
    if (!existsSync(folder)) renameSync(making, folder);
    else rmSync(making, { recursive: true, force: true });
    forgetOld();
    return folder;
  } finally {
    removeCluster(cluster);
  }
}

/** The newest few are kept. */
function forgetOld() {
  const age = (name) => statSync(join(cacheFolder(), name)).mtimeMs;
  readdirSync(cacheFolder())
    .filter((name) => name.startsWith('demo-'))
    .sort((a, b) => age(b) - age(a))
    .slice(KEPT)
    .forEach((name) => rmSync(join(cacheFolder(), name), { recursive: true, force: true }));
}

/** A throw-away house with the demo in it: cluster, database, keys, environment. `home` goes with `closeHouse`. */
export async function openHouse(dump, name = 'house', { acknowledges = false } = {}) {
  const home = mkdtempSync(join(tmpdir(), `werkbank-${name}-`));
  copyFileSync(join(dump, 'secrets.json'), join(home, 'secrets.json'));
  const cluster = clusterAt(home, { throwAway: true, acknowledges });
  await startCluster(cluster);
  ensureDatabase(cluster);
  loadDatabase(cluster, join(dump, 'demo.dump'));
  const [port, publicPort, smtpPort] = [await freePort(), await freePort(), await freePort()];
  const env = { ...environment({ cluster, home, port, publicPort, smtpPort }), ...returnsOf(await freePort()) };
  return { name, home, cluster, port, smtpPort, env };
}

/** A throw-away house in which nobody was yet, as `npm run serve` makes it: nothing simulated, and a key to set it up with. */
export async function openEmptyHouse(name = 'empty') {
  const home = mkdtempSync(join(tmpdir(), `werkbank-${name}-`));
  const cluster = clusterAt(home, { throwAway: true });
  await startCluster(cluster);
  ensureDatabase(cluster);
  migrate(cluster);
  const [port, publicPort, smtpPort] = [await freePort(), await freePort(), await freePort()];
  const env = {
    ...environment({ cluster, home, port, publicPort, smtpPort }),
    WERKBANK_SIMULATED: 'no',
    WERKBANK_SETUP_KEY: 'key-of-an-empty-house',
    SMTP_PORT: String(smtpPort),
  };
  return { name, home, cluster, port, smtpPort, env };
}

export const closeHouse = (house) => removeCluster(house.cluster);
