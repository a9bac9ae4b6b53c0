// npm run trial-restore [-- FILE]: opens the newest backup (or the one named) into a throw-away house beside this one, verifies it, and says what it found. Nothing here is touched.
import { cpSync, existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { newestBackup, openBackup } from './lib/archive.mjs';
import { clusterAt, ensureDatabase, loadDatabase, removeCluster, startCluster } from './lib/cluster.mjs';
import { environment, migrate, runFile } from './lib/project.mjs';
import { giveUp, homeFolder, say } from './lib/system.mjs';

const home = homeFolder();
const file = process.argv[2] ? resolve(process.argv[2]) : newestBackup(home);
if (!file || !existsSync(file)) giveUp('There is no backup to try: npm run backup makes one.');
const began = Date.now();
const opened = openBackup(file, join(home, 'backup-key.txt'));
const trial = mkdtempSync(join(tmpdir(), 'werkbank-trial-'));
const cluster = clusterAt(trial, { throwAway: true });
let status = 1;
try {
  await startCluster(cluster);
  cpSync(join(opened, 'secrets.json'), join(trial, 'secrets.json'));
  if (existsSync(join(opened, 'anchors'))) cpSync(join(opened, 'anchors'), join(trial, 'anchors'), { recursive: true });
  ensureDatabase(cluster);
  loadDatabase(cluster, join(opened, 'house.dump'));
  migrate(cluster);
  const verified = runFile(['src/processes/verify.ts'], environment({ cluster, home: trial, port: 1, smtpPort: 1 }), {
    mayFail: true,
  });
  say(`${file}\n${(verified.stdout + verified.stderr).trim()}`);
  status = verified.status ?? 1;
} finally {
  removeCluster(cluster);
  rmSync(opened, { recursive: true, force: true });
}
say(`${status === 0 ? 'it can be restored' : 'IT DOES NOT HOLD'} (${((Date.now() - began) / 1000).toFixed(0)} s)`);
process.exit(status);
