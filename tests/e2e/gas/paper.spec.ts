import { expect } from '@playwright/test';
import { query, settled, signIn, test } from '../people';
import { makeRun, manyPlaces } from './make-run';

test.beforeAll(manyPlaces);

test('a day without the house: a blank sheet is printed, what was written on it is entered as from paper with its photo, and no wait is asked for', async ({
  page,
}) => {
  const { run } = await makeRun({ model: 'OF-410', serial: `PAPER-${Date.now() % 1e7}` });
  await signIn(page, 'technician', '/paper');
  const sheet = await page.request.get((await page.locator('tr', { hasText: 'OF-410' }).getByRole('link').getAttribute('href'))!);
  expect(sheet.headers()['content-type']).toBe('application/pdf');
  expect((await sheet.body()).subarray(0, 5).toString()).toBe('%PDF-');
  await page.goto(`/runs/${run}`);
  await settled(page);
  const waits = page.locator('.present-step[data-kind=wait]');
  await expect(waits).toBeVisible();
  await page.getByRole('button', { name: 'From paper' }).click();
  const door = page.getByTestId('door');
  await door.getByRole('button', { name: 'Enter it from paper' }).click();
  await expect(door.getByRole('alert')).toContainText('photo of the sheet');
  await page
    .getByLabel('Photos of the sheet')
    .setInputFiles({ name: 'notes.txt', mimeType: 'image/png', buffer: Buffer.alloc(300, 'x') });
  await door.getByRole('button', { name: 'Enter it from paper' }).click();
  await expect(door.getByRole('alert')).toContainText('no JPEG or PNG');
  await page
    .getByLabel('Photos of the sheet')
    .setInputFiles({ name: 'sheet.png', mimeType: 'image/png', buffer: await page.screenshot() });
  await page.getByLabel('Written by').fill('Tess Bench');
  await door.getByRole('button', { name: 'Enter it from paper' }).click();
  await expect(page.getByTestId('from-paper')).toContainText('written by Tess Bench');
  const photo = page.getByTestId('photos').locator('img');
  await expect.poll(() => photo.evaluate((one) => (one as HTMLImageElement).naturalWidth)).toBe(1280);
  await page.locator('[data-main-action]').click();
  await expect(waits).toHaveCount(0);
  const [kept] = await query<{ events: string; photos: string; said: string }>(
    `select (select count(*) from run_event where run_id = $1 and type = 'paperTaken') as events,
      (select count(*) from run_photo where run_id = $1) as photos,
      (select data->>'what' from run_event where run_id = $1 and type = 'deviated') as said`,
    [run],
  );
  expect(kept).toMatchObject({ events: '1', photos: '1' });
  expect(kept!.said).toMatch(/^Written on paper on \d{4}-\d{2}-\d{2} by Tess Bench/);
});
