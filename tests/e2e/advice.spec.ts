import { expect } from '@playwright/test';
import { signIn, test } from './people';

test('advice is taken over by a key as the instrument’s own interval, with its reason; the list and the model’s page say the same', async ({
  page,
}) => {
  await signIn(page, 'technician', '/due');
  await page.getByRole('link', { name: 'Advice on intervals' }).click();
  await page.waitForURL(/\/due\/advice/);
  await page.getByRole('link', { name: 'shorter', exact: true }).click();
  const first = page.locator('tbody tr').first();
  const sentence = await first.locator('td').last().innerText();
  expect(sentence).toMatch(/Make it \d+ (months?|days?)/);
  await first.getByRole('link').first().click();
  const outlook = page.getByTestId('outlook');
  await expect(outlook).toContainText(sentence);
  await outlook.locator('summary').click();
  await expect(outlook.getByRole('columnheader', { name: 'Next as found, 95 %' })).toBeVisible();
  await page.keyboard.press('i');
  await expect(outlook.getByRole('status')).toContainText('Set; the due date moved to');
  const every = /Make it (\d+ \w+)/.exec(sentence)![1]!;
  await expect(page.getByText(`${every} for this instrument`)).toBeVisible();
  await page.getByRole('heading', { level: 1 }).getByRole('link').click();
  await expect(page.getByTestId('model-outlook')).toContainText(/Found within: \d+ of \d+ visits/);
});

test('a chart that leaves its limits takes what it watches out of use; a signatory explains it, and it is back', async ({
  page,
  browser,
}) => {
  test.setTimeout(180_000);
  await signIn(page, 'technician', '/shelf/control');
  const name = `Weight ${Date.now() % 1e6}`;
  await page.getByText('Begin a chart').click();
  await page.getByLabel('Name', { exact: true }).fill(name);
  await page.getByLabel('Unit').first().fill('g');
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  await expect(page.getByText('A figure, such as 7.01.').first()).toBeVisible();
  await page.getByLabel('Step of the display').fill('0,001');
  const watched = page.getByLabel('What it watches');
  const zeroTube = await watched.locator('option', { hasText: 'zero tube' }).first().getAttribute('value');
  await watched.selectOption(zeroTube);
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  await page.waitForURL(/\/shelf\/control\/[0-9a-f-]{36}$/);
  const keep = async (value: string, says: RegExp) => {
    await page.getByLabel(/^Value now/).fill(value);
    await page.getByLabel(/^Value now/).press('Enter');
    await expect(page.getByRole('status').or(page.getByRole('alert')).filter({ hasText: says }).first()).toBeVisible();
    await expect(page.getByTestId('control-points').locator('tbody tr').first()).toContainText(value);
  };
  for (const value of [1, 2, 0, 1, 3, -1, 2, 4, 1, 0, 2, 1].map((step) => (50 + step / 1000).toFixed(3)))
    await keep(value, /Saved\./);
  await keep('50.040', /Out of control: beyond three standard deviations/);
  await expect(page.getByTestId('control-picture')).toBeVisible();
  await page.goto(`/shelf/${zeroTube}`);
  await expect(page.getByText('out of use').first()).toBeVisible();

  const signatory = await (await browser.newContext()).newPage();
  await signIn(signatory, 'signatory', '/shelf/control');
  await expect(signatory.getByRole('row', { name: new RegExp(name) })).toContainText('out of control');
  await signatory.getByRole('link', { name }).click();
  await signatory.locator('summary', { hasText: 'Explain it' }).click();
  await signatory.getByLabel('Why, and what was done').fill('The pan was not clean; cleaned, reads 50.001.');
  await signatory.getByRole('button', { name: 'Explain it' }).click();
  await expect(signatory.getByTestId('control-points')).toContainText('explained by');
  await signatory.goto(`/shelf/${zeroTube}`);
  await expect(signatory.getByText('good', { exact: true }).first()).toBeVisible();
  await signatory.context().close();
});

test('the bench says what to do next over all places and why; what is refused waits, it presses nothing itself', async ({
  page,
}) => {
  await signIn(page, 'technician', '/');
  const line = page.getByTestId('conductor');
  await expect(line).toContainText(/place \d+/);
  await expect(line).toContainText(/sooner than one by one/);
  const proposed = line.locator('a.row-link').first();
  const again = line.getByRole('button', { name: 'As it was proposed' });
  // Others work at this bench too: when the very place that is refused goes on, the refusal is over. Then it is done once more.
  await expect(async () => {
    const first = await proposed.innerText();
    await line.getByRole('button', { name: 'Not this one' }).click({ timeout: 2000 });
    await expect(again).toBeVisible({ timeout: 2000 });
    await expect(proposed).not.toHaveText(first, { timeout: 2000 });
    await again.click({ timeout: 2000 });
    await expect(again).toHaveCount(0, { timeout: 2000 });
  }).toPass({ timeout: 60_000 });
  await line.getByLabel('Hands').selectOption('2');
  await expect(line).toHaveAttribute('title', /All done in/);
  await line.locator('a.row-link').first().click();
  await page.waitForURL(/\/runs\//);
});

test('the plan of the day has what waits, by whom and in which order', async ({ page }) => {
  await signIn(page, 'counter', '/work');
  await page.getByRole('link', { name: 'Plan of the day' }).click();
  await page.waitForURL(/\/plan$/);
  // Who works at the bench other walks change meanwhile.
  await expect(page.getByText(/^\d+ of \d+ min$/).first()).toBeVisible();
  await expect(page.locator('ol li').first()).toContainText(/\d+ min/);
});

test('from a bottle whose gauge is low to the list of what to order, and how it is bought', async ({ page }) => {
  await signIn(page, 'technician', '/shelf/reorder');
  const list = page.getByTestId('reorder');
  const line = page.getByTestId('supply').getByRole('row', { name: /^Dry gas, ethanol/ });
  const gaugeShows = async (bar: string) => {
    await line.getByRole('link', { name: /^DG-0038/ }).click();
    const gauge = page.getByLabel('Gauge shows, bar');
    await gauge.fill(bar);
    await page.getByRole('button', { name: 'Note the pressure' }).click();
    await expect(gauge).toHaveValue('');
    await page.goto('/shelf/reorder');
  };
  await gaugeShows('65');
  await expect(list).not.toContainText('Dry gas, ethanol');
  await gaugeShows('2');
  // It is short some weeks from now: so many, by when, and what they cost together.
  await expect(line).toContainText('used up on');
  await expect(line).toContainText('short from');
  const wanted = list.getByRole('row', { name: /^Dry gas, ethanol/ });
  await expect(wanted).toContainText(/\d+ \w+ 20\d\d/);
  await line.getByRole('button', { name: 'Change' }).click();
  await line.getByLabel('Days it takes').fill('many');
  await line.getByRole('button', { name: 'Save' }).click();
  await expect(line).toContainText('Whole days, 0 to 730.');
  await line.getByLabel('Days it takes').fill('5');
  await line.getByLabel('Price each').fill('95.50');
  await line.getByRole('button', { name: 'Save' }).click();
  await expect(line).toContainText('5 d');
  await expect(wanted).toContainText('95.50');
  const csv = await (await page.request.get('/shelf/reorder/export')).text();
  expect(csv).toMatch(/"Dry gas, ethanol",\w+,[\w-]+,\d+,95\.5,/);
  // Others work at this shelf too: as it was.
  await gaugeShows('65');
});
