import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { unzipSync } from 'fflate';
import { expect } from '@playwright/test';
import { query, signIn, test } from './people';

/** Pages of what the browser would print, by poppler: width and height in millimetres. */
function printed(pdf: Buffer): { pages: number; mm: [number, number] } {
  const file = join(mkdtempSync(join(tmpdir(), 'werkbank-print-')), 'labels.pdf');
  writeFileSync(file, pdf);
  const said = execFileSync('pdfinfo', [file], { encoding: 'utf8' });
  const [, width, height] = /Page size:\s+([\d.]+) x ([\d.]+) pts/.exec(said)!;
  const mm = (points: string) => Math.round((Number(points) / 72) * 25.4);
  return { pages: Number(/Pages:\s+(\d+)/.exec(said)![1]), mm: [mm(width!), mm(height!)] };
}

test('a list is put in order, its columns chosen, several taken for one act: labels of the set size, one interval; all by its address', async ({
  page,
}) => {
  await signIn(page, 'signatory', '/assets');
  await page.getByRole('link', { name: 'Next due' }).click();
  await expect(page.getByRole('columnheader', { name: 'Next due' })).toHaveAttribute('aria-sort', 'ascending');
  const first = await page.locator('tbody tr').first().innerText();
  await page.getByRole('link', { name: 'Next due' }).click();
  await expect(page.getByRole('columnheader', { name: 'Next due' })).toHaveAttribute('aria-sort', 'descending');
  await expect(page.locator('tbody tr').first()).not.toHaveText(first);
  await page.getByText('Columns', { exact: true }).click();
  await page.getByText('☑ Kind').click();
  await expect(page.getByRole('columnheader', { name: 'Kind' })).toHaveCount(0);
  // Found, in the same order and with the same columns, and so after a reload.
  await page.getByLabel('Search instruments').fill('OF-410');
  await expect(page).toHaveURL(/q=OF-410/);
  await page.reload();
  await expect(page).toHaveURL(/sort=due/);
  await expect(page.getByRole('columnheader', { name: 'Kind' })).toHaveCount(0);
  await expect(page.locator('tbody tr').first()).toContainText('OF-410');
  // Three that have a document that still holds.
  const wanted = await query<{ id: string; serial: string }>(
    `select distinct a.id, a.serial from certificate d join asset a on a.id = d.asset_id join run_summary r on r.run_id = d.run_id
     where d.kind = 'calibration' and r.as_left = 'within' and not exists (select from certificate n where n.replaces = d.id or n.withdraws = d.id)
       and not exists (select from certificate later where later.asset_id = a.id and later.issued_at > d.issued_at) order by a.serial limit 3`,
  );
  await page.goto(`/assets/labels?${wanted.map((one) => `id=${one.id}`).join('&')}&paper=62x29`);
  await expect(page.getByTestId('label')).toHaveCount(3);
  for (const { serial } of wanted) await expect(page.getByTestId('labels')).toContainText(serial);
  expect(printed(await page.pdf({ preferCSSPageSize: true }))).toEqual({ pages: 3, mm: [62, 29] });
  await page.getByRole('link', { name: '102 × 51 mm' }).click();
  await expect(page.getByRole('link', { name: '102 × 51 mm' })).toHaveAttribute('aria-current', 'true');
  expect(printed(await page.pdf({ preferCSSPageSize: true }))).toEqual({ pages: 3, mm: [102, 51] });
  await page.getByRole('link', { name: 'A4 sheet' }).click();
  await expect(page.getByRole('link', { name: 'A4 sheet' })).toHaveAttribute('aria-current', 'true');
  expect(printed(await page.pdf({ preferCSSPageSize: true }))).toEqual({ pages: 1, mm: [210, 297] });

  // Two by hand, one interval for both: two without a due date, which nobody else waits for.
  await page.goto('/assets?sort=due&down=yes');
  const rows = page.locator('tbody tr');
  await expect(page.getByTestId('choice').getByRole('button', { name: 'Interval …' })).toBeDisabled();
  const serials = [await rows.nth(0).getByRole('link').innerText(), await rows.nth(1).getByRole('link').innerText()];
  await rows.nth(0).getByRole('checkbox').check();
  await rows.nth(1).getByRole('checkbox').check();
  await expect(page.getByTestId('choice')).toContainText('Chosen: 2');
  await page.getByTestId('choice').getByRole('button', { name: 'Interval …' }).click();
  for (const serial of serials) await expect(page.getByRole('table')).toContainText(serial);
  await page.getByRole('button', { name: 'Set the interval of these' }).click();
  await expect(page.locator('.field-problem').first()).toBeVisible();
  await page.getByLabel('Every', { exact: true }).fill('5');
  await page.getByLabel('Why (stands in the audit)').fill('their new rule');
  await page.getByRole('button', { name: 'Set the interval of these' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Set for 2' })).toBeVisible();
  await expect(page.getByText('every 5 months')).toHaveCount(2);
});

test('documents: found outside, of one kind, several as one file', async ({ page }) => {
  await signIn(page, 'counter', '/certificates');
  await page.getByRole('link', { name: 'found outside' }).click();
  await expect(page).toHaveURL(/found=outside/);
  const rows = page.locator('tbody tr');
  await expect(rows.first()).toBeVisible();
  expect(await rows.count()).toBe(await page.locator('tbody tr', { has: page.locator('.verdict.outside') }).count());
  await rows.nth(0).getByRole('checkbox').check();
  await rows.nth(1).getByRole('checkbox').check();
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: /^ZIP of the chosen/ }).click();
  const file = await (await waiting).path();
  const { readFileSync } = await import('node:fs');
  expect(Object.keys(unzipSync(new Uint8Array(readFileSync(file))))).toHaveLength(4);
});

