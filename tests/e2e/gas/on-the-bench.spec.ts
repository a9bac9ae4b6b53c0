import { expect, type Page } from '@playwright/test';
import { query, settled, sign, signIn, step, test } from '../people';
import { makeRun, manyPlaces } from './make-run';
import { fly } from './pilot';
import { standIn } from './stand-in';

const FOUR = { O2: 18, CH4: 2.5, H2S: 25, CO: 100 };
const causes = (page: Page) =>
  page.locator('[data-cause]').evaluateAll((all) => all.slice(0, 2).map((one) => one.getAttribute('data-cause')));
const serialOf = (name: string) => `${name}-${Date.now() % 1e7}`;

test.beforeAll(manyPlaces);

test('the hand at a simulated instrument: valve, inlet and keys on the panel; what it does is seen on the sheet', async ({
  page,
}) => {
  const device = await standIn({ model: 'VT-47', serial: serialOf('PANEL'), speed: 20 });
  try {
    const { run } = await makeRun({ model: 'VT-47', serial: device.serial });
    await signIn(page, 'technician', `/runs/${run}`);
    await settled(page);
    await expect(page.getByTestId('line-strip')).toContainText('pump on', { timeout: 45_000 });
    await page.getByTestId('stand-in').locator('summary').click();
    await page.getByRole('button', { name: 'Hold the inlet shut' }).click();
    await expect(page.getByTestId('line-strip')).toContainText('PUMP BLOCKED');
    await page.getByRole('button', { name: 'Let the inlet go' }).click();
    await expect(page.getByTestId('line-strip')).not.toContainText('PUMP BLOCKED');
    await page.getByRole('button', { name: 'PUMP' }).click();
    await expect(page.getByTestId('line-strip')).toContainText('pump off');
    await page.getByRole('button', { name: 'SAVE' }).click();
    await expect(page.getByTestId('stand-in')).toContainText('refused: there is nothing to save');
  } finally {
    await device.close();
  }
});

test('an instrument that comes on between the making of the page and the opening of its stream is seen all the same', async ({
  page,
}) => {
  const serial = serialOf('LATE');
  const { run } = await makeRun({ model: 'VT-47', serial });
  await signIn(page, 'technician', '/calculators');
  let open = () => undefined as void;
  const opened = new Promise<void>((resolve) => (open = resolve));
  await page.route('**/api/stream**', async (request) => {
    await opened;
    await request.continue();
  });
  await page.goto(`/runs/${run}`);
  await expect(page.getByTestId('line-strip')).toContainText('No cable');
  const device = await standIn({ model: 'VT-47', serial, speed: 20 });
  try {
    await expect
      .poll(() => query('select 1 from device_line where id = $1 and serial = $2', [device.lineId, serial]), { timeout: 45_000 })
      .toHaveLength(1);
    open();
    await expect(page.getByTestId('line-strip')).toContainText('Live from', { timeout: 45_000 });
  } finally {
    open();
    await device.close();
  }
});

test('a poisoned sensor: two tries, the cause first, a decision; the tag, and the notice that the signatory releases', async ({
  page,
  browser,
}) => {
  const device = await standIn({ model: 'VT-47', serial: serialOf('POISON'), scenario: 'poisonedCombustible' });
  try {
    const { run, assetId } = await makeRun({ model: 'VT-47', serial: device.serial });
    await signIn(page, 'technician', `/runs/${run}`);
    await settled(page);
    await fly({ page, device, lots: { gas: 'FG-1402' }, mixture: FOUR, until: /decide/ });
    await expect(page.getByTestId('diagnosis')).toContainText('Combustible');
    expect(await causes(page)).toContain('poisonedSensor');
    await expect(page.locator('[data-cause="poisonedSensor"]')).toContainText(
      'methane bottle that just served another instrument',
    );
    await fly({ page, device, lots: { gas: 'FG-1402' }, mixture: FOUR, decide: 'Out of service, with a tag' });
    await page.getByRole('button', { name: /Finish and hand/ }).click();
    await step(page, 'Finished');
    await page.goto(`/assets/${assetId}/tag`);
    await expect(page.locator('.service-tag')).toContainText('Combustible failed two tries');
    const office = await (await browser.newContext()).newPage();
    await signIn(office, 'signatory', `/approve/${run}`);
    const notice = office.getByTestId('customer-notice');
    await expect(notice.getByRole('textbox')).toHaveValue(/Combustible, gas: showed \d+ %LEL instead of 50\.0 %LEL/);
    await sign(office);
    await office.waitForURL('**/certificates/**');
    expect(
      await query('select state from mail m join customer_notice n on n.mail_id = m.id where n.run_id = $1', [run]),
    ).toHaveLength(1);
    expect(await query<{ status: string }>('select status from asset where id = $1', [assetId])).toMatchObject([
      { status: 'outOfService' },
    ]);
  } finally {
    await device.close();
  }
});

