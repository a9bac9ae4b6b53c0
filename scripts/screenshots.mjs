// npm run screenshots [-- bench water gas rooms]: all or some of the pictures in docs/screenshots, taken of a throw-away demo. Needs Chromium and poppler-utils, as the tests do.
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { WINDOWED } from './lib/browser.mjs';
import { ensureBuild, ensureModules, runFile } from './lib/project.mjs';
import { demoLines } from './lib/demo.mjs';
import { openDoors } from './lib/doors.mjs';
import { startScript, stopAll } from './lib/processes.mjs';
import { closeHouse, ensureDemoDump, openHouse } from './lib/seeded.mjs';
import { ROOT, run, say } from './lib/system.mjs';

ensureModules();
await ensureBuild();
const { chromium } = await import('@playwright/test');
const folder = join(ROOT, 'docs', 'screenshots');
mkdirSync(folder, { recursive: true });
const house = await openHouse(await ensureDemoDump(), 'pictures');
const { env, home } = house;
let browser;
try {
  for (const standIn of demoLines(env)) startScript(standIn.file, { ...env, ...standIn.env }, { quiet: true });
  await openDoors(house, { outside: false });
  browser = await chromium.launch({
    executablePath: WINDOWED,
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
    ],
  });
  await pictures(env);
} finally {
  await browser?.close();
  await stopAll();
  closeHouse(house);
}

/** Parts named on the command line; all where none is. */
function wanted(part) {
  return process.argv.length <= 2 || process.argv.includes(part);
}

async function open(env, who, viewport = { width: 1280, height: 800 }) {
  const page = await (await browser.newContext({ baseURL: env.WERKBANK_ORIGIN, viewport })).newPage();
  await page.goto('/sign-in');
  if (!who) return page;
  await page.getByLabel('Mail address').fill(`${who}@port-ambrel.example`);
  await page.getByLabel('Password').fill('harbour-bench-2026');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.locator('.house-bar').waitFor();
  return page;
}

/** A poisoned sensor at its decision, and a bump: made by the same flights as the browser tests fly. */
async function gasBench(env, tech, shot) {
  const result = runFile(['tests/e2e/gas/for-pictures.ts'], env, { mayFail: true });
  if (result.status !== 0) throw new Error(result.stderr);
  const made = JSON.parse(result.stdout.trim().split('\n').at(-1));
  for (const standIn of made.standIns) startScript(standIn.file, { ...env, ...standIn.env }, { quiet: true });
  for (const [name, run] of [['diagnosis', made.diagnosis]]) {
    await tech.goto(`/runs/${run}`);
    await tech.waitForTimeout(4000);
    const hand = tech.getByTestId('stand-in');
    await hand.locator('summary').click();
    await hand.getByRole('button', { name: /Open the valve/ }).click();
    await tech.waitForTimeout(30_000);
    await tech.evaluate(() => scrollTo(0, 0));
    await shot(tech, name);
    await hand.getByRole('button', { name: /shut it/ }).click();
  }
}

/** Meters that stand on the bench of the demo: dipped by the hand, the sheet follows; then what became of the probes over two years. */
async function waterBench(tech, shot) {
  for (const [name, model, dip] of [['ph-sheet', 'SM-11', true]]) {
    await tech.goto('/');
    await tech.locator('.place', { hasText: model }).getByRole('link', { name: 'Go on' }).click();
    await tech.waitForURL('**/runs/**');
    await tech.waitForTimeout(3000);
    const hand = tech.getByTestId('stand-in');
    await hand.locator('summary').click();
    await hand.getByRole('button', { name: /^Dip into/ }).click();
    if (dip) await tech.getByRole('button', { name: /It is in/ }).click();
    await tech.waitForTimeout(60_000);
    await tech.evaluate(() => scrollTo(0, 0));
    await shot(tech, name);
  }
  await tech.goto('/probes');
  // A probe with enough calibrations of one series for a forecast.
  for (const link of await tech.locator('a.row-link').evaluateAll((all) => all.map((one) => one.getAttribute('href')))) {
    await tech.goto(link);
    if ((await tech.getByTestId('forecast').count()) && /reaches/.test(await tech.getByTestId('forecast').first().innerText()))
      break;
  }
  await tech.waitForTimeout(1500);
  await shot(tech, 'electrode');
}

/** An exercise before its instrument, with a hand at it; and the debrief of one that was not worked well. */
async function practised(tech, shot) {
  await tech.goto('/practice?all=1');
  await tech
    .getByRole('row', { name: /Find the fault.* 45$/ })
    .getByRole('link')
    .first()
    .click();
  await tech.getByTestId('debrief').waitFor();
  await shot(tech, 'debrief');
  await tech.getByRole('button', { name: 'Begin again' }).click();
  await tech.getByRole('button', { name: 'Read', exact: true }).click();
  await tech.getByLabel('Look at', { exact: true }).selectOption({ label: 'the sensors' });
  await tech.getByRole('button', { name: 'Look at: do it' }).click();
  await tech.waitForTimeout(2000);
  await shot(tech, 'practice');
}

