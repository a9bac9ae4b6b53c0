// npm run reset: back to the demo as it was first made. Everything recorded since is gone.
import { clusterAt, dropDatabase, startCluster, stopCluster } from './lib/cluster.mjs';
import { prepareDemo } from './lib/demo.mjs';
import { ensureModules } from './lib/project.mjs';
import { homeFolder, portIsFree, say, giveUp } from './lib/system.mjs';

const port = Number(process.env.PORT ?? 3210);
if (!(await portIsFree(port))) giveUp(`Something runs on port ${port}, perhaps the demo: stop it first.`);
ensureModules();
const cluster = clusterAt(homeFolder());
const { startedHere } = await startCluster(cluster);
dropDatabase(cluster);
await prepareDemo({ port });
if (startedHere) stopCluster(cluster);
say('the demo is as new');
