// npm run archive -- on | backup | info | restore ["2026-11-27 10:00:00+00"]: every change of the database kept by pgBackRest, and the way back to a moment. See docs/running.md.
import { archiveBackup, archiveOn, archiveRestore, archiveSays } from './lib/pg-archive.mjs';
import { clusterAt, startCluster, stopCluster } from './lib/cluster.mjs';
import { giveUp, homeFolder, say } from './lib/system.mjs';

const [act, moment] = process.argv.slice(2);
const cluster = clusterAt(homeFolder());
if (!cluster.state) giveUp('There is no house on this machine yet: npm run serve makes it.');
const started = async (work) => {
  const { startedHere } = await startCluster(cluster);
  await work();
  if (startedHere) stopCluster(cluster);
};
if (act === 'on') {
  if (cluster.running()) giveUp('Stop the house first: its database server is started anew.');
  await archiveOn(cluster);
  stopCluster(cluster);
  say('the archive is on. Its key is on the recovery sheet: npm run recovery-sheet');
} else if (act === 'backup') await started(() => archiveBackup(cluster));
else if (act === 'info') say(archiveSays(cluster));
else if (act === 'restore') {
  if (moment && Number.isNaN(Date.parse(moment))) giveUp('Say when as 2026-11-27 10:00:00+00');
  const aside = await archiveRestore(cluster, { to: moment });
  stopCluster(cluster);
  say(`set back${moment ? ` to ${moment}` : ''}; what was there lies in ${aside}. npm run verify says whether the records hold.`);
} else giveUp('Say what: npm run archive -- on | backup | info | restore [MOMENT]');