test('a missed save: the instrument says so, the round begins anew', async ({ page }) => {
  const device = await standIn({ model: 'OF-120', serial: serialOf('SAVE'), scenario: 'missedSave' });
  try {
    const { run } = await makeRun({ model: 'OF-120', serial: device.serial });
    await signIn(page, 'technician', `/runs/${run}`);
    await settled(page);
    await fly({ page, device, lots: { gas: 'CM-0440' }, mixture: { O2: 20.9, CO: 100 }, until: /save/ });
    await expect(page.getByTestId('instrument-says')).toContainText('NOT SAVED', { timeout: 45_000 });
    await page.getByRole('button', { name: 'It was lost' }).click();
    expect(await causes(page)).toContain('missedSave');
    // It was saved with the gas still open: that is closed first.
    await page.getByRole('button', { name: /Gas is off/ }).click();
    await step(page, 'Let it clear');
  } finally {
    await device.close();
  }
});

test('two screens on one instrument: one captures, the other watches until it takes over', async ({ page, browser }) => {
  const device = await standIn({ model: 'OF-410', serial: serialOf('TWO') });
  try {
    const { run } = await makeRun({ model: 'OF-410', serial: device.serial });
    await signIn(page, 'technician', `/runs/${run}`);
    await settled(page);
    await fly({ page, device, lots: { gas: 'FG-1402' }, mixture: FOUR, until: /found-zero/ });
    const other = await (await browser.newContext()).newPage();
    await signIn(other, 'signatory', `/runs/${run}`);
    await settled(other);
    // A screen that this machine gave no processor for twenty seconds has lost the hand: it takes it back, as a person would.
    const back = page.getByRole('button', { name: 'Take over' });
    await expect
      .poll(
        async () => {
          if (await back.isVisible()) await back.click({ timeout: 1000 }).catch(() => undefined);
          return other.getByTestId('line-strip').innerText();
        },
        { timeout: 45_000 },
      )
      .toContain('watching: Tam Verrick captures');
    await expect(other.getByRole('button', { name: /Capture what has settled/ })).toBeDisabled();
    await other.getByRole('button', { name: 'Take over' }).click();
    await expect(other.getByTestId('line-strip')).not.toContainText('watching');
    await expect(page.getByTestId('line-strip')).toContainText('watching: Henrike Solde', { timeout: 45_000 });
    await expect(other.getByText('4 of 4 settled')).toBeVisible({ timeout: 45_000 });
    await other.locator('body').press('c');
    await step(page, 'Gas on');
    await other.context().close();
  } finally {
    await device.close();
  }
});

test('a bump of its own: watched, a dead buzzer fails it, and the ticket goes on with its calibration', async ({ page }) => {
  const device = await standIn({ model: 'OF-410', serial: serialOf('BUMP'), scenario: 'deadBuzzer' });
  try {
    const { run, ticketId, assetId } = await makeRun({
      model: 'OF-410',
      serial: device.serial,
      service: 'bumpThenCalibrate',
    });
    await signIn(page, 'technician', `/runs/${run}`);
    await settled(page);
    // What it shows before gas is what its movement is told from.
    await expect(page.getByTestId('line-strip')).toContainText('Live from', { timeout: 45_000 });
    await fly({ page, device, lots: { gas: 'FG-1402' }, mixture: FOUR, until: /watched/ });
    await expect(page.getByTestId('bump-o2')).toContainText('moved, right way', { timeout: 45_000 });
    await expect(page.getByTestId('bump-co')).toContainText('moved, right way', { timeout: 45_000 });
    await expect(page.getByTestId('bump-h2s')).toContainText('moved, right way', { timeout: 45_000 });
    await expect(page.getByTestId('bump-ex')).toContainText('moved, right way', { timeout: 45_000 });
    await page.getByRole('group', { name: 'sound witnessed' }).getByRole('button', { name: 'No' }).click();
    for (const output of ['light', 'vibration'])
      await page
        .getByRole('group', { name: `${output} witnessed` })
        .getByRole('button', { name: 'Yes' })
        .click();
    await page.getByRole('button', { name: 'Record the bump' }).click();
    await step(page, 'Gas off');
    await expect(page.getByTestId('diagnosis')).toContainText('No sound.');
    expect(await causes(page)).toContain('deadOutput');
    await fly({ page, device, lots: {}, mixture: FOUR, decide: 'Calibrate it now' });
    await page.getByRole('button', { name: /Finish and hand/ }).click();
    await expect
      .poll(
        async () =>
          (
            await query<{ service: string; run_id: string | null }>('select service, run_id from ticket where id = $1', [
              ticketId,
            ])
          )[0],
      )
      .toMatchObject({ service: 'calibrate', run_id: null });
    await page.goto(`/assets/${assetId}`);
    await expect(page.getByTestId('bump-state')).toContainText('bump failed');
  } finally {
    await device.close();
  }
});

