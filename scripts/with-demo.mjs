// Runs one of our processes against the demo's database: node scripts/with-demo.mjs src/processes/verify.ts [arguments]
import { spawnSync } from 'node:child_process';
import { addresses, clusterAt, startCluster, stopCluster } from './lib/cluster.mjs';
import { environment, ensureModules, TSX } from './lib/project.mjs';
import { giveUp, homeFolder, readJson, ROOT } from './lib/system.mjs';
import { join } from 'node:path';

ensureModules();
const home = homeFolder();
const cluster = clusterAt(home);
if (!cluster.state) giveUp('There is no demo on this machine yet: npm start makes it.');
const { startedHere } = await startCluster(cluster);
const { port = 3210, smtpPort = 0 } = readJson(join(home, 'runtime.json')) ?? {};
const env = { ...environment({ cluster, home, port, smtpPort }), OWNER_DATABASE_URL: addresses(cluster).owner };
const { status } = spawnSync(process.execPath, [TSX, ...process.argv.slice(2)], { cwd: ROOT, env, stdio: 'inherit' });
if (startedHere) stopCluster(cluster);
process.exit(status ?? 1);