/** The document on paper, its annex, and what the check page says of the file and of one that was doctored. */
async function papers(sign, shot) {
  const address = sign.url();
  const pdf = join(home, 'certificate.pdf');
  writeFileSync(pdf, await (await sign.request.get(`${address}/pdf`)).body());
  const pages = Number(/Pages:\s+(\d+)/.exec(run('pdfinfo', [pdf]).stdout)[1]);
  run('pdftoppm', ['-r', '80', '-png', '-f', '1', '-l', '1', '-singlefile', pdf, join(home, 'certificate-pdf')]);
  writeFileSync(join(folder, 'certificate-pdf.png'), readFileSync(join(home, 'certificate-pdf.png')));
  const doctored = join(home, 'certificate-doctored.pdf');
  run('qpdf', [pdf, '--rotate=+180:1', doctored]);
  const { content } = JSON.parse(await (await sign.request.get(`${address}/json`)).text());
  await sign.getByRole('link', { name: 'Check page' }).click();
  await sign.waitForURL('**/verify/**');
  for (const [name, file] of [
    ['check-good', pdf],
    ['check-doctored', doctored],
  ]) {
    await sign.getByLabel('File to check').setInputFiles(file);
    await sign.getByTestId('checked').waitFor();
    await sign.getByTestId('checked').scrollIntoViewIfNeeded();
    // The good one is looked at by the tests; the doctored one is shown.
    if (name !== 'check-good') await shot(sign, name);
  }
  say(`${content.number}: ${pages} pages`);
}

async function pictures(env) {
  ['bottle', 'calculators', 'certificate-annex', 'probes', 'due', 'station', 'budgets', 'import', 'shelf', 'work'].forEach(
    (name) => rmSync(join(folder, `${name}.png`), { force: true }),
  );
  const shot = async (page, name) => {
    await page.waitForTimeout(700);
    await page.screenshot({ path: join(folder, `${name}.png`) });
    say(name);
  };
  const tech = await open(env, 'technician');
  if (wanted('bench')) {
    await tech.waitForTimeout(35_000);
    await shot(tech, 'bench');
    // The five-gas monitor stands before its first gas: the hand opens the valve, the sheet follows.
    await tech.locator('.place', { hasText: 'VT-5P' }).getByRole('link', { name: 'Go on' }).click();
    await tech.waitForURL('**/runs/**');
    const hand = tech.getByTestId('stand-in');
    await hand.locator('summary').click();
    await hand.getByRole('button', { name: /Open the valve/ }).click();
    await tech.getByRole('button', { name: /Gas is on/ }).click();
    await tech.waitForTimeout(26_000);
    await tech.evaluate(() => scrollTo(0, 0));
    await shot(tech, 'run-sheet');
  }
  if (wanted('water')) await waterBench(tech, shot);
  if (wanted('gas')) await gasBench(env, tech, shot);
  if (!wanted('rooms')) return;

  const counter = await open(env, 'counter');
  await counter.goto('/receive');
  await counter.getByLabel('Customer', { exact: true }).fill('Fennick');
  await counter.getByRole('button', { name: 'Fennick Biogas Cooperative', exact: true }).click();
  await counter.getByLabel('Instrument', { exact: true }).fill('FBC-002');
  await counter.locator('button.text-start', { hasText: 'FBC-002' }).click();
  await counter.getByRole('group', { name: 'Filters and gaskets' }).getByRole('button', { name: 'fault' }).click();
  await counter.getByLabel('What is wrong: Filters and gaskets').fill('inlet filter soiled');
  await shot(counter, 'receive');

  const sign = await open(env, 'signatory');
  await sign.goto('/approve');
  await sign.getByRole('link', { name: 'Look' }).first().click();
  await sign.waitForURL('**/approve/**');
  await sign.locator('.open-budget').first().click();
  await sign.getByTestId('budget').first().waitFor();
  await shot(sign, 'approval');
  await sign.getByLabel('Annex: uncertainty budgets').check();
  await sign.getByLabel('Your password, to sign').fill('harbour-bench-2026');
  await sign.getByRole('button', { name: 'Approve and issue the certificate' }).click();
  await sign.waitForURL('**/certificates/**');
  await papers(sign, shot);
  await sign.goto('/assets?q=ASRY-006');
  await sign.locator('tbody a').first().click();
  await sign.waitForURL('**/assets/*-*');
  await sign.waitForTimeout(1200);
  await shot(sign, 'asset');
  await sign.goto('/register?kind=recall');
  await sign.locator('tbody a').first().click();
  await sign.getByRole('link', { name: 'What rests on it, judged anew' }).click();
  await sign.getByTestId('recall-lines').waitFor();
  await shot(sign, 'recall');
  await sign.goto('/bookings');
  await sign.getByTestId('load').scrollIntoViewIfNeeded();
  await sign.waitForTimeout(800);
  await shot(sign, 'bookings');
  await practised(tech, shot);
  await sign.goto('/plan');
  await shot(sign, 'plan');
  await sign.goto('/shelf/control');
  await sign.getByRole('link', { name: 'Kept OF-410, CO at 100 ppm' }).click();
  await sign.getByTestId('control-points').waitFor();
  await sign.waitForTimeout(1200);
  await shot(sign, 'control');
  await sign.goto('/customers?q=Grauwinkel');
  await sign.getByRole('link', { name: 'Grauwinkel Brewery' }).click();
  await sign.getByTestId('contacts').waitFor();
  await shot(sign, 'customer');
  await sign.goto('/procedures');
  await sign.getByRole('link', { name: 'CO monitor, shorter day' }).click();
  await sign.getByRole('link', { name: 'Work on the draft' }).click();
  await sign.getByTestId('walked').scrollIntoViewIfNeeded();
  await shot(sign, 'procedure-editor');
  await sign.goto('/models?q=OF-410');
  await sign.getByRole('link', { name: 'Ordfell OF-410' }).click();
  await sign.getByRole('button', { name: 'Make one like this' }).click();
  await sign.getByLabel('Model', { exact: true }).fill('OF-411');
  await sign.getByLabel('CO: Tolerance ±').fill('0.2');
  await sign.getByRole('button', { name: 'Make model' }).click();
  await sign.getByText('can’t be judged').waitFor();
  await sign.evaluate(() => scrollTo(0, 0));
  await shot(sign, 'model');
}
