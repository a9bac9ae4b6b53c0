import { expect, type Page } from '@playwright/test';
import { query, settled, signIn, step, test } from '../people';
import { makeRun, manyPlaces } from '../gas/make-run';

test.beforeAll(manyPlaces);

const main = (page: Page) => page.locator('[data-main-action]').click();
const use = (page: Page, lot: string) =>
  page.getByTestId(`reference-${lot}`).getByRole('button', { name: 'Use this one' }).click();
/** Types a reading with what stands beside it, and takes it. */
async function take(page: Page, row: string, beside: Record<string, string>, text: string): Promise<void> {
  const line = page.getByTestId(`channel-${row}`);
  for (const [label, value] of Object.entries(beside)) await line.getByLabel(label).fill(value);
  await line.locator('.reading-input').fill(text);
  const title = page.locator('.present-step h2');
  const before = await title.innerText();
  await line.getByRole('button', { name: 'Take' }).click();
  // Typed sooner than a liquid lets anything stand still: the reason is one key.
  const why = line.getByLabel(/^Why .* counts$/);
  const said = async () =>
    (await why.isVisible()) || (await line.locator('.field-problem').count()) > 0 || (await title.innerText()) !== before;
  await expect.poll(said, { timeout: 15_000 }).toBe(true);
  if (await why.isVisible()) await why.press('1');
}

test('without a cable: all is typed; what contradicts bottle, table or sign is said beside the place; a strip is an interval', async ({
  page,
}) => {
  const { run } = await makeRun({ model: 'PG-22', serial: `TYPED-${Date.now() % 1e7}` });
  await signIn(page, 'technician', `/runs/${run}`);
  await settled(page);
  page.setDefaultTimeout(15_000);
  await page.getByLabel('Temperature, °C').fill('22.0');
  await page.getByLabel('Air pressure, hPa').fill('1008');
  await page.getByLabel('Relative humidity, %').fill('45');
  await main(page);
  await use(page, 'SM-T-0112');
  await take(page, 'temperature-temperature', { 'reference shows of Temperature': '22.0' }, '23.3');
  await step(page, 'Look at the electrode');
  // 1.3 °C off: within 2 °C, and a caution.
  await expect(page.getByTestId('channel-temperature-temperature')).toContainText('+1.3');
  for (const [name, answer] of [
    [/Glass intact/, 'Pass'],
    [/Plug dry/, 'Pass'],
    [/came dry/, 'No'],
  ] as const)
    await page.getByRole('group', { name }).getByRole('button', { name: answer }).click();
  await main(page);
  await step(page, 'Scan buffer 7.00');
  await expect(page.getByTestId('reference-PB-401-N1')).toContainText('next in order is buffer 7.00');
  await use(page, 'PB-700-N1');
  await step(page, 'Scan buffer 4.01');
  await expect(page.getByTestId('reference-PB-401-X')).toContainText('Past its life it is never used');
  await use(page, 'PB-401-N1');

  // With what it keeps, each buffer is dipped into once.
  await step(page, 'What the meter keeps of the electrode');
  await page.getByLabel(/^Slope that it keeps now/).fill('99.0');
  await page.getByLabel(/^Zero point that it keeps now/).fill('-3.5');
  await main(page);
  await step(page, 'Dip into Buffer 7.00');
  await main(page);
  await step(page, 'As found: Buffer 7.00');
  await take(page, 'ph-seven', { '°C of pH': '55' }, '7.05');
  await expect(page.getByTestId('channel-ph-seven')).toContainText('outside the table of technical-7.00');
  await take(page, 'ph-seven', { '°C of pH': '22.0' }, '7.05');
  await step(page, 'Calibrate: Buffer 7.00');
  await take(page, 'ph-seven', { 'mV of pH': '174', '°C of pH': '22.0' }, '7.05');
  await expect(page.getByTestId('channel-ph-seven')).toContainText(
    '174 mV is the voltage of technical-4.01, the bottle says technical-7.00',
  );
  await take(page, 'ph-seven', { 'mV of pH': '-3.0' }, '7.05');
  await step(page, 'Set it to Buffer 7.00');
  await expect(page.locator('.present-step')).toContainText('7.012 pH');
  await main(page);
  await step(page, 'Lift out');
  await main(page);
  await step(page, 'Dip into Buffer 4.01');
  await main(page);
  // Set already: as found is worked out. 7 + (-3.5 - 171.2) / (0.99 × 58.57 mV at 22 °C) = 3.99 (Nernst equation, by hand).
  await step(page, 'As found: Buffer 4.01');
  await take(page, 'ph-four', { '°C of pH': '22.0' }, '4.05');
  await expect(page.getByTestId('channel-ph-four')).toContainText('both are needed');
  await take(page, 'ph-four', { 'mV of pH': '171.2' }, '4.05');
  await expect(page.locator('.log-line', { hasText: 'pH 3.99' })).toBeVisible();
  await step(page, 'Calibrate: Buffer 4.01');
  await take(page, 'ph-four', { 'mV of pH': '-171.2', '°C of pH': '22.0' }, '4.05');
  await expect(page.getByTestId('channel-ph-four')).toContainText('wrong sign for pH 4.00: acid reads positive');
  // Nothing typed was lost: only the sign is put right.
  await take(page, 'ph-four', { 'mV of pH': '171.2' }, '4.05');
  await step(page, 'Set it to Buffer 4.01');
  await expect(page.getByTestId('probe-so-far')).toContainText(/slope 4 to 7\s*98\.\d %/);
  await main(page);
  await step(page, 'As left: Buffer 4.01');
  await take(page, 'ph-four', { '°C of pH': '22.0' }, '4.01');
  await step(page, 'Lift out');
  await main(page);
  await step(page, 'Read back from the meter');
  await page.getByLabel('Slope, %').fill('98.0');
  await main(page);
  await step(page, 'Dip into Buffer 7.00');
  await main(page);
  await take(page, 'ph-seven', { '°C of pH': '22.0' }, '7.02');
  await step(page, 'Lift out');
  await main(page);
  await step(page, 'Cross-check with an indicator strip?');
  await page
    .getByRole('group', { name: /strip is at hand/ })
    .getByRole('button', { name: 'Yes' })
    .click();
  await main(page);
  await step(page, 'the meter beside a strip');
  await take(page, 'ph-strip', { 'from of pH': '7.5', 'to of pH': '7.0' }, '7.02');
  await expect(page.getByTestId('channel-ph-strip')).toContainText('a colour between two fields is an interval', {
    ignoreCase: true,
  });
  await take(page, 'ph-strip', { 'from of pH': '6.5', 'to of pH': '7.5' }, '7.02');
  await page
    .getByRole('group', { name: /storage solution/i })
    .getByRole('button', { name: 'Yes' })
    .click();
  await main(page);
  await page.getByRole('button', { name: /Finish and hand/ }).click();
  await step(page, 'Finished');
  const [row] = await query<{ as_left: string; slope_percent: number }>(
    'select s.as_left, k.slope_percent from run_summary s join probe_calibration k on k.run_id = s.run_id where s.run_id = $1',
    [run],
  );
  expect(row!.as_left).toBe('within');
  // (171.2 + 3.0) mV over 3.012 pH at 22 °C, Nernst 58.564 mV: 98.8 %.
  expect(row!.slope_percent).toBeCloseTo(98.8, 0);
});

