import { expect, type Page } from '@playwright/test';
import { signIn, test } from './people';

/** Long tasks (over 50 ms on the page's own thread) since the last look. */
const longTasks = (page: Page) =>
  page.evaluate(() => {
    const { seen } = window as unknown as { seen: number[] };
    return seen.splice(0);
  });

test('a million draws in the background: no long task on the page, a keystroke is answered meanwhile, and it can be stopped', async ({
  page,
}) => {
  await signIn(page, 'technician', '/calculators?c=simulation');
  const result = page.getByTestId('result');
  // Only from here on: loading the page is another matter.
  await page.waitForTimeout(1500);
  await page.evaluate(() => {
    const seen: number[] = [];
    new PerformanceObserver((list) => seen.push(...list.getEntries().map((entry) => entry.duration))).observe({
      type: 'longtask',
    });
    Object.assign(window, { seen });
  });
  const tries: number[][] = [];
  // A busy machine may stop the page's thread by itself; work of the page's own would show every time.
  for (let seed = 1; seed <= 3 && !tries.some((one) => one.length === 0); seed += 1) {
    await longTasks(page);
    await page.getByRole('button', { name: /Draw/ }).click();
    await page.getByLabel('Seed').fill(`${seed}`);
    await expect(page.getByLabel('Seed')).toHaveValue(`${seed}`);
    await expect(result).toContainText('Standard uncertainty', { timeout: 30_000 });
    tries.push(await longTasks(page));
  }
  expect(tries.at(-1)).toEqual([]);
  // √(1² + 0.29² + 0.5² + 0.4² + 0.3²) = 1.2583 (JCGM 100:2008, 5.1.2).
  await expect(result).toContainText(/1\.25[789]|1\.26/);

  await page.getByLabel('Draws', { exact: true }).fill('10000000');
  await page.getByRole('button', { name: /Draw/ }).click();
  await expect(page.getByRole('progressbar')).toBeVisible();
  await page.getByRole('button', { name: /Stop/ }).click();
  await expect(page.getByText(/Stopped after \d+ draws/)).toBeVisible();
  await page.getByLabel('Draws', { exact: true }).fill('10');
  await page.getByRole('button', { name: /Draw/ }).click();
  await expect(result).toContainText('draws must be a number from 100 to 10000000');
});
