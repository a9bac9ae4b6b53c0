import { expect, type Page } from '@playwright/test';
import type { WaterCause } from '@/core/diagnosis/causes/probe-facts';
import { waterTest } from '@/core/diagnosis/water-tests';
import { settled, signIn, test } from '../people';
import { makeRun, manyPlaces } from '../gas/make-run';
import { standInMeter } from './meter';
import { flyWater } from './pilot';

interface Fault {
  fault: WaterCause;
  model: string;
  /** The first step after the as-found readings that show it. */
  until: RegExp;
  /** The sheet of a combined instrument. */
  sheet?: string;
  /** Just switched on. */
  onFor?: number;
}

/** One a kind of probe (an electrode: care.spec.ts): every fault is told by its figures in water-families.test.ts, here by what the screen shows. */
const FAULTS: Fault[] = [
  { fault: 'dirtyCell', model: 'SM-11', sheet: 'Conductivity', until: /set-ec1413-take$/ },
  { fault: 'notPolarised', model: 'SM-20', until: /^round#1\/plausible$/, onFor: 30 },
];
const named = (page: Page) =>
  page.locator('[data-cause]').evaluateAll((all) => all.slice(0, 2).map((one) => one.getAttribute('data-cause') as WaterCause));

test.beforeAll(manyPlaces);

for (const { fault, model, until, sheet, onFor } of FAULTS)
  test(`${fault} on ${model}: among the first two causes named, with the test that tells it from the other`, async ({ page }) => {
    const device = await standInMeter({
      model,
      serial: `X-${fault}-${Date.now() % 1e6}`,
      fault,
      ...(onFor ? { onFor, speed: 20 } : {}),
    });
    try {
      const { run } = await makeRun({ model, serial: device.serial });
      await signIn(page, 'technician', `/runs/${run}`);
      await settled(page);
      await expect(page.getByTestId('line-strip')).toContainText('Live from', { timeout: 45_000 });
      if (sheet) {
        await flyWater({ page, device, until: /^sheets/ });
        await page.getByRole('tab', { name: new RegExp(sheet) }).click();
        await expect(page.locator('.present-step')).toHaveAttribute('data-step', /sheets\/ec/);
      }
      await flyWater({ page, device, until });
      await expect(page.getByTestId('diagnosis')).toBeVisible();
      const [first, second] = await named(page);
      expect([first, second]).toContain(fault);
      // The test beside the first cause is the one that tells it from the second.
      if (second) await expect(page.locator(`[data-cause="${first}"] .next-test`)).toContainText(waterTest(first!, second).test);
    } finally {
      await device.close();
    }
  });
