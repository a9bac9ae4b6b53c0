// npm run backup [-- FILE]: the database, the house's secrets and its anchors in one encrypted file (see docs/running.md). WERKBANK_BACKUP_FOLDERS names second places, separated by ":".
import { resolve } from 'node:path';
import { writeBackup } from './lib/archive.mjs';
import { archiveBackup } from './lib/pg-archive.mjs';
import { clusterAt, startCluster, stopCluster } from './lib/cluster.mjs';
import { giveUp, homeFolder, say } from './lib/system.mjs';

const home = homeFolder();
const cluster = clusterAt(home);
if (!cluster.state) giveUp('There is nothing to back up on this machine yet: npm start makes it.');
const { startedHere } = await startCluster(cluster);
const { file, bytes, missed } = writeBackup(cluster, home, process.argv[2] ? { file: resolve(process.argv[2]) } : {});
// Where the archive is on, its nightly base as well.
if (cluster.state.archive && !process.argv[2]) archiveBackup(cluster);
if (startedHere) stopCluster(cluster);
say(`${file} (${(bytes / 1e6).toFixed(1)} MB). It opens with the recovery sheet alone: npm run recovery-sheet prints it.`);
missed.forEach((one) => console.error(`not copied to ${one}`));
process.exit(missed.length ? 1 : 0);
