import { expect } from '@playwright/test';
import { Secret, TOTP } from 'otpauth';
import { PASSWORD, query, signIn, signOut, test } from './people';

// Changes a rule for everybody, so it runs beside nothing else.
test('the workshop asks a second factor of a role: nothing opens before it is set up, and an administrator takes a lost one off', async ({
  page,
}) => {
  await signIn(page, 'admin', '/office');
  await page.getByLabel('counter', { exact: true }).check();
  // Walks before this one gave the bench more places than the form allows.
  await page.getByLabel('Bench places').fill('12');
  await page.getByRole('button', { name: 'Save settings' }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
  await page.context().clearCookies();
  await signIn(page, 'counter', '/due');
  await expect(page).toHaveURL(/account/);
  await expect(page.getByText('The workshop asks a second factor of your role')).toBeVisible();
  // Each process, and each part of one, looks up once a second what the door asks.
  await expect.poll(async () => (await page.request.get('/api/locked')).status()).toBe(403);
  const panel = page.getByRole('region', { name: 'One-time codes' });
  await panel.getByLabel('Your password').fill(PASSWORD);
  await panel.getByRole('button', { name: 'Set it up' }).click();
  const key = /key: (\w+)/.exec(await panel.getByText(/or type the key/).innerText())![1]!;
  await panel.getByLabel('The code that it shows now').fill(new TOTP({ secret: Secret.fromBase32(key) }).generate());
  await panel.getByRole('button', { name: 'Switch it on' }).click();
  await expect(panel.getByText('On: a code is asked')).toBeVisible();
  await page.goto('/due');
  await expect(page).toHaveURL(/due/);
  await signOut(page);

  await signIn(page, 'admin', '/office/people');
  // Others of this house may have one too.
  const lost = page.getByRole('row', { name: /counter@port-ambrel/ }).getByRole('button', { name: 'Take second factor off' });
  await lost.click();
  await expect(lost).toBeHidden();
  await page.goto('/office');
  await page.getByLabel('counter', { exact: true }).uncheck();
  await page.getByRole('button', { name: 'Save settings' }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
  const [change] = await query<{ before: object; after: object; actor: { role: string } }>(
    `select before, after, actor from change_log where table_name = 'user' and after ? 'two_factor_enabled' order by id desc limit 1`,
  );
  expect(change).toMatchObject({
    before: { two_factor_enabled: true },
    after: { two_factor_enabled: false },
    actor: { role: 'administrator' },
  });
});
