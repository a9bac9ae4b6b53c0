// npm run serve: a house that works in earnest. No stand-ins, no demo, nothing simulated: the database, the web for the workshop, the public listener, the jobs, the instrument gateway, each started again when it falls. See docs/running.md.
import { randomBytes } from 'node:crypto';
import { mkdirSync } from 'node:fs';
import { clusterAt, ensureDatabase, startCluster, stopCluster } from './lib/cluster.mjs';
import { houseSettings } from './lib/house-env.mjs';
import { answers } from './lib/processes.mjs';
import { ensureBuild, ensureModules, environment, migrate, publicEnvironment, runFile } from './lib/project.mjs';
import { supervisor } from './lib/supervisor.mjs';
import { giveUp, homeFolder, portIsFree, say } from './lib/system.mjs';

process.umask(0o077);
const settings = houseSettings();
for (const [name, port] of [
  ['PORT', settings.port],
  ['PUBLIC_PORT', settings.publicPort],
])
  if (!(await portIsFree(port))) giveUp(`Port ${port} is taken: set ${name} to another one.`);
ensureModules();
const home = homeFolder();
mkdirSync(home, { recursive: true, mode: 0o700 });
const cluster = clusterAt(home);
const { startedHere } = await startCluster(cluster);
ensureDatabase(cluster);
migrate(cluster);
await ensureBuild();
const env = {
  ...environment({ cluster, home, port: settings.port, publicPort: settings.publicPort, smtpPort: 25, origin: settings.origin }),
  WERKBANK_HOST: settings.host,
  WERKBANK_PUBLIC_HOST: settings.publicHost,
  WERKBANK_PUBLIC_ORIGIN: settings.publicOrigin,
  SMTP_URL: settings.smtp,
  WERKBANK_SIMULATED: 'no',
  WERKBANK_BACKUPS: process.env.WERKBANK_BACKUPS ?? 'yes',
};
const people = runFile(['src/processes/people-count.ts'], env).stdout.trim();
// Whoever can read what is written here owns the machine: the key keeps everybody else from setting up the house first.
const empty = people.endsWith(' 0');
if (empty) env.WERKBANK_SETUP_KEY = randomBytes(18).toString('base64url');

const house = supervisor({ say });
let stopping = false;
async function stop(code) {
  if (stopping) return;
  stopping = true;
  await house.stop();
  if (startedHere) stopCluster(cluster);
  process.exit(code);
}
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => stop(0));

// Their lines go to where this one's go: the journal, under systemd, which keeps them short.
const loud = { quiet: false };
/** Each process says its figures at a port of its own, on loopback, where they are wanted. */
const metricsFrom = Number(process.env.WERKBANK_METRICS_PORT ?? 0);
const measured = (given, place) => ({ ...given, WERKBANK_METRICS_PORT: metricsFrom ? String(metricsFrom + place) : '' });
house.script('The jobs process', 'src/processes/jobs.ts', measured({ ...env, WERKBANK_FIRST_NIGHT: 'yes' }, 2), loud);
house.script('The instrument gateway', 'src/processes/gateway.ts', measured(env, 3), loud);
house.web('The web process', measured(env, 0), loud);
house.web('The public listener', measured(publicEnvironment(env, cluster), 1), loud);
house.keepCluster(cluster);
try {
  await answers(`http://127.0.0.1:${settings.port}/api/health`, 90);
} catch (error) {
  // Who can't listen on loopback may listen elsewhere: the supervisor goes on looking after it.
  say(error.message);
}
say(`serving ${settings.origin}, codes lead to ${settings.publicOrigin}, data in ${home}`);
if (empty) say(`nobody can sign in yet: set the house up at ${settings.origin}/set-up?key=${env.WERKBANK_SETUP_KEY}`);
