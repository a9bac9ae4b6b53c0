import { spawn, type ChildProcess } from 'node:child_process';
import { hash } from '@node-rs/argon2';
import { expect, type Page } from '@playwright/test';
import { Secret, TOTP } from 'otpauth';
import { freePort } from '@/processes/free-port';
import { programOf } from '../../scripts/lib/programs.mjs';
import { PASSWORD, query, settled, signOut, test } from './people';

/** Somebody of this walk alone: others sign in beside it. */
async function newPerson(name: string): Promise<{ name: string; email: string }> {
  const id = `${name}-${Date.now()}`.toLowerCase().replace(/\W/g, '');
  const email = `${id}@port-ambrel.example`;
  await query('select add_person($1, $2, $3, $4, $5, $6, now())', [
    id,
    name,
    email,
    'technician',
    `a-${id}`,
    await hash(PASSWORD),
  ]);
  return { name, email };
}
async function atDoor(page: Page, { email }: { email: string }): Promise<void> {
  await page.goto('/sign-in');
  await page.getByLabel('Mail address').fill(email);
  await page.getByLabel('Password').fill(PASSWORD);
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
}
const inside = async (page: Page, { name }: { name: string }) => {
  await expect(page.locator('.bar-menu summary')).toHaveText(name.split(' ')[0]!);
  await settled(page);
};
const lock = async (page: Page) => {
  await page.locator('.bar-menu summary').click();
  await page.getByRole('button', { name: 'Lock the screen' }).click();
  await expect(page.getByRole('dialog', { name: 'Locked' })).toBeVisible();
};
const unlockWith = async (page: Page, typed: string, who?: string) => {
  const dialog = page.getByRole('dialog', { name: 'Locked' });
  if (who) await dialog.getByRole('button', { name: who }).click();
  await dialog.getByLabel(/^PIN/).fill(typed);
  await dialog.getByRole('button', { name: 'Go on' }).click();
};

// One-time codes by another library than the one that checks them: RFC 6238, SHA-1, 30 s, six digits, as every authenticator has them.
test('a second factor: set up with a code, asked at the door, a code is good once, a recovery code too', async ({ page }) => {
  const lotte = await newPerson('Lotte Zwei');
  await atDoor(page, lotte);
  await inside(page, lotte);
  await page.goto('/account');
  const panel = page.getByRole('region', { name: 'One-time codes' });
  await panel.getByLabel('Your password').fill('not this one at all');
  await panel.getByRole('button', { name: 'Set it up' }).click();
  await expect(panel.getByText('This is not your password.')).toBeVisible();
  await panel.getByLabel('Your password').fill(PASSWORD);
  await panel.getByRole('button', { name: 'Set it up' }).click();
  const key = /key: (\w+)/.exec(await panel.getByText(/or type the key/).innerText())![1]!;
  const recovery = await panel.getByTestId('recovery-codes').locator('li').allInnerTexts();
  expect(new Set(recovery).size).toBe(10);
  const code = () => new TOTP({ secret: Secret.fromBase32(key) }).generate();
  const first = code();
  await panel.getByLabel('The code that it shows now').fill(first);
  await panel.getByRole('button', { name: 'Switch it on' }).click();
  await expect(panel.getByText('On: a code is asked')).toBeVisible();
  const [kept] = await query<{ text: string }>(
    'select row_to_json(t)::text as text from two_factor t join "user" u on u.id = t.user_id where u.email = $1',
    [lotte.email],
  );
  for (const secret of [key, ...recovery]) expect(kept!.text).not.toContain(secret);

  await signOut(page);
  await atDoor(page, lotte);
  const asked = page.getByLabel('Code of your authenticator, or a recovery code');
  await asked.fill('000000');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByText('This code is not right')).toBeVisible();
  expect((await page.request.get('/api/locked')).status()).toBe(401);
  // The code that switched it on was used; within its half minute it opens nothing again.
  if (code() === first) {
    await asked.fill(first);
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByText('This code was used already')).toBeVisible();
    await atDoor(page, lotte);
  }
  await asked.fill(recovery[0]!);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await inside(page, lotte);

  await signOut(page);
  await atDoor(page, lotte);
  await asked.fill(recovery[0]!);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByText('This code is not right')).toBeVisible();
  await asked.fill(recovery[1]!);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await inside(page, lotte);
  const [entry] = await query<{ detail: object }>(
    "select detail from audit where action = 'signIn' and subject = $1 order by id desc limit 1",
    [lotte.email],
  );
  expect(entry!.detail).toMatchObject({ by: 'recoveryCode' });
});

