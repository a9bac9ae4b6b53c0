import { expect } from '@playwright/test';
import { query, settled, signIn, test } from './people';

test('what a card and the office hold is corrected and ended where it stands: samples, a sold instrument, the scope of the workshop', async ({
  page,
}) => {
  const [meter] = await query<{ id: string }>(
    `select a.id from asset a join instrument_model m on m.id = a.model_id where m.name = 'SM-11' and a.status = 'inUse'
       and not exists (select 1 from ticket t where t.asset_id = a.id and t.status not in ('returned', 'cancelled')) limit 1`,
  );
  await signIn(page, 'signatory', `/assets/${meter!.id}`);
  await settled(page);
  const samples = page.getByTestId('samples');
  await samples.getByLabel('Samples up to pH').fill('74');
  await samples.getByRole('button', { name: 'Save' }).click();
  await expect(samples.locator('.field-problem')).toContainText('A figure from');
  await samples.getByLabel('Samples up to pH').fill('7.4');
  await samples.getByRole('button', { name: 'Save' }).click();
  await expect(samples.getByRole('status')).toContainText('Saved');

  const retire = page.getByTestId('retire');
  await retire.locator('summary').click();
  await retire.getByRole('button', { name: 'Retire it' }).click();
  await expect(retire.getByRole('alert')).toBeVisible();
  await retire.getByLabel('Why').fill('sold to a neighbour');
  await retire.getByRole('button', { name: 'Retire it' }).click();
  await expect(page.getByTestId('retire').locator('summary')).toHaveText('Take it back');
  await expect(page.getByText('sold to a neighbour').first()).toBeVisible();
  await page.getByTestId('retire').locator('summary').click();
  await page.getByTestId('retire').getByLabel('Why').fill('bought back');
  await page.getByTestId('retire').getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByTestId('retire').locator('summary')).toHaveText('Retire it');

  await page.goto('/office/budgets');
  await settled(page);
  const form = page.locator('form', { has: page.getByRole('button', { name: 'State it' }) });
  await form.getByLabel('Quantity').selectOption('carbon monoxide');
  await form.getByRole('button', { name: 'State it' }).click();
  await expect(form.locator('.field-problem').first()).toBeVisible();
  await form.getByLabel('From').fill('10');
  await form.getByLabel('To', { exact: true }).fill('200');
  await form.getByLabel('Smallest U').fill('90');
  await form.getByRole('button', { name: 'State it' }).click();
  await expect(form.getByRole('alert').filter({ hasText: 'Overlaps carbon monoxide' })).toBeVisible();
  await form.getByLabel('From').fill('3000');
  await form.getByLabel('To', { exact: true }).fill('4000');
  await form.getByRole('button', { name: 'State it' }).click();
  const line = page.getByTestId('scope-carbon monoxide').filter({ hasText: '3000 – 4000' });
  await expect(line).toContainText('90 ppm');
  await line.getByRole('button', { name: 'Correct' }).click();
  await page.getByLabel('Smallest U').fill('40');
  await page.locator('form').getByRole('button', { name: 'Correct', exact: true }).click();
  await expect(line).toContainText('40 ppm');
  await line.getByRole('button', { name: 'End' }).click();
  await page.getByLabel('Why does it end?').fill('given back');
  await page
    .locator('form', { has: page.getByLabel('Why does it end?') })
    .getByRole('button', { name: 'End' })
    .click();
  await expect(line).toHaveCount(0);
  expect(await (await page.request.get('/office/budgets/export/scope')).text()).toContain('given back');
  const told = await query<{ from: string; to: string }>(
    "select detail->>'from' as from, detail->>'to' as to from audit where detail->>'from' like 'carbon monoxide, 3000 to 4000 ppm: U from 90%'",
  );
  expect(told[0]).toMatchObject({ from: expect.stringContaining('U from 90 ppm'), to: expect.stringContaining('U from 40 ppm') });
});

test('what came in contaminated waits on the bench until its declaration is there, and then begins', async ({ page }) => {
  const [waiting] = await query<{ id: string; place: number }>(
    "select id, place from ticket where status = 'onBench' and run_id is null and place is not null order by place limit 1",
  );
  await query(
    `update ticket set inspection = inspection || '{"clean": {"result": "fault", "note": "from the sewage works"}}',
       placed_at = now() - interval '1 hour' where id = $1`,
    [waiting!.id],
  );
  await signIn(page, 'technician');
  await settled(page);
  const start = page
    .locator('.place')
    .nth(waiting!.place - 1)
    .getByRole('button', { name: 'Start the run' });
  await start.click();
  await expect(page.getByRole('alert').filter({ hasText: 'declaration' })).toBeVisible();
  await page.goto(`/tickets/${waiting!.id}`);
  const form = page.locator('form.notice');
  await form.getByRole('button').click();
  await expect(form.getByRole('alert')).toBeVisible();
  await form.getByRole('textbox').fill('declaration of the sewage works, rinsed and disinfected');
  await form.getByRole('button').click();
  await expect(form).toHaveCount(0);
  await page.goto('/');
  await settled(page);
  await start.click();
  await page.waitForURL('**/runs/**');
});
