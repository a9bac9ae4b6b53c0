import { expect } from '@playwright/test';
import { waterTest } from '@/core/diagnosis/water-tests';
import type { WaterCause } from '@/core/diagnosis/causes/probe-facts';
import { query, settled, signIn, test } from '../people';
import { makeRun, manyPlaces } from '../gas/make-run';
import { standInMeter } from './meter';
import { flyWater } from './pilot';

test.beforeAll(manyPlaces);

test('a poor electrode is cleaned and calibrated once more: as found stands, the slope is the one after the care, a new series begins', async ({
  page,
}) => {
  const device = await standInMeter({ model: 'PG-22', serial: `CARE-${Date.now() % 1e7}`, fault: 'greasyElectrode' });
  try {
    const { run, assetId } = await makeRun({ model: 'PG-22', serial: device.serial });
    await signIn(page, 'technician', `/runs/${run}`);
    await settled(page);
    await expect(page.getByTestId('line-strip')).toContainText('Live from', { timeout: 45_000 });
    await flyWater({ page, device, until: /^round#1\/set-seven-take$/ });
    const causes = page.locator('[data-cause]');
    await expect(causes.first()).toHaveAttribute('data-cause', 'coatedElectrode');
    // The test beside the first cause is the one that tells it from the second.
    const second = (await causes.nth(1).getAttribute('data-cause')) as WaterCause;
    await expect(causes.first().locator('.next-test')).toContainText(waterTest('coatedElectrode', second).test);
    await flyWater({ page, device, until: /^round#1\/decision$/ });
    const present = page.locator('.present-step');
    await expect(present).toContainText('Refused, or a poor probe: what now?');
    await expect(page.getByTestId('probe-so-far')).toContainText(/slope 4 to 7\s*(8[89]|9[012])\.\d %/);
    for (const way of ['Fresh buffer, and once more', 'Clean and soak it, and once more', 'Overnight in 3 M KCl, and once more'])
      await expect(present.getByRole('button', { name: way })).toBeVisible();
    await flyWater({ page, device, decide: 'Clean and soak it, and once more' });
    await page.getByRole('button', { name: /Finish and hand/ }).click();
    await expect(page.locator('.present-step h2')).toContainText('Finished');
    const [kept] = await query<{ care: string[]; slope: number; asleft: string }>(
      `select k.care, k.slope_percent as slope, k.as_left as asleft from probe_calibration k where k.run_id = $1`,
      [run],
    );
    expect(kept!.care).toEqual(['Cleaned in neutral detergent', 'Soaked in storage solution']);
    expect(Number(kept!.slope)).toBeCloseTo(98.5, 0);
    expect(kept!.asleft).toBe('within');
    await page.goto(`/assets/${assetId}/probe`);
    await expect(page.locator('.probe-sheet').first()).toContainText('Cleaned in neutral detergent');
  } finally {
    await device.close();
  }
});

test('the office chooses how a thing is done with a model: the run sheet says it with its reason', async ({ page, browser }) => {
  const office = await (await browser.newContext()).newPage();
  await signIn(office, 'admin', '/office/methods');
  await settled(office);
  const rinsing = office.getByLabel(/^Rinsing, .* PG-22$/);
  try {
    await rinsing.selectOption({ label: 'tap water' });
    await expect(office.getByText('Saved; it holds for runs begun from now on.')).toBeVisible();
    await expect(rinsing).toHaveValue('tap');
    const { run } = await makeRun({ model: 'PG-22', serial: `WAY-${Date.now() % 1e7}` });
    await signIn(page, 'technician', `/runs/${run}`);
    await expect(page.getByText('After the field: washes salts off without starving the glass.')).toBeVisible();
  } finally {
    await rinsing.selectOption({ label: 'distilled water' });
    await expect(rinsing).toHaveValue('distilled');
    await office.context().close();
  }
});
