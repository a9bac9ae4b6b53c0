// The demo installation: cluster, database, migrations, demo data.
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { clusterAt, addresses, ensureDatabase, startCluster } from './cluster.mjs';
import { environment, migrate, returnsOf, runFile } from './project.mjs';
import { freePort, homeFolder, say, writePrivate } from './system.mjs';

export async function prepareDemo({ port, publicPort }) {
  const home = homeFolder();
  mkdirSync(home, { recursive: true });
  const cluster = clusterAt(home);
  const { startedHere } = await startCluster(cluster);
  ensureDatabase(cluster);
  migrate(cluster);
  const smtpPort = await freePort();
  // npm run remind, from another terminal, sends to the same stand-in.
  writePrivate(join(home, 'runtime.json'), { port, publicPort, smtpPort });
  const env = { ...environment({ cluster, home, port, publicPort, smtpPort }), ...returnsOf(await freePort()) };
  // What is invented can be invented again: no need to wait for the disk at each of its thousands of steps.
  const seeded = runFile(['src/processes/seed.ts', '--when-empty'], { ...env, PGOPTIONS: '-c synchronous_commit=off' });
  if (seeded.stdout.trim()) say(seeded.stdout.trim());
  return { cluster, startedHere, env, smtpPort, owner: addresses(cluster).owner };
}

/** Which simulated devices stand beside this demo, each with its ports; they are on the list of lines already. */
export function demoLines(env) {
  const { stdout } = runFile(['src/processes/demo-lines.ts'], env);
  return JSON.parse(stdout.trim().split('\n').at(-1));
}
