// npm run bench: speed as ratios within one run, on a throw-away cluster. Machines are noisy, so each pair is measured alternately and the medians are compared.
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { spawnSync } from 'node:child_process';
import { addresses, clusterAt, ensureDatabase, removeCluster, startCluster } from './lib/cluster.mjs';
import { ensureModules, environment, migrate, tsx, TSX } from './lib/project.mjs';
import { ROOT } from './lib/system.mjs';

ensureModules();
const home = mkdtempSync(join(tmpdir(), 'werkbank-bench-'));
const cluster = clusterAt(home, { throwAway: true });
try {
  await startCluster(cluster);
  ensureDatabase(cluster);
  migrate(cluster);
  const env = { ...environment({ cluster, home, port: 3999, smtpPort: 1 }), OWNER_DATABASE_URL: addresses(cluster).owner };
  tsx(['src/processes/seed.ts'], env);
  process.exitCode =
    spawnSync(process.execPath, [TSX, 'src/processes/bench.ts'], { cwd: ROOT, env, stdio: 'inherit' }).status ?? 1;
} finally {
  removeCluster(cluster);
}
