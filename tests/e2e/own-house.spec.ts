import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from '@playwright/test';
import { query, settled, signIn, test } from './people';

/** What a real workshop does in its first week: a model nobody shipped, a customer taken down by telephone, a serial misread, an instrument sold. */
test('a model of one’s own is made and received; customer, serial and owner are put right', async ({ page, browser }) => {
  const tail = String(Date.now() % 1e6);
  const [model, serial, name] = [`OF-41X ${tail}`, `OWN-${tail}`, `Lantern Quay Boats ${tail}`];

  await test.step('a model like another: what does not fit is said at its row, then it is there', async () => {
    await signIn(page, 'technician', '/models');
    await page.getByLabel('Maker, name or kind').fill('OF-410');
    await expect(page.getByRole('link', { name: 'Brisenal BN-A' })).toBeHidden();
    await page.getByRole('link', { name: 'Ordfell OF-410' }).click();
    await page.getByRole('button', { name: 'Make one like this' }).click();
    await page.getByLabel('Model', { exact: true }).fill(model);
    await page.getByLabel('CO: Tolerance ±').fill('0.2');
    await page.getByRole('button', { name: 'Make model' }).click();
    await expect(page.getByText('a smaller tolerance can’t be judged', { exact: false })).toBeVisible();
    await page.getByLabel('CO: Tolerance ±').fill('4');
    await page.getByRole('button', { name: 'Make model' }).click();
    await expect(page.getByRole('heading', { level: 1 })).toContainText(model);
    await expect(page.getByTestId('model')).toContainText('± 4 ppm');
  });

  await test.step('a customer: one that is much alike is shown before a second one is made', async () => {
    await page.goto('/customers');
    await page.getByRole('button', { name: 'New customer' }).click();
    const form = page.getByTestId('customer-form');
    await form.getByLabel('Name').fill('Grauwinkl Brewry');
    await expect(page.getByTestId('alike').getByRole('link', { name: 'Grauwinkel Brewery' })).toBeVisible();
    await form.getByLabel('Name').fill(name);
    await form.getByLabel('Mail', { exact: true }).fill('nowhere');
    await page.getByRole('button', { name: 'Make customer' }).click();
    await expect(page.getByText('This is no mail address.')).toBeVisible();
    await form.getByLabel('Mail', { exact: true }).fill('crew@lantern.example');
    await page.getByRole('button', { name: 'Make customer' }).click();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(name);
  });

  await test.step('two people at one customer: the second sees the first one’s words, and nothing typed is lost', async () => {
    const other = await (await browser.newContext()).newPage();
    await signIn(other, 'counter', new URL(page.url()).pathname);
    await other.getByTestId('customer').getByRole('button', { name: 'Correct' }).click();
    await page.getByTestId('customer').getByRole('button', { name: 'Correct' }).click();
    await other.getByLabel('Telephone').fill('0551 22');
    await other.getByRole('button', { name: 'Save' }).click();
    await expect(other.getByTestId('customer')).toContainText('0551 22');
    await page.getByLabel('Address').fill('Lantern Quay 3');
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByText('Now on record: 0551 22')).toBeVisible();
    await expect(page.getByLabel('Address')).toHaveValue('Lantern Quay 3');
    await page.getByLabel('Telephone').fill('0551 22');
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByTestId('customer-history')).toContainText('Lantern Quay 3');
    await other.context().close();
  });

  await test.step('the instrument is received as the own model; its serial was misread and is put right', async () => {
    await page.goto('/receive');
    await page.getByLabel('Customer', { exact: true }).fill(name.slice(0, 12));
    await page.getByRole('button', { name, exact: true }).click();
    await page.getByLabel('Instrument', { exact: true }).fill(serial);
    await page.getByRole('button', { name: `Make a new instrument with serial ${serial}` }).click();
    await page.getByLabel('Maker and model').selectOption({ label: `Ordfell ${model}, Four-gas leak monitor` });
    await page.getByRole('button', { name: 'Make instrument' }).click();
    await page.getByRole('button', { name: /Receive 1 instrument/ }).click();
    await expect(page.locator('li .mono')).toBeVisible();
    const [asset] = await query<{ id: string }>('select id from asset where serial = $1', [serial]);
    await page.goto(`/assets/${asset!.id}`);
    const correct = page.getByTestId('correct-asset');
    await correct.locator('summary').click();
    await correct.getByLabel('Serial').fill(`${serial}-B`);
    await correct.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByText('Say in a few words why.')).toBeVisible();
    await correct.getByLabel('Why?').fill('misread');
    await correct.getByRole('button', { name: 'Save' }).click();
    await expect(page.locator('.page-head')).toContainText(`${serial}-B`);
  });

  await test.step('it goes back uncalibrated with its paper, and was sold: the new owner has it', async () => {
    const [ticket] = await query<{ id: string; asset: string }>(
      "select t.id, t.asset_id as asset from ticket t join asset a on a.id = t.asset_id where a.serial = $1 and t.status <> 'returned'",
      [`${serial}-B`],
    );
    await page.goto(`/tickets/${ticket!.id}`);
    const back = page.getByTestId('handBack-ticket');
    await back.locator('summary').click();
    await back.getByLabel('Why?').fill('no spare part to be had');
    await back.getByRole('button', { name: 'Hand back uncalibrated' }).click();
    await expect(page.getByTestId('ticket-ended')).toContainText('no spare part to be had');
    await page.getByRole('link', { name: 'Print the paper' }).click();
    await expect(page.getByTestId('hand-back-paper')).toContainText(/U-\d{4}-\d{4}/);
    await expect(page.getByTestId('hand-back-paper')).toContainText('do not rely on it');
    await page.goto(`/assets/${ticket!.asset}`);
    const owner = page.getByTestId('new-owner');
    await owner.locator('summary').click();
    await owner.getByLabel('Why?').fill('sold');
    await owner.getByLabel('Part of the name').fill('Ravel');
    await owner.getByRole('button', { name: 'It belongs to Ravel Street Baths now' }).click();
    await expect(page.getByRole('link', { name: 'Ravel Street Baths' })).toBeVisible();
  });
});