test('a shared bench computer: locks by word and by itself, keeps what was typed, opens by PIN or badge for those of the day, and says who goes on', async ({
  page,
}) => {
  const [arne, berta] = [await newPerson('Arne Riegel'), await newPerson('Berta Riegel')];
  await atDoor(page, arne);
  await inside(page, arne);
  await page.goto('/account');
  await page.getByRole('button', { name: 'Print a badge' }).click();
  const badge = await page.getByTestId('badge').innerText();
  await signOut(page);
  await atDoor(page, berta);
  await inside(page, berta);
  await page.goto('/account');
  const pins = page.getByRole('region', { name: /PIN and badge/ });
  await pins.getByLabel('PIN, six to twelve digits').fill('123456');
  await pins.getByRole('button', { name: 'Save' }).click();
  await expect(pins.getByText('This is what everybody tries first')).toBeVisible();
  await pins.getByLabel('PIN, six to twelve digits').fill('480913');
  await pins.getByRole('button', { name: 'Save' }).click();
  await expect(pins.getByText('A PIN is set.')).toBeVisible();

  await page.goto('/due');
  await page.getByLabel('Scan or type a code').fill('half typed');
  await lock(page);
  // Neither the page nor a door gives anything while it is locked; the stream of the clocks does.
  await expect(page.locator('main')).toBeHidden();
  expect(await (await page.request.get('/assets')).text()).not.toContain('Port Ambrel Yard');
  expect((await page.request.post('/api/bench', { data: {} })).status()).toBe(423);
  expect((await page.request.get('/api/locked')).status()).toBe(200);
  await unlockWith(page, '480914');
  await expect(page.getByText('This PIN is not right.')).toBeVisible();
  await unlockWith(page, '480913');
  await expect(page.getByText('Berta Riegel goes on.')).toBeVisible();
  await expect(page.getByLabel('Scan or type a code')).toHaveValue('half typed');

  await lock(page);
  await unlockWith(page, PASSWORD, 'Arne Riegel');
  await inside(page, arne);
  await lock(page);
  await unlockWith(page, '480913', 'Berta Riegel');
  await inside(page, berta);
  await lock(page);
  await unlockWith(page, badge);
  await inside(page, arne);
  const [went] = await query<{ actor: { name: string }; detail: object }>(
    "select actor, detail from audit where action = 'unlock' and subject = 'Berta Riegel' order by id desc limit 1",
  );
  expect(went).toMatchObject({ actor: { name: 'Arne Riegel' }, detail: { by: 'badge' } });

  // The house locks by itself when it heard of no hand for long, whatever the browser does; and the browser covers it first.
  await query(
    'update session set seen_at = now() - interval \'18 minutes\' where user_id = (select id from "user" where email = $1)',
    [arne.email],
  );
  await page.goto('/due');
  await expect(page.getByRole('dialog', { name: 'Locked' })).toBeVisible();
  await unlockWith(page, badge);
  await inside(page, arne);
  await page.clock.install();
  await page.goto('/due');
  await page.clock.fastForward('14:00');
  await expect(page.getByRole('dialog', { name: 'Locked' })).toBeHidden();
  await page.clock.fastForward('02:00');
  await expect(page.getByRole('dialog', { name: 'Locked' })).toBeVisible();
  // Five wrong ones, and the password is asked.
  for (let i = 0; i < 5; i += 1) {
    await unlockWith(page, `59138${i}`, 'Berta Riegel');
    if (i < 4) await expect(page.getByText('This PIN is not right.')).toBeVisible();
  }
  await expect(page).toHaveURL(/sign-in/);
});

// Seen on a busy machine: the answer to a request of the session before came after the next one's, and signed them out.
test('a late answer to a session that is over takes no cookie away', async ({ page }) => {
  const late = await newPerson('Late Riegel');
  await atDoor(page, late);
  await inside(page, late);
  await query('delete from session where user_id = (select id from "user" where email = $1)', [late.email]);
  for (const path of ['/api/locked', '/api/screen', '/due']) {
    const answer = await page.request.get(path, { maxRedirects: 0 });
    expect(
      answer.headersArray().filter(({ name }) => name.toLowerCase() === 'set-cookie'),
      path,
    ).toEqual([]);
    expect(answer.status(), path).not.toBe(200);
  }
});