test('the line breaks and comes back: it is said, typing goes on, live readings return', async ({ page }) => {
  const device = await standIn({ model: 'OF-120', serial: serialOf('BREAK') });
  const { run } = await makeRun({ model: 'OF-120', serial: device.serial });
  await signIn(page, 'technician', `/runs/${run}`);
  await settled(page);
  await fly({ page, device, lots: { gas: 'CM-0440' }, mixture: { O2: 20.9, CO: 100 }, until: /found-zero/ });
  await device.close();
  await expect(page.getByTestId('line-strip')).toContainText(/No cable|away|silent/, { timeout: 45_000 });
  const row = page.getByTestId(/^channel-co-/);
  await row.locator('.reading-input').fill('0');
  await row.locator('.reading-input').press('Enter');
  await step(page, 'Gas on');
  const again = await standIn({ model: 'OF-120', serial: device.serial });
  try {
    await page.reload();
    await expect(page.getByTestId('line-strip')).toContainText('Live from', { timeout: 45_000 });
  } finally {
    await again.close();
  }
});

test('a tag held to the reader fills the sheet of a new bottle; broken rows of a station’s log are listed, the good ones taken', async ({
  page,
}) => {
  const { serveBenchDevice } = await import('@/standins/bench-device/bench-device');
  const lot = serialOf('LOT');
  const reader = await serveBenchDevice('tagReader', {
    serial: serialOf('TR'),
    tags: [
      {
        name: 'Four-gas mix',
        lot,
        expires: '2028-04',
        waterVolumeL: '0.5',
        pressureBar: '69',
        components: [{ substance: 'CO', value: '100', unit: 'ppm', expanded: '2', k: 2 }],
      },
    ],
  });
  const [line] = await query<{ id: string }>(
    `insert into device_line (kind, name, host, port, panel_port) values ('tagReader', 'Reader', '127.0.0.1', $1, $2) returning id`,
    [reader.port, reader.panelPort],
  );
  try {
    await expect
      .poll(async () => (await query<{ state: string }>('select state from device_line where id = $1', [line!.id]))[0]!.state, {
        timeout: 45_000,
      })
      .toBe('connected');
    await query(`update device_line set state = 'away' where kind = 'tagReader' and id <> $1`, [line!.id]);
    await signIn(page, 'technician', '/shelf');
    await page.getByRole('button', { name: 'Scan a tag' }).click();
    await page.getByLabel('Lot of the tag').fill(lot);
    await page.waitForTimeout(800);
    await page.getByRole('button', { name: 'Hold it' }).click();
    await expect(page.getByText(`Read off the tag of lot ${lot}`)).toBeVisible();
    await page.getByLabel('Price').fill('95');
    await page.getByRole('button', { name: 'Put it on the shelf' }).click();
    await page.waitForURL('**/shelf/*-*');
    await expect(page.locator('main')).toContainText('30 Apr 2028');
    await expect(page.locator('main')).toContainText('34.0 L');
    await page.getByLabel('Gauge shows, bar').fill('seven');
    await page.getByRole('button', { name: 'Note the pressure' }).click();
    await expect(page.getByText('A pressure in bar, 0 to 400.')).toBeVisible();
    await page.getByLabel('Gauge shows, bar').fill('35');
    await page.getByRole('button', { name: 'Note the pressure' }).click();
    await expect(page.locator('main')).toContainText('17.3 L');
  } finally {
    await query('delete from device_line where id = $1', [line!.id]);
    await reader.close();
  }
  const at = new Date(Date.now() - Math.floor(Math.random() * 1e7)).toISOString();
  const row = (serial: string, passed: boolean) =>
    JSON.stringify({
      station: 'Dock 9',
      at,
      maker: 'Vantling',
      model: 'VT-60',
      serial,
      kind: 'bump',
      passed,
      gas: { lot: 'FG-1402' },
      outputs: {},
      channels: [{ measurand: 'oxygen', unit: '%vol', target: '18', moved: passed }],
    });
  await page.goto('/station');
  await page.getByLabel('Or paste its lines').fill([row('VD-1001', true), 'broken', row('VD-9999', true)].join('\n'));
  await page.getByRole('button', { name: 'Look at it' }).click();
  await expect(page.getByTestId('dry-run')).toContainText('3 rows: 1 good');
  await expect(page.getByTestId('row-2')).toContainText('no JSON');
  await expect(page.getByTestId('row-3')).toContainText('unknown instrument');
  await page.getByRole('button', { name: 'Take the good row' }).click();
  await expect(page.getByRole('status')).toContainText('1 rows taken, 2 left');
});
