// npm start: sets up everything this machine lacks and runs the demo. `--dev` runs the development server instead of a production build.
import { demoLines, prepareDemo } from './lib/demo.mjs';
import { stopCluster } from './lib/cluster.mjs';
import { ensureBuild, ensureModules } from './lib/project.mjs';
import { answers, startScript, startWeb, stopAll } from './lib/processes.mjs';
import { giveUp, portIsFree, say } from './lib/system.mjs';

const dev = process.argv.includes('--dev');
const port = Number(process.env.PORT ?? 3210);
if (!(port > 0 && port < 65536)) giveUp(`PORT must be a port number, got ${process.env.PORT}.`);
if (!(await portIsFree(port))) giveUp(`Port ${port} is taken. Start with another one: PORT=3300 npm start`);

ensureModules();
const demo = await prepareDemo({ port });
if (!dev) await ensureBuild();

let stopping = false;
async function stop(code) {
  if (stopping) return;
  stopping = true;
  await stopAll();
  if (demo.startedHere) stopCluster(demo.cluster);
  process.exit(code);
}
process.on('SIGINT', () => stop(0));
process.on('SIGTERM', () => stop(0));

const ended = (name) => (code) => {
  if (!stopping) {
    console.error(`${name} ended by itself (${code}).`);
    void stop(1);
  }
};
startScript(
  'src/standins/mail-server.ts',
  { ...demo.env, SMTP_PORT: String(demo.smtpPort) },
  { quiet: true, onExit: ended('The mail stand-in') },
);
startScript('src/processes/gateway.ts', demo.env, { quiet: true, onExit: ended('The instrument gateway') });
for (const standIn of demoLines(demo.env))
  startScript(standIn.file, { ...demo.env, ...standIn.env }, { quiet: true, onExit: ended(standIn.file) });
startWeb(demo.env, {
  dev,
  quiet: !dev,
  onLine: dev
    ? undefined
    : (line) => {
        if (/"level":(50|60)/.test(line) || /Error/.test(line)) console.error(line);
      },
  onExit: ended('The web process'),
});
try {
  await answers(`http://127.0.0.1:${port}/api/health`, 90);
} catch (error) {
  console.error(error.message);
  await stop(1);
}
say('ready');
console.log(`
  Werkbank     http://127.0.0.1:${port}
  Sign in as   counter@port-ambrel.example       (receives and returns)
               technician@port-ambrel.example    (works at the bench)
               signatory@port-ambrel.example     (approves certificates)
               admin@port-ambrel.example         (users, settings, audit)
  Password     harbour-bench-2026
  Data         ${demo.env.WERKBANK_HOME}
  Mails        ${demo.env.WERKBANK_MAIL_FOLDER}
  Ctrl-C stops everything that was started here. npm run reset goes back to the demo.
`);