test('gas that is open stays in sight on a locked screen and is closed there, on record', async ({ page }) => {
  const tilda = await newPerson('Tilda Hahn');
  await atDoor(page, tilda);
  await inside(page, tilda);
  // The demo's instrument that stands before its gas, whatever its ticket is called today.
  const [waits] = await query<{ run: string }>(
    `select t.run_id as run from ticket t join asset a on a.id = t.asset_id join instrument_model m on m.id = a.model_id
     where t.status = 'onBench' and t.run_id is not null and m.name = 'VT-5P'`,
  );
  await page.goto(`/runs/${waits!.run}`);
  const valve = page.getByRole('button', { name: /Gas is on/ });
  await expect(valve.or(page.locator('.gas-bar'))).toBeVisible();
  if (await valve.isVisible()) await valve.click();
  await expect(page.locator('.gas-bar')).toContainText('GAS IS OPEN');
  await lock(page);
  const dialog = page.getByRole('dialog', { name: 'Locked' });
  await expect(dialog.locator('.locked-place.gas')).toContainText('GAS IS OPEN');
  await dialog.getByRole('button', { name: 'Gas off' }).click();
  await expect(dialog.locator('.locked-place.gas')).toHaveCount(0);
  const [entry] = await query<{ actor: { name: string } }>(
    "select actor from audit where action = 'gasOffAtLockedScreen' and subject = $1",
    [waits!.run],
  );
  expect(entry).toMatchObject({ actor: { name: 'Tilda Hahn' } });
});

/** A house with a name: passkeys are bound to one. Another web process of the same house, at an address of its own. */
let named: ChildProcess | undefined;
test.afterAll(() => void named?.kill('SIGTERM'));
async function namedHouse(): Promise<string> {
  const port = await freePort();
  const origin = `http://localhost:${port}`;
  named = spawn(process.execPath, programOf('src/processes/web.ts'), {
    cwd: process.cwd(),
    env: { ...process.env, NODE_ENV: 'production', PORT: String(port), WERKBANK_ORIGIN: origin },
    stdio: 'ignore',
  });
  await expect
    .poll(async () => (await fetch(`http://127.0.0.1:${port}/api/health`).catch(() => null))?.status ?? 0, { timeout: 45_000 })
    .toBe(200);
  return origin;
}

test('a passkey: made, signs in without a password, unlocks the screen, is refused once it was removed', async ({ browser }) => {
  const origin = await namedHouse();
  const page = await (await browser.newContext({ baseURL: origin, reducedMotion: 'reduce' })).newPage();
  const devtools = await page.context().newCDPSession(page);
  await devtools.send('WebAuthn.enable');
  await devtools.send('WebAuthn.addVirtualAuthenticator', {
    options: {
      protocol: 'ctap2',
      transport: 'internal',
      hasResidentKey: true,
      hasUserVerification: true,
      isUserVerified: true,
      automaticPresenceSimulation: true,
    },
  });
  const petra = await newPerson('Petra Schlüssel');
  await atDoor(page, petra);
  await inside(page, petra);
  await page.goto('/account');
  const keys = page.getByRole('region', { name: 'Passkeys' });
  await keys.getByLabel('What you call it').fill('blue key');
  await keys.getByRole('button', { name: 'Add a passkey' }).click();
  await expect(keys.getByText('blue key')).toBeVisible();
  await lock(page);
  await page.getByRole('dialog', { name: 'Locked' }).getByRole('button', { name: 'Passkey' }).click();
  await expect(page.getByText('Petra Schlüssel goes on.')).toBeVisible();
  await signOut(page);
  await page.getByRole('button', { name: 'Sign in with a passkey' }).click();
  await inside(page, petra);
  await page.goto('/account');
  await keys.getByRole('button', { name: 'Remove' }).click();
  await expect(keys.getByText('None yet.')).toBeVisible();
  await signOut(page);
  await page.getByRole('button', { name: 'Sign in with a passkey' }).click();
  await expect(page.getByText('This passkey was not accepted')).toBeVisible();
  await page.context().close();
});
