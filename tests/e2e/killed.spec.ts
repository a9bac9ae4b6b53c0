import { spawn, type ChildProcess } from 'node:child_process';
import { expect, type Page } from '@playwright/test';
import { freePort } from '@/processes/free-port';
import { programOf } from '../../scripts/lib/programs.mjs';
import { fly } from './gas/pilot';
import { makeRun, manyPlaces } from './gas/make-run';
import { talk } from './gas/stand-in';
import { query, settled, signIn, test } from './people';

const FOUR = { O2: 18, CH4: 2.5, H2S: 25, CO: 100 };
const ROOT = process.cwd();
const children = new Set<ChildProcess>();

/** One process each, no launcher in between: what is killed is the thing itself. */
function begin(args: string[], env: Record<string, string>): ChildProcess {
  const child = spawn(process.execPath, args, {
    cwd: ROOT,
    env: { ...process.env, NODE_ENV: 'production', ...env },
    stdio: 'ignore',
  });
  children.add(child);
  return child;
}
const killed = (child: ChildProcess) =>
  new Promise<void>((resolve) => {
    child.once('exit', () => resolve());
    child.kill('SIGKILL');
  });
const web = (port: number) => begin(programOf('src/processes/web.ts'), { PORT: String(port) });
const gateway = () => begin(programOf('src/processes/gateway.ts'), {});
const answers = (port: number) =>
  expect
    .poll(async () => (await fetch(`http://127.0.0.1:${port}/api/health`).catch(() => null))?.status ?? 0, { timeout: 30_000 })
    .toBe(200);
const events = async (run: string) =>
  Number((await query<{ n: string }>('select count(*) as n from run_event where run_id = $1', [run]))[0]!.n);
const live = (page: Page) => expect(page.getByTestId('line-strip')).toContainText('Live from', { timeout: 30_000 });
const figure = (page: Page) => page.getByTestId('live-co').locator('.live-figure').innerText();
/** The figure moves with the instrument: something new has come. */
const moves = async (page: Page) => {
  const before = await figure(page);
  await expect.poll(() => figure(page), { timeout: 45_000 }).not.toBe(before);
};

test.afterAll(() => children.forEach((child) => child.kill('SIGKILL')));

test('stand-in, gateway and web process are each killed in the middle of a span and started again: the run survives, nothing that was acknowledged is lost; two web processes serve the same live run', async ({
  page,
  browser,
}) => {
  await manyPlaces();
  const serial = `KILL-${Date.now() % 1e7}`;
  const [port, panelPort, webPort] = [await freePort(), await freePort(), await freePort()];
  const device = () =>
    begin(programOf('src/standins/instrument-server.ts'), {
      MODEL: 'OF-410',
      SERIAL: serial,
      SPEED: '10',
      SEED: '4',
      PORT: String(port),
      PANEL_PORT: String(panelPort),
    });
  // The gateway under test: whoever holds the lease, this one or the house's own, keeps the line.
  let [instrument, own, second] = [device(), gateway(), web(webPort)];
  await query(`insert into device_line (kind, name, host, port, panel_port) values ('instrument', $1, '127.0.0.1', $2, $3)`, [
    `Test ${serial}`,
    port,
    panelPort,
  ]);
  await answers(webPort);
  const { run } = await makeRun({ model: 'OF-410', serial });
  const origin = `http://127.0.0.1:${webPort}`;
  const other = await (await browser.newContext({ baseURL: origin })).newPage();
  await signIn(page, 'technician', `/runs/${run}`);
  await settled(page);
  await live(page);
  await signIn(other, 'signatory', `/runs/${run}`);
  await settled(other);
  await live(other);
  const hand = (ask: object) => talk(panelPort, { type: 'world', ...ask });
  const flight = { page, device: { serial, hand } as never, lots: { gas: 'FG-1402' }, mixture: FOUR, until: /found-zero/ };
  await fly({ ...flight, blind: true });

  await test.step('both web processes show the same run and the same readings', async () => {
    await hand({ mixture: FOUR });
    await Promise.all([moves(page), moves(other)]);
    await hand({ mixture: null });
  });
  await test.step('captured before the kill, and still there after each of them', async () => {
    await expect(page.getByText('4 of 4 settled')).toBeVisible({ timeout: 40_000 });
    await page.locator('body').press('c');
    await expect(page.locator('.present-step h2')).toContainText('Gas on');
    await page.getByRole('button', { name: /Gas is on/ }).click();
    await hand({ mixture: FOUR });
    await expect(page.locator('.gas-bar')).toBeVisible();
  });
  const before = await events(run);

  await test.step('the instrument is killed in the middle of its gas and comes back', async () => {
    await killed(instrument);
    await expect(page.getByTestId('line-strip')).toContainText(/away|silent/, { timeout: 45_000 });
    const typed = page.getByTestId(/^channel-o2-/).locator('.reading-input');
    await typed.fill('18.0');
    await typed.press('Enter');
    // Off the line and sooner than gas acts: the reason is one key.
    const why = page.getByLabel('Why O₂ counts');
    const taken = page.locator('.log-line', { hasText: 'O₂ 18.0' });
    await expect(taken.or(why).first()).toBeVisible();
    if (await why.isVisible()) await why.press('1');
    await expect(taken).toBeVisible();
    instrument = device();
    await live(page);
    await hand({ mixture: FOUR });
    await moves(page);
  });
  await test.step('the gateway is killed; another takes over within its lease', async () => {
    const holder = async () => (await query<{ holder: string }>('select holder from gateway_lease'))[0]?.holder ?? '';
    const pid = Number(/gateway-(\d+)-/.exec(await holder())![1]);
    process.kill(pid, 'SIGKILL');
    await expect.poll(async () => Number(/gateway-(\d+)-/.exec(await holder())?.[1] ?? pid), { timeout: 45_000 }).not.toBe(pid);
    await hand({ mixture: null });
    await moves(page);
    if (own.pid === pid) own = gateway();
  });
  await test.step('a web process is killed and started again: its page goes on by itself', async () => {
    await killed(second);
    await expect(other.getByTestId('line-strip')).toContainText('interrupted', { timeout: 45_000 });
    await hand({ mixture: FOUR });
    await moves(page);
    second = web(webPort);
    await answers(webPort);
    await live(other);
    await moves(other);
  });
  await test.step('nothing acknowledged is lost: the run has all its events, and goes on', async () => {
    expect(await events(run)).toBeGreaterThan(before);
    const readings = await query<{ text: string }>(
      `select data->'reading'->>'text' as text from run_event where run_id = $1 and type = 'readingCaptured' order by seq`,
      [run],
    );
    expect(readings).toHaveLength(5);
    expect(readings.at(-1)!.text).toBe('18.0');
    await page.locator('body').press('g');
    await expect(page.locator('.gas-bar')).toHaveCount(0);
  });
  await other.context().close();
});
