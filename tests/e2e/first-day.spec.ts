import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, type Page } from '@playwright/test';
import { simpleParser } from 'mailparser';
import { query, settled, test } from './people';

// A house in which nobody was yet: what whoever installs it lives through on the first day.
test.describe.configure({ mode: 'serial' });

const OWNER = { email: 'owner@first.example', password: 'seven pale kites over the quay' };
const arrived = async () =>
  Promise.all(
    readdirSync(process.env.WERKBANK_MAIL_FOLDER!).map((name) =>
      simpleParser(readFileSync(join(process.env.WERKBANK_MAIL_FOLDER!, name))),
    ),
  );
async function signIn(page: Page, { email, password }: { email: string; password: string }, to = '/'): Promise<void> {
  await page.goto(`/sign-in?next=${encodeURIComponent(to)}`);
  await page.getByLabel('Mail address').fill(email);
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await page.locator('.house-bar').waitFor();
  await settled(page);
}
const step = (page: Page, name: string) => page.getByTestId('week-step').filter({ hasText: name });

test('an empty house is set up by whoever holds its key, once; the first week says what is missing', async ({ page }) => {
  await page.goto('/');
  await expect(page).toHaveURL(/set-up/);
  await expect(page.getByText('it carries a key')).toBeVisible();
  await page.goto('/set-up?key=a-guess');
  await page.getByRole('button', { name: 'Set up the house' }).click();
  await expect(page.getByText('The workshop’s name stands on every document.')).toBeVisible();
  const fill = async (label: string, text: string) => page.getByLabel(label, { exact: true }).fill(text);
  const fillAll = async () => {
    await fill('Name of the workshop', 'Kite Quay Calibrations');
    await fill('Address', 'Kite Quay 3, Lowmoor');
    await fill('Time zone', 'Europe/Berlin');
    await page.getByLabel('How many people work at it?').selectOption('alone');
    await expect(page.getByText('You approve your own work')).toBeVisible();
    await fill('Your name', 'Ada Quay');
    await fill('Mail address to sign in with', OWNER.email);
    await page.getByLabel('Four-gas leak monitor').check();
    await page.getByLabel('Two-buffer pH meter').check();
  };
  await fillAll();
  await fill('Password, at least 12 characters', OWNER.password);
  await page.getByRole('button', { name: 'Set up the house' }).click();
  await expect(page.getByText('This key is not the one').first()).toBeVisible();
  await page.goto('/set-up?key=key-of-an-empty-house');
  await fillAll();
  await fill('Password, at least 12 characters', 'qwertyuiop12');
  await page.getByRole('button', { name: 'Set up the house' }).click();
  await expect(page.getByText('Too easy to guess')).toBeVisible();
  expect(await query('select 1 from "user"')).toHaveLength(0);
  await fill('Password, at least 12 characters', OWNER.password);
  await page.getByRole('button', { name: 'Set up the house' }).click();
  await page.getByRole('link', { name: 'Sign in' }).click();
  await signIn(page, OWNER, '/first-week');
  await expect(step(page, 'A model that you calibrate')).toContainText('done');
  await expect(step(page, 'Somebody who approves')).toContainText('done');
  for (const open of [
    'Mail server',
    'A thermometer',
    'A bottle of calibration gas',
    'A buffer',
    'A customer',
    'The first certificate',
  ])
    await expect(step(page, open)).toContainText('missing');
  await page.goto('/set-up?key=key-of-an-empty-house');
  await expect(page).toHaveURL(/sign-in/);
  await page.goto('/');
  await expect(page.getByRole('link', { name: /First week: \d+ things missing/ })).toBeVisible();
});

