// npm run bench [-- million | trace | jobs | history | card]: speed as ratios within one run, on a throw-away cluster. Machines are noisy, so each pair is measured alternately and the medians are compared.
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { spawnSync } from 'node:child_process';
import { addresses, clusterAt, ensureDatabase, removeCluster, startCluster } from './lib/cluster.mjs';
import { ensureBuild, ensureModules, environment, migrate, runFile, TSX } from './lib/project.mjs';
import { answers, startScript, startWeb, stopAll } from './lib/processes.mjs';
import { freePort, ROOT } from './lib/system.mjs';

ensureModules();
const home = mkdtempSync(join(tmpdir(), 'werkbank-bench-'));
const cluster = clusterAt(home, { throwAway: true });
try {
  await startCluster(cluster);
  ensureDatabase(cluster);
  migrate(cluster);
  const port = await freePort();
  const env = {
    ...environment({ cluster, home, port, smtpPort: 1 }),
    OWNER_DATABASE_URL: addresses(cluster).owner,
    SUPERUSER_DATABASE_URL: addresses(cluster).superuser.replace(/\/postgres$/, '/werkbank'),
  };
  runFile(['src/processes/seed.ts'], env);
  const inProcess = (file) => spawnSync(process.execPath, [TSX, file], { cwd: ROOT, env, stdio: 'inherit' }).status ?? 1;
  // One part alone, of those that need no page.
  const only = ['trace', 'jobs', 'history'].find((one) => process.argv.includes(one));
  process.exitCode = only ? inProcess(`src/processes/bench-${only}.ts`) : await everything(inProcess, { env, port });
} finally {
  await stopAll();
  removeCluster(cluster);
}

/** The worst of all parts. "-- million" is about the large house alone: filling it takes minutes. */
async function everything(inProcess, { env, port }) {
  const large = process.argv.includes('million');
  const card = process.argv.includes('card');
  const results = large || card ? [] : [inProcess('src/processes/bench.ts')];
  // Pages and the live sheet are measured where they run: at a production build, in a browser, with the gateway and a simulated instrument beside.
  await ensureBuild();
  startScript('src/processes/gateway.ts', env, { quiet: true });
  startWeb(env, { quiet: true });
  await answers(`http://127.0.0.1:${port}/api/health`);
  const parts = card
    ? ['card']
    : large
      ? ['large', 'files', 'trace']
      : ['browser', 'load', 'live', 'reminders', 'jobs', 'history', 'card'];
  for (const part of parts) results.push(inProcess(`src/processes/bench-${part}.ts`));
  return Math.max(...results);
}
