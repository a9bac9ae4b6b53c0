// npm run bench: speed as ratios within one run, on a throw-away cluster. Machines are noisy, so each pair is measured alternately and the medians are compared.
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { spawnSync } from 'node:child_process';
import { addresses, clusterAt, ensureDatabase, removeCluster, startCluster } from './lib/cluster.mjs';
import { ensureBuild, ensureModules, environment, migrate, tsx, TSX } from './lib/project.mjs';
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
  const env = { ...environment({ cluster, home, port, smtpPort: 1 }), OWNER_DATABASE_URL: addresses(cluster).owner };
  tsx(['src/processes/seed.ts'], env);
  const inProcess = (file) => spawnSync(process.execPath, [TSX, file], { cwd: ROOT, env, stdio: 'inherit' }).status ?? 1;
  const figures = inProcess('src/processes/bench.ts');
  // The live sheet is measured where it runs: in a browser, at a production build, with the gateway and a simulated instrument beside it.
  await ensureBuild();
  startScript('src/processes/gateway.ts', env, { quiet: true });
  startWeb(env, { quiet: true });
  await answers(`http://127.0.0.1:${port}/api/health`);
  const load = inProcess('src/processes/bench-load.ts');
  process.exitCode = inProcess('src/processes/bench-live.ts') || load || figures;
} finally {
  await stopAll();
  removeCluster(cluster);
}
