import { expect } from '@playwright/test';
import { clusterAt, startCluster, stopCluster } from '../../scripts/lib/cluster.mjs';
import { query, signIn, step, test } from './people';

test('the database gone for a moment: a clear banner, what was typed stays, and it works again by itself', async ({ page }) => {
  expect(process.env.E2E_CLUSTER, 'needs a cluster of its own to take away: run it through npm test').toBeTruthy();
  await signIn(page, 'technician');
  await page.locator('.place.taken', { hasText: 'As left: clean air' }).getByRole('link', { name: 'Go on' }).click();
  await page.waitForURL('**/runs/**');
  await step(page, 'As left: clean air');
  const run = page.url().split('/').pop()!;
  const cluster = clusterAt(process.env.E2E_CLUSTER!, { throwAway: true });
  const field = page.getByTestId('channel-co-zero').locator('.reading-input');
  // A sheet without a line looks once more as soon as its stream hears: that look is over before the database goes.
  await page.waitForTimeout(3000);
  stopCluster(cluster);
  try {
    await field.fill('1');
    await field.press('Enter');
    await expect(page.locator('.away')).toContainText('The database can’t be reached', { timeout: 45_000 });
    await expect(field).toHaveValue('1');
    const other = await page.context().newPage();
    await other.goto('/due');
    await expect(other.getByRole('alert').first()).toContainText('tried again by itself');
    await startCluster(cluster);
    await expect(page.locator('.away')).toHaveCount(0, { timeout: 30_000 });
    await expect(page.locator('.log-line', { hasText: 'CO 1 ppm, zero, as left' })).toBeVisible();
    await expect(other.getByRole('heading', { name: 'Due' })).toBeVisible({ timeout: 30_000 });
  } finally {
    await startCluster(cluster);
  }
  const [row] = await query<{ n: number }>(
    "select count(*)::int as n from run_event where run_id = $1 and type = 'readingCaptured' and step = 'left-zero'",
    [run],
  );
  expect(row!.n).toBe(1);
});