test('a buffer with its own table, pasted; a broken table is said beside it; the value at a temperature names what it comes from', async ({
  page,
}) => {
  const lot = `OWN-${Date.now() % 1e7}`;
  await signIn(page, 'technician', '/shelf');
  await page.getByRole('button', { name: 'Put something on the shelf' }).click();
  await page.getByLabel('Kind', { exact: true }).selectOption('buffer');
  await page.getByLabel('Name').fill('Buffer 7.00');
  await page.getByLabel('Lot').fill(lot);
  await page.getByLabel('Good until (2027-06)').fill('2099-06');
  await page.getByLabel('Days good after opening').fill('184');
  await page.getByLabel('Volume, mL').fill('500');
  await page.getByLabel('One dose, mL').fill('30');
  await page.getByLabel('Substance').selectOption('technical-7.00');
  await page.getByLabel('Value', { exact: true }).fill('7.00');
  await page.getByLabel('± U (k = 2)').fill('0.02');
  await page.getByLabel('Its own table').fill('°C;pH\n20;7,01\n18;6,99');
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  await expect(page.getByText('Line 3: temperatures have to rise')).toBeVisible();
  await page.getByLabel('Its own table').fill('°C;pH\n20;7,01\n24;6,99');
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  await page.waitForURL('**/shelf/*-*');
  const at = page.getByTestId('value-at-technical-7.00');
  await at.getByLabel(/at, °C/).fill('22');
  await expect(at).toContainText('7.000');
  await expect(at).toContainText('from the lot’s own table');
  await at.getByLabel(/at, °C/).fill('30');
  await expect(at).toContainText('outside the table');
  await page.getByRole('button', { name: 'Opened today' }).click();
  await expect(page.locator('body')).toContainText('good until');
});

test('a ready probe goes into a meter and comes back; one that is not ready is refused beside the field', async ({ page }) => {
  const [ready] = await query<{ serial: string; id: string }>(
    `select a.serial, a.id from asset a join asset h on h.customer_id = a.customer_id join instrument_model m on m.id = h.model_id and m.name = 'PG-31'
     where a.part = 'probe' and a.ready_until >= current_date and a.status = 'inUse' and not exists (select from probe_place p where p.probe_id = a.id and p.until_at is null) limit 1`,
  );
  await signIn(page, 'technician', '/probes');
  const row = page.getByTestId(`probe-${ready!.serial}`);
  await expect(page.getByRole('region', { name: 'Ready on the shelf' })).toContainText(ready!.serial);
  await row.getByRole('button', { name: 'Put into a meter' }).click();
  await page.getByLabel('Place').fill('pond 3, inlet');
  await page.getByRole('button', { name: 'Record the exchange' }).click();
  await expect(page.getByRole('region', { name: 'Out in a meter' })).toContainText('pond 3, inlet');
  await page.getByRole('link', { name: new RegExp(ready!.serial) }).click();
  await expect(page.getByRole('heading', { name: 'Where it was' })).toBeVisible();
  await page.goto('/probes');
  await row.getByRole('button', { name: 'Move or take out' }).click();
  await page.getByLabel('Meter', { exact: true }).selectOption({ label: 'none: back to the workshop' });
  await page.getByRole('button', { name: 'Record the exchange' }).click();
  await expect(page.getByRole('region', { name: 'Ready on the shelf' })).toContainText(ready!.serial);
  await query('update asset set ready_until = current_date - 1 where id = $1', [ready!.id]);
  await page.reload();
  await row.getByRole('button', { name: 'Put into a meter' }).click();
  await page.getByRole('button', { name: 'Record the exchange' }).click();
  await expect(page.locator('p.field-problem')).toContainText('calibrate it again before it goes out');
});
