// npm test: everything, on a fresh machine as well. Ends with one line "N passed, N failed" over all.
import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { addresses, clusterAt, ensureDatabase, ensureServer, removeCluster, startCluster } from './lib/cluster.mjs';
import { ensureBuild, ensureModules, environment, migrate, TSX } from './lib/project.mjs';
import { answers, startScript, startWeb, stopAll } from './lib/processes.mjs';
import { aptInstall, freePort, installed, ROOT, runBeside, say } from './lib/system.mjs';

const tally = { passed: 0, failed: 0 };
const node = (...args) => runBeside(process.execPath, args, { env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1' } });
const bin = (name, ...path) => join(ROOT, 'node_modules', name, ...path);

function setUp() {
  ensureServer();
  const missing = [];
  if (!existsSync('/usr/bin/chromium')) missing.push('chromium');
  if (!installed('pdftotext', 'pdfdetach')) missing.push('poppler-utils');
  if (!installed('qpdf')) missing.push('qpdf');
  // A second opinion on salinity and oxygen.
  if (!existsSync('/usr/lib/python3/dist-packages/gsw')) missing.push('python3-gsw');
  if (missing.length) aptInstall(missing, 'A program that the tests use');
  ensureModules();
  mkdirSync(join(ROOT, 'test-results'), { recursive: true });
}

/** A check that is one thing: passed or failed as a whole. */
async function check(name, work) {
  const { code, output } = await work;
  tally[code === 0 ? 'passed' : 'failed'] += 1;
  say(`${code === 0 ? 'ok    ' : 'FAILED'} ${name}`);
  if (code !== 0) console.log(output);
}

/** A suite that counts its own tests in a JSON report. */
async function suite(name, work, report, count) {
  rmSync(report, { force: true });
  const { code, output } = await work();
  const counted = existsSync(report) ? count(JSON.parse(readFileSync(report, 'utf8'))) : { passed: 0, failed: 1 };
  if (code !== 0 && counted.failed === 0) counted.failed = 1;
  if (counted.passed + counted.failed === 0) counted.failed = 1;
  tally.passed += counted.passed;
  tally.failed += counted.failed;
  say(`${counted.failed ? 'FAILED' : 'ok    '} ${name}: ${counted.passed} passed, ${counted.failed} failed`);
  if (counted.failed)
    console.log(
      output
        .split('\n')
        .filter((line) => !/✓/.test(line))
        .join('\n'),
    );
}

const vitest = (project) =>
  suite(
    `${project} tests`,
    () =>
      node(
        bin('vitest', 'vitest.mjs'),
        'run',
        '--project',
        project,
        '--reporter=default',
        '--reporter=json',
        `--outputFile.json=test-results/${project}.json`,
      ),
    join(ROOT, 'test-results', `${project}.json`),
    (report) => ({
      passed: report.numPassedTests,
      failed: report.numFailedTests + report.numFailedTestSuites * (report.numFailedTests ? 0 : 1),
    }),
  );

/** A throw-away demo for the browser. Filling it needs one core for a while, so it is begun early and waited for late. */
async function beginDemo() {
  const home = mkdtempSync(join(tmpdir(), 'werkbank-e2e-'));
  const cluster = clusterAt(home, { throwAway: true });
  await startCluster(cluster);
  ensureDatabase(cluster);
  migrate(cluster);
  const [port, smtpPort] = [await freePort(), await freePort()];
  const env = environment({ cluster, home, port, smtpPort });
  return { home, cluster, port, smtpPort, env, seeded: runBeside(process.execPath, [TSX, 'src/processes/seed.ts'], { env }) };
}

async function browserTests({ home, cluster, port, smtpPort, env, seeded }) {
  const { code, output } = await seeded;
  say(output.trim());
  if (code !== 0) throw new Error('The demo could not be filled.');
  startScript('src/standins/mail-server.ts', { ...env, SMTP_PORT: String(smtpPort) }, { quiet: true });
  startScript('src/processes/gateway.ts', env, { quiet: true });
  startWeb(env, {
    quiet: true,
    onLine: (line) => {
      if (/"level":(50|60)/.test(line)) console.log(line);
    },
  });
  await answers(`http://127.0.0.1:${port}/api/health`);
  await suite(
    'browser tests',
    () =>
      runBeside(process.execPath, [bin('@playwright/test', 'cli.js'), 'test'], {
        env: {
          ...env,
          E2E_ORIGIN: env.WERKBANK_ORIGIN,
          E2E_CLUSTER: home,
          OWNER_DATABASE_URL: addresses(cluster).owner,
          NODE_ENV: 'test',
        },
      }),
    join(ROOT, 'test-results', 'e2e.json'),
    (report) => ({ passed: report.stats.expected + report.stats.flaky, failed: report.stats.unexpected }),
  );
}

setUp();
// Two cores: the build uses one and a half, so only light things go beside it.
await Promise.all([
  (async () => {
    await check('arrows between folders', node('scripts/arrows.mjs'));
    await vitest('unit');
    await vitest('outside');
  })(),
  (async () => {
    await check('format', node(bin('prettier', 'bin', 'prettier.cjs'), '--check', '--log-level', 'warn', '.'));
    await check('lint', node(bin('eslint', 'bin', 'eslint.js'), '--max-warnings', '0', '.'));
  })(),
]);
const demo = await beginDemo();
try {
  await vitest('database');
  ensureBuild();
  // After the build: it writes the declarations of routes and styles that the types refer to.
  await Promise.all([check('types', node(bin('typescript', 'bin', 'tsc'), '--noEmit')), vitest('build')]);
  await browserTests(demo);
} catch (error) {
  tally.failed += 1;
  console.error(error);
} finally {
  await stopAll();
  await demo.seeded;
  removeCluster(demo.cluster);
}
say('all done');
console.log(`${tally.passed} passed, ${tally.failed} failed`);
process.exit(tally.failed ? 1 : 0);