test('the mail server is tried before it is kept, and its password is nobody’s to read', async ({ page }) => {
  await signIn(page, OWNER, '/office');
  const panel = page.locator('#mail-server');
  await panel.getByLabel('Server').fill('mail.elsewhere.example');
  await panel.getByLabel('Encryption').selectOption('none');
  await panel.getByRole('button', { name: 'Keep it' }).click();
  await expect(panel.getByText('only a server on this computer')).toBeVisible();
  await panel.getByLabel('Server').fill('127.0.0.1');
  await panel.getByLabel('Port').fill('1');
  await panel.getByRole('button', { name: 'Send a test mail' }).click();
  await expect(panel.getByText(/did not take it: .*ECONNREFUSED/)).toBeVisible();
  await panel.getByLabel('Port').fill(process.env.SMTP_PORT!);
  await panel.getByRole('button', { name: 'Send a test mail' }).click();
  await expect(panel.getByText('The server took it')).toBeVisible();
  const [test] = await arrived();
  expect(test!.to).toMatchObject({ text: OWNER.email });
  expect(test!.text).toContain('Kite Quay Calibrations');
  await panel.getByLabel('User').fill('kite');
  await panel.getByLabel('Password').fill('secret of the provider');
  await panel.getByRole('button', { name: 'Keep it' }).click();
  await expect(panel.getByText('Kept.')).toBeVisible();
  const kept = JSON.stringify([
    await query("select * from setting where key = 'mailServer'"),
    await query('select * from change_log'),
    await query('select * from audit'),
  ]);
  expect(kept).toContain('127.0.0.1');
  expect(kept).not.toContain('secret of the provider');
  // The stand-in asks for no password: whoever names one is not refused for it, so it goes again.
  await panel.getByLabel('User').fill('');
  await panel.getByRole('button', { name: 'Keep it' }).click();
  await page.goto('/first-week');
  await expect(step(page, 'Mail server')).toContainText('done');
});

test('a forgotten password: the link comes by mail, opens once, and the old password is over', async ({ page }) => {
  await page.goto('/sign-in');
  await page.getByRole('link', { name: 'Forgotten your password?' }).click();
  await expect(page.getByRole('heading', { name: 'A new password' })).toBeVisible();
  await page.getByLabel('Mail address').fill('nobody@first.example');
  await page.getByRole('button', { name: 'Send the link' }).click();
  await expect(page.getByText('the link is on its way')).toBeVisible();
  await page.reload();
  await page.getByLabel('Mail address').fill(OWNER.email);
  await page.getByRole('button', { name: 'Send the link' }).click();
  await expect(page.getByText('the link is on its way')).toBeVisible();
  const links = async () => (await arrived()).flatMap((mail) => mail.text?.match(/http\S+\/sign-in\/new-password\/[\w-]+/) ?? []);
  await expect.poll(links, { timeout: 15_000 }).toHaveLength(1);
  const [link] = await links();
  await page.goto(link!);
  OWNER.password = 'eight dark kites under the pier';
  await page.getByLabel('New password of Ada Quay').fill(OWNER.password);
  await page.getByRole('button', { name: 'Set it' }).click();
  await expect(page.getByText('It is set')).toBeVisible();
  await page.goto(link!);
  await expect(page.getByText('no longer good')).toBeVisible();
  await signIn(page, OWNER);
});

test('an auditor reads everything, the audit by names too, and changes nothing', async ({ page, browser }) => {
  await signIn(page, OWNER, '/office');
  const form = page.locator('form', { has: page.getByRole('button', { name: 'Add', exact: true }) });
  await form.getByLabel('Name').fill('Vera Lindt');
  await form.getByLabel('Mail address').fill('vera@audit.example');
  await form.getByLabel('Role').selectOption('auditor');
  await form.getByRole('button', { name: 'Add' }).click();
  const given = (await page.getByTestId('given-password').locator('.mono').textContent())!;
  const vera = await (await browser.newContext({ baseURL: new URL(page.url()).origin })).newPage();
  await signIn(vera, { email: 'vera@audit.example', password: given }, '/office');
  await expect(vera).toHaveURL(/account/);
  await vera.getByLabel('A new one, at least 12 characters').fill('nine loud gulls at breakfast');
  await vera.getByRole('button', { name: 'Change it' }).click();
  await expect(vera.getByText('good for this one time')).toHaveCount(0);
  await vera.goto('/office');
  await expect(vera.getByText('You read here')).toBeVisible();
  await expect(vera.getByRole('button', { name: 'Save settings' })).toBeDisabled();
  await vera.getByRole('link', { name: 'Who did what' }).click();
  const line = vera.getByTestId('audit').filter({ hasText: 'added a person' });
  await expect(line).toContainText('Ada Quay');
  await vera.getByLabel('Act').selectOption({ label: 'set up the house' });
  await vera.getByRole('button', { name: 'Show' }).click();
  await expect(vera.getByTestId('audit')).toHaveCount(1);
  const csv = await (await vera.request.get('/office/audit/export?action=setUp')).text();
  expect(csv.split('\n')[0]).toContain('about_said');
  expect(csv).toContain('Kite Quay Calibrations');
  for (const room of [
    '/',
    '/approve',
    '/due',
    '/due/outbox',
    '/customers',
    '/assets',
    '/certificates',
    '/shelf',
    '/models',
    '/devices',
    '/office/house',
    '/office/budgets',
  ])
    expect((await vera.goto(room))!.status(), room).toBe(200);
});
