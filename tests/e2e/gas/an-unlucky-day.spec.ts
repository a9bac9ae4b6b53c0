import { expect, type Page } from '@playwright/test';
import { byHand, type ByHand } from '../by-hand';
import { act, query, settled, sign, signIn, signOut, step, test } from '../people';
import { CO_BY_HAND, makeRun, manyPlaces } from './make-run';

/** The unlucky day at the bench, without a cable: each bad answer leads somewhere, and decides which paper comes out. */
const DAY: ByHand = {
  ...CO_BY_HAND,
  keeps: {
    ...CO_BY_HAND.keeps,
    'Stored span value': '100',
    'Clock ahead of the house’s, s': '0',
    'Raw output at zero': '12',
    'Raw output in gas': '640',
  },
};
const today = () => new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' }).format(new Date());
const decide = (page: Page, name: RegExp) => page.getByTestId('decide').getByRole('button', { name }).click();
const hourAgo = () => new Date(Date.now() - 3_600_000);

test.beforeAll(manyPlaces);

test('stored span value, zero that fails, a new sensor, a dead horn: to the tag, and back only by a document that hears the horn', async ({
  page,
  browser,
}) => {
  const serial = `UNL-${Date.now() % 1e7}`;
  const { run, assetId } = await makeRun({ model: 'OF-120', serial, at: hourAgo() });
  await signIn(page, 'technician', `/runs/${run}`);
  await expect(page.getByRole('heading', { name: 'Before you begin' })).toBeVisible();
  await page.getByRole('button', { name: 'Read', exact: true }).click();
  await expect(page.getByText(/Cautions for this instrument/)).toBeVisible();

  await byHand(page, DAY, /^stored-span/);
  await page.getByLabel('Span value that the instrument keeps').fill('50');
  await act(page);
  await expect(page.locator('.present-step h2')).toContainText('Decide: Span value');
  await decide(page, /Put right/);
  await page.getByLabel('What was done?').fill('set to 100 on its keys');
  await page.getByRole('button', { name: 'Put right, and look again' }).last().click();
  await byHand(page, DAY, /zeroing#1\/zero$/);

  for (const round of [1, 2]) {
    await byHand(page, DAY, new RegExp(`zeroing#${round}/zero$`));
    await page.getByRole('button', { name: 'Failed', exact: true }).click();
    await expect(page.locator(`.present-step:not([data-step$="zeroing#${round}/zero"])`)).toBeVisible();
  }
  await step(page, 'Zero failed twice');
  await expect(page.getByRole('button', { name: 'Leave this step out' })).toHaveCount(0);
  await decide(page, /Fine zero/);
  await expect(page.locator('.present-step')).toContainText('never the coarse one');
  await act(page);

  // At any time: a new sensor, with its serial.
  await page.getByRole('button', { name: 'Part replaced' }).click();
  await page.getByLabel('Which part').fill('CO sensor');
  await page.getByLabel('Its serial').fill('CO-4711');
  await page.getByRole('button', { name: 'It was replaced' }).click();
  await expect(page.getByTestId('door')).toHaveCount(0);

  await byHand(page, DAY, /^alarms$/);
  await page.locator('body').press('x');
  await page.waitForTimeout(90);
  await page.getByLabel('What is wrong: Horn sounds').fill('silent');
  await page.locator('h1').click();
  for (const key of ['y', 'y']) {
    await page.locator('body').press(key);
    await page.waitForTimeout(90);
  }
  await act(page);
  await expect(page.locator('.present-step h2')).toContainText('Decide: Horn sounds');
  await expect(page.getByTestId('decide').getByRole('button', { name: /remark/ })).toHaveCount(0);
  await decide(page, /Out of service/);
  await expect(page.getByTestId('outcome')).toContainText('Out of service');
  await page.getByRole('button', { name: /Finish and hand/ }).click();
  await step(page, 'Finished');
  await page.getByRole('link', { name: 'The large tag' }).click();
  await expect(page.locator('.service-tag')).toContainText('OUT OF SERVICE');
  await expect(page.locator('.service-tag')).toContainText('Horn sounds: fault, silent');
  await page.goto('/');
  await expect(page.locator('.ticket', { hasText: serial }).getByTestId('status-mark')).toBeVisible();

  const office = await (await browser.newContext()).newPage();
  await signIn(office, 'signatory', `/approve/${run}`);
  const first = office.getByTestId('not-plain');
  await expect(first).toContainText('Horn sounds: fault, silent. Out of service.');
  await expect(first).toContainText('CO sensor replaced');
  await sign(office);
  await office.waitForURL('**/certificates/**');
  const id = office.url().split('/').pop()!;
  await office.goto(`/certificates/${id}/label`);
  await expect(office.getByTestId('label')).toContainText('OUT OF SERVICE');
  await expect(office.getByTestId('label')).not.toContainText('Due');
  const [made] = await query<{
    kind: string;
    content: { checks: { what: string; consequence?: string }[] };
    due: string | null;
    serial: string;
  }>(
    `select c.kind, c.content, a.next_due::text as due, (select sensor_serial from asset_channel where asset_id = a.id limit 1) as serial
     from certificate c join asset a on a.id = c.asset_id where c.id = $1`,
    [id],
  );
  expect(made).toMatchObject({ kind: 'limited', due: null, serial: 'CO-4711' });
  expect(made!.content.checks.find((one) => one.what === 'Horn sounds')?.consequence).toBe('Out of service');

  // No approved run brings it back by itself; the act rests on one that covers the horn.
  await office.goto(`/assets/${assetId}`);
  await expect(office.getByTestId('status-panel')).toContainText('sound working');
  await query("update ticket set status = 'returned', returned_at = now() where asset_id = $1", [assetId]);
  const again = await makeRun({ model: 'OF-120', serial, at: hourAgo() });
  await page.goto(`/runs/${again.run}`);
  await expect(page.getByTestId('status-mark')).toBeVisible();
  await byHand(page, DAY, /never/).catch(() => undefined);
  await page.getByRole('button', { name: /Finish and hand/ }).click();
  await step(page, 'Finished');
  await office.goto(`/approve/${again.run}`);
  await settled(office);
  await sign(office);
  await office.waitForURL('**/certificates/**');
  expect((await query<{ status: string }>('select status from asset where id = $1', [assetId]))[0]!.status).toBe('outOfService');
  await office.goto(`/assets/${assetId}`);
  await office.getByLabel('Why it goes back into use').fill('new horn fitted, heard at the bench');
  await office.getByRole('button', { name: 'It goes back into use' }).click();
  await expect(office.getByTestId('status-panel')).toHaveCount(0);
  const [audit] = await query<{ detail: { before: string; after: string } }>(
    "select detail from audit where action = 'instrumentStatus' and subject = $1 order by id desc limit 1",
    [assetId],
  );
  expect(audit!.detail).toMatchObject({ before: 'outOfService', after: 'inUse' });
  await office.context().close();
});

test('a wrong date read back, an outage with gas open, two people at one computer', async ({ page, context }) => {
  const serial = `UND-${Date.now() % 1e7}`;
  const { run } = await makeRun({ model: 'OF-125', serial, at: hourAgo() });
  await signIn(page, 'technician', `/runs/${run}`);
  await byHand(page, DAY, /try#1\/on$/);
  await act(page);
  await expect(page.locator('.gas-bar')).toBeVisible();
  const opened = Date.now();

  // The house is away; the gas is closed in time, and told ten minutes later.
  await context.route('**/api/bench', (route) => route.abort());
  await page.waitForTimeout(3000);
  await page.locator('body').press('g');
  await expect(page.locator('.away')).toBeVisible();
  const closed = Date.now();
  await page.clock.install({ time: closed });
  await page.clock.fastForward(600_000);
  await context.unroute('**/api/bench');
  await page.clock.runFor(10_000);
  await expect(page.locator('.gas-bar')).toHaveCount(0, { timeout: 45_000 });
  const [booked] = await query<{ litres: string; at: Date; recorded: Date }>(
    `select data->>'litres' as litres, occurred_at as at, recorded_at as recorded from run_event where run_id = $1 and type = 'stimulusChanged' and data->>'on' = 'false' order by seq desc limit 1`,
    [run],
  );
  expect(Number(booked!.litres)).toBeLessThan(((closed - opened) / 60_000) * 0.5 + 0.1);

  // A wrong date is refused beside the field; lost, it leads back.
  await byHand(page, { ...DAY, readBack: today() }, /try#1\/save-in-gas$/);
  await page.getByLabel('Last-calibration date read back').fill('12 Mar 2019');
  await act(page);
  await expect(page.getByText(/12 Mar 2019 is not today/)).toBeVisible();
  await page.getByRole('button', { name: 'It was lost' }).click();
  // It was saved in the gas of the span: that is closed first.
  await step(page, 'Gas off');
  await act(page);
  await expect(page.locator('.present-step')).toHaveAttribute('data-step', 'try#2/clear');

  // Two people at one computer: the technician's entry waits for the technician.
  await context.route('**/api/bench', (route) => route.abort());
  await page.getByRole('button', { name: 'Note', exact: true }).click();
  await page.getByLabel('What the signatory and the customer should know').fill('display scratched');
  await page.getByRole('button', { name: 'Save the note' }).click();
  await expect(page.locator('.away')).toBeVisible();
  await signOut(page);
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  await context.unroute('**/api/bench');
  await signIn(page, 'signatory', `/runs/${run}`);
  await expect(page.getByTestId('waiting-mark')).toContainText(/of Tam Verrick: 1\./);
  const notes = () =>
    query<{ actor: { role: string } }>("select actor from run_event where run_id = $1 and type = 'noted'", [run]);
  await page.waitForTimeout(1500);
  expect(await notes()).toEqual([]);
  await signOut(page);
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  await signIn(page, 'technician', `/runs/${run}`);
  await expect(page.locator('.log-line', { hasText: 'display scratched' })).toBeVisible();
  expect(await notes()).toMatchObject([{ actor: { role: 'technician' } }]);
});
