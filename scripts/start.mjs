// npm start: sets up everything this machine lacks and runs the demo. `--dev` runs the development server instead of a production build.
import { demoLines, prepareDemo } from './lib/demo.mjs';
import { stopCluster } from './lib/cluster.mjs';
import { ensureBuild, ensureModules, publicEnvironment } from './lib/project.mjs';
import { answers } from './lib/processes.mjs';
import { supervisor } from './lib/supervisor.mjs';
import { giveUp, portIsFree, say } from './lib/system.mjs';

const dev = process.argv.includes('--dev');
const portOf = async (name, usual) => {
  const port = Number(process.env[name] ?? usual);
  if (!(port > 0 && port < 65536)) giveUp(`${name} must be a port number, got ${process.env[name]}.`);
  if (!(await portIsFree(port))) giveUp(`Port ${port} is taken. Start with another one: ${name}=${port + 90} npm start`);
  return port;
};
const port = await portOf('PORT', 3210);
const publicPort = await portOf('PUBLIC_PORT', port + 1);

ensureModules();
const demo = await prepareDemo({ port, publicPort });
if (!dev) await ensureBuild();

const house = supervisor();
let stopping = false;
async function stop(code) {
  if (stopping) return;
  stopping = true;
  await house.stop();
  if (demo.startedHere) stopCluster(demo.cluster);
  process.exit(code);
}
process.on('SIGINT', () => stop(0));
process.on('SIGTERM', () => stop(0));

const troubles = (line) => {
  if (/"level":(50|60)/.test(line) || /Error/.test(line)) console.error(line);
};
house.script('The mail stand-in', 'src/standins/mail-server.ts', { ...demo.env, SMTP_PORT: String(demo.smtpPort) });
house.script('The jobs process', 'src/processes/jobs.ts', { ...demo.env, WERKBANK_FIRST_NIGHT: 'yes' }, { onLine: troubles });
house.script('The instrument gateway', 'src/processes/gateway.ts', demo.env, { onLine: troubles });
for (const standIn of demoLines(demo.env)) house.script(standIn.file, standIn.file, { ...demo.env, ...standIn.env });
house.web('The web process', demo.env, { dev, quiet: !dev, ...(dev ? {} : { onLine: troubles }) });
if (!dev) house.web('The public listener', publicEnvironment(demo.env, demo.cluster), { onLine: troubles });
house.keepCluster(demo.cluster);
try {
  await answers(`http://127.0.0.1:${port}/api/health`, 90);
  if (!dev) await answers(`http://127.0.0.1:${publicPort}/api/health`, 60);
} catch (error) {
  console.error(error.message);
  await stop(1);
}
say('ready');
console.log(`
  Werkbank     http://127.0.0.1:${port}
  Check page   http://127.0.0.1:${publicPort}/verify/…  (for the outside)
  Sign in as   counter@port-ambrel.example       (receives and returns)
               technician@port-ambrel.example    (works at the bench)
               signatory@port-ambrel.example     (approves certificates)
               admin@port-ambrel.example         (users, settings, audit)
  Password     harbour-bench-2026
  Data         ${demo.env.WERKBANK_HOME}
  Mails        ${demo.env.WERKBANK_MAIL_FOLDER}
  Ctrl-C stops everything that was started here. npm run reset goes back to the demo.
`);
