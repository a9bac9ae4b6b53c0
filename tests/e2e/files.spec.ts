import { expect } from '@playwright/test';
import { query, signIn, test } from './people';

const PNG = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAABAAAAAQCAIAAACQkWg2AAAAHklEQVR4nGP4z8BAEiJN9aiGUQ2jGkY1jGoY1UAHAAAxzwEf0S0ZcQAAAABJRU5ErkJggg==',
  'base64',
);

test('photos and a supplier’s certificate are kept at a visit and a bottle, shown, opened harmlessly, and taken away', async ({
  page,
}) => {
  const [ticket] = await query<{ id: string }>("select id from ticket where status <> 'returned' order by code limit 1");
  const picture = Buffer.concat([PNG, Buffer.from(`${Date.now()}`.padEnd(80))]);
  await signIn(page, 'counter', `/tickets/${ticket!.id}`);
  const files = page.getByTestId('files');
  await files.locator('input[type=file]').setInputFiles([
    { name: 'dented corner.png', mimeType: 'image/png', buffer: picture },
    { name: 'list.png', mimeType: 'image/png', buffer: Buffer.from('serial,tag\n'.repeat(30)) },
  ]);
  await expect(files.getByRole('link', { name: 'dented corner.png' })).toBeVisible();
  await expect(files.getByRole('alert')).toContainText('“list.png” is no JPEG, PNG or PDF');
  const shown = files.locator('figure').filter({ hasText: 'dented corner' });
  const address = (await shown.getByRole('link').getAttribute('href'))!;
  const answer = await page.request.get(address);
  expect((await answer.body()).equals(picture)).toBe(true);
  expect(answer.headers()).toMatchObject({ 'content-type': 'image/png', 'x-content-type-options': 'nosniff' });
  expect(answer.headers()['content-security-policy']).toContain('sandbox');
  await shown.getByTestId('take-file-away').locator('summary').click();
  await shown.getByTestId('take-file-away').getByLabel('Why').fill('wrong instrument');
  await shown.getByTestId('take-file-away').getByRole('button').click();
  await expect(shown).toHaveCount(0);
  expect((await page.request.get(address)).status()).toBe(404);
});
