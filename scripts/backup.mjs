// npm run backup [-- FILE]: one file with the whole database. Keep secrets.json of the data folder apart: it holds the key that signs new certificates; old ones stay checkable without it.
import { mkdirSync, statSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { clusterAt, dumpDatabase, startCluster, stopCluster } from './lib/cluster.mjs';
import { giveUp, homeFolder, say } from './lib/system.mjs';

const cluster = clusterAt(homeFolder());
if (!cluster.state) giveUp('There is nothing to back up on this machine yet: npm start makes it.');
const file = resolve(
  process.argv[2] ??
    join(homeFolder(), 'backups', `werkbank-${new Date().toISOString().slice(0, 19).replace(/[:T]/g, '-')}.dump`),
);
mkdirSync(dirname(file), { recursive: true });
const { startedHere } = await startCluster(cluster);
dumpDatabase(cluster, file);
if (startedHere) stopCluster(cluster);
say(`${file} (${(statSync(file).size / 1e6).toFixed(1)} MB)`);