test('the field in the bar finds anything while it is typed: a misspelt customer, a short number, a lot; chosen by keys', async ({
  page,
}) => {
  await signIn(page, 'admin');
  const field = page.getByRole('combobox', { name: 'Scan or type a code' });
  const found = page.getByTestId('found');
  await page.keyboard.press('/');
  await expect(field).toBeFocused();
  await field.fill('Saltmarch Trout Hatchry');
  await expect(found.getByRole('group', { name: 'Customers' })).toContainText('much like it');
  await field.press('ArrowDown');
  await expect(found.getByRole('option', { selected: true })).toContainText('Saltmarsh Trout Hatchery');
  await field.press('Enter');
  await page.waitForURL('**/customers/**');
  await expect(field).toHaveValue('');
  const [document] = await query<{ number: string; id: string }>(
    'select number, id from certificate order by issued_at desc limit 1',
  );
  const [, year, serial] = /^(?:\w)-(\d+)-0*(\d+)$/.exec(document!.number)!;
  await field.fill(`${document!.number[0]!.toLowerCase()}-${year}-${serial}`);
  await expect(found.getByRole('group', { name: 'Documents' })).toContainText(document!.number);
  const [bottle] = await query<{ lot: string; id: string }>(
    "select lot, id from reference where kind = 'gas' and state = 'good' order by lot limit 1",
  );
  await field.fill(bottle!.lot.slice(0, -1).toLowerCase());
  // Its supplier's certificate is kept beside it, and found as well, after it.
  await found
    .getByRole('option', { name: new RegExp(bottle!.lot) })
    .first()
    .click();
  await page.waitForURL(`**/shelf/${bottle!.id}`);
  await field.fill('certainly nothing of the kind');
  await expect(found).toContainText('Nothing has');
  await field.press('Escape');
  await expect(found).toHaveCount(0);
});

