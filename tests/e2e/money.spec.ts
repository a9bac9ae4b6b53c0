import { expect } from '@playwright/test';
import { query, signIn, test } from './people';

/** Repair if needed: found, offered, agreed by telephone, and only then begun; the slip and the list say so. */
test('an offer waits for the customer’s word and stops the run; accepted, it is on the bill and on the delivery note', async ({
  page,
  browser,
}) => {
  const [waiting] = await query<{ id: string; number: string; code: string; total: string }>(
    'select t.id, o.number, t.code, o.total from offer o join ticket t on t.id = o.ticket_id where o.answer is null order by o.number limit 1',
  );
  await signIn(page, 'technician', '/work');
  const line = page.getByTestId('work-line').filter({ hasText: waiting!.code });
  await expect(line).toContainText(`waits for the customer’s word (${waiting!.number})`);
  await line.getByRole('link', { name: waiting!.code }).click();
  const money = page.getByTestId('money');
  await expect(money).toContainText('No run is begun on this ticket until it is here');
  await money.getByRole('button', { name: 'They accept' }).click();
  await expect(money.getByText('Say who said so.')).toBeVisible();
  await money.getByLabel('Who said so').fill('Mrs Weir, site office');
  await money.getByRole('button', { name: 'They accept' }).click();
  await expect(money.getByTestId('offer')).toContainText('accepted by Mrs Weir, site office (by telephone)');
  await expect(money).toContainText(`${waiting!.total} EUR`);
  await money.getByText('Add a position').click();
  const form = money.getByTestId('position-form');
  await form.getByLabel('From the prices 1').selectOption({ label: 'Calibration, one instrument · 85.00' });
  await form.getByLabel(/^Each/).fill('eighty');
  await form.getByRole('button', { name: 'Note the position' }).click();
  await expect(form.getByText('An amount with at most two places')).toBeVisible();
  await form.getByLabel(/^Each/).fill('80.00');
  await form.getByRole('button', { name: 'Note the position' }).click();
  const total = (Number(waiting!.total) + 80).toFixed(2);
  await expect(money).toContainText(`${total} EUR`);
  await money.getByRole('link', { name: 'Delivery note' }).click();
  await expect(page.getByTestId('delivery-note')).toContainText(total);
  const office = await (await browser.newContext()).newPage();
  await signIn(office, 'admin', '/office/prices');
  const prices = office.getByTestId('prices');
  await prices.getByLabel('Another price').selectOption('part');
  await prices.getByLabel('Name').fill('Filter set');
  await prices.getByLabel('Part number').fill('F-12');
  await prices.getByLabel(/^Amount/).fill('11.00');
  await prices.getByRole('button', { name: 'Save the price' }).click();
  await expect(prices.getByText('This has its price already')).toBeVisible();
  await office.context().close();
});
