import { expect } from '@playwright/test';
import { query, settled, signIn, test } from './people';

test('a spare is put on the shelf and fitted at a ticket; a loan that is late is seen, comes back with a fault, and is lent no more until it was calibrated', async ({
  page,
}) => {
  await signIn(page, 'technician', '/shelf');
  await page.getByRole('link', { name: 'Spares and loans' }).click();
  await page.waitForURL('**/stock');
  await settled(page);
  // The demo has one past its shelf life, and one that should be back.
  await expect(page.getByTestId('spares')).toContainText('past its shelf life');
  const late = page.getByTestId('loan-line').filter({ hasText: 'should be back since' });
  await expect(late).toHaveCount(1);

  const form = page.getByTestId('spare-form');
  const spare = async (serial: string) => {
    await form.getByLabel('What it is').fill('Sensor of the walk');
    await form.getByLabel('Serial').fill(serial);
    await form.getByRole('button', { name: 'Put on the shelf' }).click();
  };
  await spare('WALK-1');
  await expect(page.getByTestId('spare').filter({ hasText: 'WALK-1' })).toHaveCount(1);
  await spare('walk-1');
  await expect(form.getByRole('alert')).toContainText('here already');

  const [ticket] = await query<{ id: string }>(`select id from ticket where status = 'inTray' order by code desc limit 1`);
  await page.goto(`/tickets/${ticket!.id}`);
  const fitted = page.getByTestId('spares-fitted');
  const options = fitted.getByRole('option', { name: /WALK-1/ });
  await fitted.getByLabel('Choose a spare').selectOption((await options.getAttribute('value'))!);
  await fitted.getByRole('button', { name: 'Fitted', exact: true }).click();
  await expect(fitted.getByRole('listitem').filter({ hasText: 'WALK-1' })).toBeVisible();
  // The one past its shelf life stands in the list, and can't be fitted.
  const [old] = await query<{ id: string }>(`select id from stock_item where shelf_until < current_date limit 1`);
  await fitted.getByLabel('Choose a spare').selectOption(old!.id);
  await fitted.getByRole('button', { name: 'Fitted', exact: true }).click();
  await expect(fitted.getByRole('alert')).toContainText('shelf life ended');

  await page.goto('/stock');
  const name = (await late.locator('.mono').first().innerText()).trim();
  await late.getByRole('link', { name: /^with / }).click();
  await page.waitForURL('**/stock/loans/*');
  await settled(page);
  await expect(page.getByTestId('loan-paper')).toContainText('Check it before each day’s use');
  await page.getByLabel('What is wrong with it').fill('stood in the rain');
  await page.getByRole('button', { name: 'It is back' }).click();
  await expect(page.getByTestId('loan-over')).toContainText('stood in the rain');
  await page.goto('/stock');
  const lend = page.getByTestId('lend');
  const choice = lend.getByRole('option', { name: new RegExp(name) });
  await lend.getByLabel('Instrument').selectOption((await choice.getAttribute('value'))!);
  await lend.getByLabel('To whom').fill('Ambrel Ship');
  await lend.getByRole('button', { name: 'Ambrel Ship Repair Yard' }).click();
  await lend.getByRole('button', { name: 'Lend it' }).click();
  await expect(lend.getByRole('alert')).toContainText('stood in the rain');
});