test('a procedure is read step by step, with its reasons and what is compared with what, and leaves as JSON', async ({
  page,
}) => {
  await signIn(page, 'technician', '/models');
  await page.getByRole('link', { name: 'Procedures' }).click();
  await page.getByRole('link', { name: /^Four-gas leak monitor/ }).click();
  await expect(page.getByTestId('procedure-step').filter({ hasText: 'As found: clean air' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Ordfell OF-410' })).toBeVisible();
  const { procedure } = (await (await page.request.get('/procedures/four-gas-leak-monitor/json')).json()) as {
    procedure: { steps: object[] };
  };
  expect(procedure.steps.length).toBeGreaterThan(5);
  expect((await page.request.get('/procedures/none-of-ours/json')).status()).toBe(404);
  expect((await page.goto('/procedures/none-of-ours'))!.status()).toBe(404);
});

test('twelve instruments of one customer are received in at most fifteen clicks: what is due at once, the first one looked at, the same for all', async ({
  page,
}) => {
  const [owner] = await query<{ id: string; name: string }>(
    `select c.id, c.name from customer c join asset a on a.customer_id = c.id where a.status = 'inUse' and a.part = 'body' and c.merged_into is null
       and not exists (select 1 from ticket t where t.asset_id = a.id and t.status <> 'returned') group by c.id, c.name having count(*) >= 12 order by count(*), c.name limit 1`,
  );
  await query('update asset set next_due = current_date + 300 where customer_id = $1', [owner!.id]);
  await query(
    `update asset set next_due = current_date + 5 where id in (select id from asset a where customer_id = $1 and status = 'inUse' and part = 'body'
       and not exists (select 1 from ticket t where t.asset_id = a.id and t.status <> 'returned') order by serial limit 12)`,
    [owner!.id],
  );
  await signIn(page, 'counter', '/receive');
  await page.evaluate(() => {
    const counted = { clicks: 0 };
    window.addEventListener('click', (event) => (counted.clicks += event.isTrusted ? 1 : 0), true);
    Object.assign(window, { counted });
  });
  await page.getByLabel('Customer', { exact: true }).fill(owner!.name.slice(0, 9));
  await page.getByRole('button', { name: owner!.name, exact: true }).click();
  await page.getByRole('button', { name: 'Take all 12 that are due' }).click();
  const lines = page.locator('[data-testid^="line-"]');
  await expect(lines).toHaveCount(12);
  for (const group of await lines
    .first()
    .getByRole('button', { name: /^pass: / })
    .all())
    await group.click();
  const sum = await lines.first().locator('.quiet').first().innerText();
  await page.getByRole('button', { name: 'Same for all 12' }).click();
  // Those of the same kind have been looked at as far as the first.
  const kind = await lines.first().locator('strong').innerText();
  for (const line of await lines.filter({ hasText: kind }).all()) await expect(line).toContainText(sum);
  await page.getByRole('button', { name: 'Receive 12 instruments' }).click();
  await expect(page.getByText(/R-\d{4}-\d{4}/).first()).toBeVisible();
  const clicks = await page.evaluate(() => (window as unknown as { counted: { clicks: number } }).counted.clicks);
  expect(clicks).toBeLessThanOrEqual(15);
  const [made] = await query<{ n: number }>(
    "select count(*)::int as n from ticket where customer_id = $1 and status = 'inTray'",
    [owner!.id],
  );
  expect(made!.n).toBeGreaterThanOrEqual(12);

  // The paper for the customer, every slip on a page of its own by an outside reader, and what was taken down wrongly is put right.
  await page.getByRole('link', { name: 'Receipt for the customer' }).click();
  await page.waitForURL(/receipts\/[0-9a-f-]+$/);
  await settled(page);
  await expect(page.getByTestId('receipt-line')).toHaveCount(12);
  const paper = page.getByTestId('receipt-paper');
  const number = (await page.locator('h1').first().innerText()).replace('Receipt ', '');
  await expect(paper).toContainText(number);
  await expect(paper).toContainText(owner!.name);
  const correct = page.getByTestId('correct-receipt');
  await correct.locator('summary').click();
  await correct.getByLabel('Who brought it').fill('Odo of the quay');
  await correct.getByRole('button', { name: 'Save' }).click();
  await expect(paper).toContainText('Odo of the quay');
  const split = page.getByTestId('split-receipt');
  await split.locator('summary').click();
  await split.getByRole('button', { name: 'Put on a new receipt' }).click();
  await expect(split.getByRole('alert')).toContainText('leave at least one');
  for (const at of [0, 1]) await split.getByRole('checkbox').nth(at).check();
  await split.getByRole('button', { name: 'Put on a new receipt' }).click();
  await expect(page.locator('h1').first()).not.toContainText(number);
  await expect(page.getByTestId('receipt-line')).toHaveCount(2);
  const cancel = page.getByTestId('cancel-receipt');
  await cancel.locator('summary').click();
  await cancel.getByLabel('Why?').fill('taken down twice');
  await cancel.getByRole('button', { name: 'Cancel the whole receipt' }).click();
  await expect(page.getByTestId('receipt-line').first()).toContainText('taken down twice');
  await page.getByLabel('Scan or type a code').fill(number);
  await page
    .getByTestId('found')
    .getByRole('option', { name: new RegExp(number) })
    .click();
  await page.waitForURL(/receipts\//);
  await page.getByRole('link', { name: 'All 10 slips' }).click();
  await expect(page.locator('.slip')).toHaveCount(10);
  await settled(page);
  const file = join(mkdtempSync(join(tmpdir(), 'werkbank-slips-')), 'slips.pdf');
  writeFileSync(file, await page.pdf());
  expect(execFileSync('pdfinfo', [file]).toString()).toMatch(/^Pages:\s+10$/m);
});

test('the workshop’s sign and the pattern of its numbers: what is wrong is said while it is typed; a slip carries the sign', async ({
  page,
}) => {
  await signIn(page, 'admin', '/office/papers');
  const numbers = page.getByTestId('numbers');
  await numbers.getByLabel('Offers').fill('R-{year}-{n:4}');
  await expect(numbers).toContainText('could be one of “Receipts”');
  await numbers.getByLabel('Offers').fill('AN{yy}.{n:4}');
  await expect(numbers).toContainText(/AN\d\d\.0062/);
  await numbers.getByRole('button', { name: 'Save numbers' }).click();
  await expect(numbers.getByRole('status')).toContainText('Saved');
  const logo = page.getByTestId('logo');
  const choose = logo.locator('input[type=file]');
  await choose.setInputFiles({ name: 'sign.png', mimeType: 'image/png', buffer: Buffer.from('no picture at all') });
  await expect(logo.getByRole('alert')).toContainText('no PNG or JPEG');
  await choose.setInputFiles({ name: 'sign.png', mimeType: 'image/png', buffer: await page.locator('h1').screenshot() });
  await expect(logo.getByRole('img')).toBeVisible();
  const [ticket] = await query<{ id: string }>('select id from ticket order by created_at limit 1');
  await page.goto(`/tickets/${ticket!.id}`);
  await expect
    .poll(() => page.locator('.slip .letter-logo').evaluate((one) => (one as HTMLImageElement).naturalWidth))
    .toBeGreaterThan(10);
  await page.goto('/office/papers');
  await logo.getByRole('button', { name: 'Take it off the papers' }).click();
  await expect(logo.getByRole('img')).toHaveCount(0);
});
