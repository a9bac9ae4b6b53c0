import { expect } from '@playwright/test';
import { signIn, test } from './people';

test('calculators: found and worked by keys, out of range beside the field, units, and a link that carries the inputs', async ({
  page,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await signIn(page, 'technician', '/calculators');
  await expect(page.getByLabel('Find a calculator')).toBeFocused();
  await page.keyboard.type('oxygen solub');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Solubility and saturation' })).toBeVisible();
  const temperature = page.getByLabel('Temperature', { exact: true });
  await expect(temperature).toBeFocused();
  const result = page.getByTestId('result');
  // Benson and Krause 1984, as in APHA 4500-O: fresh water, 1 atm.
  await page.keyboard.press('ControlOrMeta+a');
  await page.keyboard.type('25');
  await expect(result).toContainText('8.263');
  await page.keyboard.press('ControlOrMeta+a');
  await page.keyboard.type('45');
  await expect(page.getByText('must be a number from 0 to 40, got 45 (in °C)')).toBeVisible();
  await expect(temperature).toHaveAttribute('aria-invalid', 'true');
  await temperature.fill('20,500');
  await expect(page.getByText('use a point for the decimals')).toBeVisible();
  await temperature.fill('20');
  await page.getByLabel('Unit of Air pressure').selectOption('kPa');
  await page.getByLabel('Air pressure', { exact: true }).fill('91.1925');
  await expect(result).toContainText('8.162');
  await page.keyboard.press('Escape');
  await page.keyboard.press('c');
  await expect(page.getByRole('status').filter({ hasText: 'result copied' })).toBeVisible();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toContain('Saturated water holds: 8.162 mg/L');
  await page.keyboard.press('l');
  await expect(page.getByRole('status').filter({ hasText: 'link copied' })).toBeVisible();
  const link = await page.evaluate(() => navigator.clipboard.readText());
  expect(link).toBe(page.url());
  const other = await context.newPage();
  await other.goto(link);
  await expect(other.getByTestId('result')).toContainText('8.162');
  await expect(other.getByLabel('Unit of Air pressure')).toHaveValue('kPa');
});