test('tickets of all years: found by whose they are, of one state, the slips of several in one print, and taken out as shown', async ({
  page,
}) => {
  await signIn(page, 'counter', '/work');
  await page.getByRole('link', { name: 'Tickets', exact: true }).click();
  await page.waitForURL('**/tickets');
  await page.getByRole('searchbox').or(page.getByLabel('Search tickets')).first().fill('ship repair');
  await page.waitForURL(/q=ship/);
  await page.getByRole('link', { name: 'returned', exact: true }).click();
  await expect(page).toHaveURL(/state=returned/);
  const rows = page.locator('tbody tr');
  await expect(rows.first()).toContainText('Ship Repair');
  const [shown] = [await rows.locator('.row-link').allInnerTexts()];
  const csv = await page.request.get((await page.getByRole('link', { name: 'CSV' }).getAttribute('href'))!);
  const lines = (await csv.text()).split(/\r?\n/).slice(1);
  expect(lines.slice(0, shown.length).map((line) => line.split(',')[0])).toEqual(shown);
  await rows.nth(0).getByRole('checkbox').check();
  await rows.nth(1).getByRole('checkbox').check();
  await page.getByRole('button', { name: /^Slips/ }).click();
  await page.waitForURL('**/tickets/slips**');
  await expect(page.locator('.slip')).toHaveCount(2);
});

test('a figure of a bottle that was entered wrongly is put right, says why, and the bottle is accepted anew', async ({
  page,
}) => {
  const [bottle] = await query<{ id: string }>(
    "select id from reference where kind = 'gas' and accepted is not null and recalled is null order by expires limit 1",
  );
  await signIn(page, 'technician', `/shelf/${bottle!.id}`);
  const form = page.getByTestId('correct-reference');
  await form.locator('summary').click();
  await expect(form.getByLabel('Kind')).toBeDisabled();
  const value = form.getByLabel('Value 1');
  const before = await value.inputValue();
  await value.fill(String(Number(before) + 1));
  await form.getByRole('button', { name: 'Save the correction' }).click();
  await expect(form.locator('.field-problem').first()).toHaveText('Say why.');
  expect(await value.inputValue()).toBe(String(Number(before) + 1));
  await form.getByLabel('Why?').fill('read off the wrong line');
  await form.getByRole('button', { name: 'Save the correction' }).click();
  await expect(form.getByRole('status')).toContainText('accepted anew');
  await expect(page.getByText('read off the wrong line')).toBeVisible();
  const [row] = await query<{ accepted: unknown; components: { value: string }[] }>(
    `select accepted, components from reference where id = '${bottle!.id}'`,
  );
  expect(row).toMatchObject({
    accepted: null,
    components: [{ value: String(Number(before) + 1) }, ...Array<object>((row!.components.length ?? 1) - 1).fill({})],
  });
  // As it was, for whoever looks at the demo next. It has expired: no other walk takes it.
  await value.fill(before);
  await form.getByLabel('Why?').fill('only tried');
  await form.getByRole('button', { name: 'Save the correction' }).click();
  await expect(form.getByRole('status')).toContainText('Saved.');
  await query(
    `update reference set accepted = '{"on":"2026-01-01","by":"Tam Verrick","note":"seal and label"}' where id = '${bottle!.id}'`,
  );
});
