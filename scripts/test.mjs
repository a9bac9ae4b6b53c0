// npm test: everything, on a fresh machine as well. Ends with one line "N passed, N failed" over all.
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { cpus, loadavg } from 'node:os';
import { join } from 'node:path';
import { ensureServer } from './lib/cluster.mjs';
import { ensureBrowsers } from './lib/browser.mjs';
import { counting } from './lib/cost.mjs';
import { SOURCE_CHECKS } from './lib/source-checks.mjs';
import { ensureBuild, ensureModules } from './lib/project.mjs';
import { openDoors } from './lib/doors.mjs';
import { stopAll } from './lib/processes.mjs';
import { closeHouse, ensureDemoDump, openEmptyHouse, openHouse } from './lib/seeded.mjs';
import { aptInstall, endBeside, installed, ROOT, runBeside, say } from './lib/system.mjs';
import { reportOf, walkPart } from './lib/walks.mjs';

const tally = { passed: 0, failed: 0 };
const node = (...args) => runBeside(process.execPath, args, { env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1' } });
const bin = (name, ...path) => join(ROOT, 'node_modules', name, ...path);

function setUp() {
  ensureServer();
  const missing = [];
  ensureBrowsers();
  if (!installed('pdftotext', 'pdfdetach', 'pdfsig')) missing.push('poppler-utils');
  if (!installed('qpdf')) missing.push('qpdf');
  // Backups are encrypted by it.
  if (!installed('age', 'age-keygen')) missing.push('age');
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

/** One look at the sources. */
const source = (name) => runBeside(...SOURCE_CHECKS[name], { env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1' } });

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

/** Some of the suites in one process: each start costs seconds. */
const vitest = (...projects) =>
  suite(
    `${projects.join(', ')} tests`,
    () =>
      node(
        bin('vitest', 'vitest.mjs'),
        'run',
        ...projects.flatMap((project) => ['--project', project]),
        '--reporter=default',
        '--reporter=json',
        `--outputFile.json=test-results/${projects[0]}.json`,
      ),
    join(ROOT, 'test-results', `${projects[0]}.json`),
    (report) => ({
      passed: report.numPassedTests,
      failed: report.numFailedTests + report.numFailedTestSuites * (report.numFailedTests ? 0 : 1),
    }),
  );

/** One part of the browser tests at one house. */
const browserPart = (part, house) =>
  suite(
    `browser tests, ${part}`,
    () => walkPart(part, house),
    reportOf(part),
    (report) => {
      const second = secondTries(report);
      second.forEach(({ title, starved }) =>
        say(`second try needed: ${title}${starved ? ' (this machine was starved meanwhile)' : ''}`),
      );
      const own = second.filter((one) => !one.starved).length;
      return { passed: report.stats.expected + report.stats.flaky - own, failed: report.stats.unexpected + own };
    },
  );

/**
 * Times at which this machine was starved: this process itself was not given the processor for a second (its timer of 100 ms came that late), or more than three were ready for each core over the last minute.
 */
const starved = [];
let expected = Date.now() + 100;
setInterval(() => {
  if (Date.now() - expected > 1000) starved.push([expected, Date.now()]);
  if (loadavg()[0] > 3 * cpus().length) starved.push([Date.now() - 60_000, Date.now()]);
  expected = Date.now() + 100;
}, 100).unref();

/** Tests that passed only when tried again. Excused where the machine was starved while the first try ran. */
function secondTries(report) {
  const found = [];
  const visit = (suite, path) => {
    (suite.suites ?? []).forEach((one) => visit(one, `${path}${one.title} › `));
    for (const spec of suite.specs ?? [])
      for (const test of spec.tests) {
        if (test.status !== 'flaky') continue;
        const [first] = test.results;
        const [from, to] = [Date.parse(first.startTime), Date.parse(first.startTime) + first.duration];
        found.push({ title: path + spec.title, starved: starved.some(([begin, end]) => begin < to && end > from) });
      }
  };
  visit(report, '');
  return found;
}

/** Waits for every one of them, whether or not another fell. */
async function all(works) {
  const fallen = (await Promise.allSettled(works)).find((one) => one.status === 'rejected');
  if (fallen) throw fallen.reason;
}

const cost = counting();
setUp();
const houses = [];
/** Walks that are on their way while something else is tried. */
const begun = [];
function begin(part, house) {
  const walked = browserPart(part, house);
  // Whether it fell is asked when everything else is through.
  walked.catch(() => undefined);
  begun.push(walked);
}
// Whoever stops it leaves nothing running.
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => {
    endBeside();
    void stopAll().finally(() => {
      houses.forEach(closeHouse);
      process.exit(130);
    });
  });
try {
  // Two cores, two lanes: what the browser needs in one, the units in the other; then either takes what is left.
  // The longest first.
  const rest = [
    () => vitest('database'),
    ...['lint', 'format', 'arrows between folders'].map((name) => () => check(name, source(name))),
  ];
  const takeRest = async () => {
    for (let next = rest.shift(); next; next = rest.shift()) await next();
  };
  await all([
    (async () => {
      const dump = await ensureDemoDump();
      await ensureBuild();
      // After the build: it writes the declarations of routes and styles that the types refer to.
      await check('types', source('types'));
      await vitest('build');
      // Filling a house keeps one core busy: here the other lane has the other. Their doors are opened when somebody comes.
      for (const open of [() => openHouse(dump, 'house'), () => openHouse(dump, 'water'), () => openEmptyHouse()])
        houses.push(await open());
      // The longest walk of all waits more than it works: beside what is counted here it costs no time of its own. The walk that comes by the code on paper is in this house too.
      await openDoors(houses[1]);
      begin('busy', houses[1]);
      await takeRest();
      // One walk follows the other here: begun as soon as this lane is through.
      await openDoors(houses[2], { outside: false });
      begin('empty', houses[2]);
    })(),
    (async () => {
      await vitest('unit', 'component', 'outside');
      await takeRest();
    })(),
  ]);
  const [first, second] = houses;
  // Two cores are busy with the rooms or the benches of one house, and a walk that is starved says nothing of the house: beside them only the empty house, in which one walk follows the other. (The second house beside both was
  // tried: on a slow machine all three took longer than one after another, and walks were starved.)
  await openDoors(first, { outside: false });
  await all([
    (async () => {
      await browserPart('house', first);
      await browserPart('gas', first);
    })(),
    ...begun,
  ]);
  await browserPart('alone', first);
  await browserPart('water', second);
} catch (error) {
  tally.failed += 1;
  console.error(error);
} finally {
  await stopAll();
  houses.forEach(closeHouse);
}
say(`all done in ${cost()}`);
console.log(`${tally.passed} passed, ${tally.failed} failed`);
process.exit(tally.failed ? 1 : 0);
