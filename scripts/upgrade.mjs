// npm run upgrade: after a new release was unpacked over the old one and the house was stopped: backup, migrate, verify; whatever fails is rolled back, and said.
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { openBackup, writeBackup } from './lib/archive.mjs';
import {
  clusterAt,
  dropDatabase,
  ensureChecksums,
  ensureDatabase,
  loadDatabase,
  startCluster,
  stopCluster,
} from './lib/cluster.mjs';
import { ensureBuild, ensureModules, environment, migrate, runFile } from './lib/project.mjs';
import { giveUp, homeFolder, say } from './lib/system.mjs';

const home = homeFolder();
const cluster = clusterAt(home);
if (!cluster.state) giveUp('There is no house on this machine yet: npm run serve makes it.');
ensureModules();
ensureChecksums(cluster);
const { startedHere } = await startCluster(cluster);
ensureDatabase(cluster);
const { file } = writeBackup(cluster, home);
say(`backup: ${file}`);
const failed = await upgrade().catch((error) => error.message);
if (failed) {
  const opened = openBackup(file, join(home, 'backup-key.txt'));
  dropDatabase(cluster);
  ensureDatabase(cluster);
  loadDatabase(cluster, join(opened, 'house.dump'));
  rmSync(opened, { recursive: true, force: true });
  if (startedHere) stopCluster(cluster);
  giveUp(
    `The upgrade did not go through, and the house is as it was before:\n${failed}\nUnpack the release of before, and start it.`,
  );
}
// Tests and those who built elsewhere skip it.
if (!process.argv.includes('--no-build')) await ensureBuild();
if (startedHere) stopCluster(cluster);
say('upgraded: npm run serve');

async function upgrade() {
  const migrated = migrate(cluster, undefined, { mayFail: true });
  if (migrated.status !== 0) return `${migrated.stdout}${migrated.stderr}`.trim();
  const verified = runFile(['src/processes/verify.ts'], environment({ cluster, home, port: 1, smtpPort: 1 }), { mayFail: true });
  say((verified.stdout + verified.stderr).trim());
  return verified.status === 0 ? null : 'the records don’t hold after it';
}
