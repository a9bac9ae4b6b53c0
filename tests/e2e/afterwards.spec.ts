import { expect } from '@playwright/test';
import { PASSWORD, query, sign, signIn, test } from './people';

test('the signatory sends one run back with a note; the bench shows it, and the run is open again', async ({ page, browser }) => {
  await signIn(page, 'signatory', '/approve');
  const row = page.locator('tbody tr').first();
  const serial = await row.locator('td.mono').innerText();
  await row.getByRole('link', { name: 'Look' }).click();
  await page.getByRole('button', { name: 'Send back' }).click();
  await page.getByRole('button', { name: 'Send back' }).click();
  await expect(page.getByText('Say in a few words why.')).toBeVisible();
  await page.getByLabel('What the technician should look at').fill('read CO again, please');
  await page.getByRole('button', { name: 'Send back' }).click();
  await page.waitForURL('**/approve');
  await expect(page.locator('tbody')).not.toContainText(serial);
  const bench = await (await browser.newContext()).newPage();
  await signIn(bench, 'technician');
  const ticket = bench.locator('.ticket', { hasText: serial });
  await expect(ticket).toContainText('sent back by the signatory');
  const [{ id }] = (await query<{ id: string }>(
    "select s.run_id as id from run_summary s join asset a on a.id = s.asset_id where a.serial = $1 and s.status = 'open'",
    [serial],
  )) as [{ id: string }];
  await bench.goto(`/runs/${id}`);
  await expect(bench.getByText('Sent back by Henrike Solde: read CO again, please')).toBeVisible();
});

test('a revision says why, keeps the number, and the old code then says “replaced”', async ({ page }) => {
  const [old] = await query<{ id: string; number: string; token: string }>(
    "select c.id, c.number, c.token from certificate c where c.kind = 'calibration' and not exists (select from certificate n where n.replaces = c.id or n.withdraws = c.id) order by c.issued_at limit 1",
  );
  await signIn(page, 'signatory', `/certificates/${old!.id}`);
  await page.getByRole('button', { name: 'Issue a revision' }).click();
  await page.getByRole('button', { name: 'Issue revision' }).click();
  await expect(page.getByText('Say in a few words why.')).toBeVisible();
  await page.getByLabel('Reason of the revision').fill('address of the customer was wrong');
  await page.getByLabel('Your password, to sign').fill('not my password');
  await page.getByRole('button', { name: 'Issue revision' }).click();
  await expect(page.getByText('nothing was signed')).toBeVisible();
  await sign(page, 'Issue revision');
  await expect(page.getByText('Signed by Henrike Solde')).toContainText('I issue this revision in my name');
  await expect(page.getByText('Replaces', { exact: false })).toContainText('address of the customer was wrong');
  await expect(page.locator('.page-head')).toContainText(`${old!.number} rev 1`);
  await page.goto(`/certificates/${old!.id}`);
  await expect(page.getByText('This one stays on record as it was')).toBeVisible();
  await page.context().clearCookies();
  await page.goto(`/verify/${old!.token}`);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Replaced');
});

test('a document is reopened: the wrong figure is corrected, approved again as a revision that says what changed, and the customer is told', async ({
  page,
  browser,
}) => {
  // Not the very newest: that may be the one which another walk issued a moment ago.
  const [old] = (await query<{ id: string; number: string; run: string; asset: string }>(
    `select c.id, c.number, c.run_id as run, c.asset_id as asset from certificate c join asset a on a.id = c.asset_id
     join instrument_model m on m.id = a.model_id
     where c.kind = 'calibration' and c.content->>'schema' = 'werkbank-certificate/2' and m.procedure_id = 'four-gas-leak-monitor'
     and c.revision = 0 and not exists (select from certificate n where n.replaces = c.id or n.withdraws = c.id)
     and c.issued_at < now() - interval '1 day' order by c.issued_at desc limit 1`,
  )) as [{ id: string; number: string; run: string; asset: string }];
  await signIn(page, 'signatory', `/certificates/${old.id}`);
  await page.getByRole('button', { name: 'Reopen the run' }).click();
  await page.getByLabel('What is wrong with the values').fill('CO was written down wrong');
  await page.getByRole('button', { name: 'Reopen', exact: true }).click();
  await page.waitForURL(`**/runs/${old.run}`);
  const bench = await (await browser.newContext()).newPage();
  await signIn(bench, 'technician', `/runs/${old.run}`);
  await expect(bench.getByText('CO was written down wrong').first()).toBeVisible();
  const line = bench.locator('.log-line', { hasText: /^.{0,12}CO .*as left/ }).first();
  await line.getByRole('button', { name: 'correct' }).click();
  const form = bench.getByTestId('correct-form');
  await form.getByRole('button', { name: 'Correct it' }).click();
  await expect(form.getByText('Say in a few words what was wrong.')).toBeVisible();
  await form.getByLabel(/What was wrong/).fill('the paper beside the bench says otherwise');
  await form.getByRole('button', { name: 'Correct it' }).click();
  await expect(form.getByText(/Type the right figure/)).toBeVisible();
  const was = Number(await form.getByLabel(/Reading as displayed/).inputValue());
  await form.getByLabel(/Reading as displayed/).fill(String(was + 1));
  await form.getByRole('button', { name: 'Correct it' }).click();
  await expect(form).toHaveCount(0);
  await bench.getByRole('button', { name: /Finish and hand/ }).click();
  await expect(bench.locator('.present-step h2')).toContainText('Finished');
  await page.goto(`/approve/${old.run}`);
  await sign(page);
  await page.waitForURL('**/certificates/**');
  await expect(page.locator('.page-head')).toContainText(`${old.number} rev 1`);
  const [made] = (await query<{ changed: string[] }>(
    "select c.content->'replaces'->'changed' as changed from certificate c where c.number = $1 and c.revision = 1",
    [old.number],
  )) as [{ changed: string[] }];
  expect(made.changed.join(' ')).toMatch(new RegExp(`${was}\\b.*${was + 1}\\b`));
  const [{ told }] = (await query<{ told: number }>(
    "select count(*)::int as told from mail where subject ilike '%' || $1 || '%' and created_at > now() - interval '5 minutes'",
    [old.number],
  )) as [{ told: number }];
  expect(told).toBeGreaterThan(0);
  await bench.context().close();
});

test('an interval set on the card moves the stored due date; nonsense is told and nothing moves', async ({ page }) => {
  const [one] = await query<{ id: string; due: string }>(
    "select a.id, a.next_due::text as due from asset a where a.due_basis ->> 'certificate' is not null order by a.serial limit 1",
  );
  const due = async () =>
    (await query<{ due: string }>('select next_due::text as due from asset where id = $1', [one!.id]))[0]!.due;
  await signIn(page, 'technician', `/assets/${one!.id}`);
  const form = page.locator('form', { has: page.getByLabel('Count') });
  await form.getByLabel('Count').fill('-3');
  await form.getByRole('button', { name: 'Set' }).click();
  await expect(form.getByRole('status')).not.toBeEmpty();
  expect(await due()).toBe(one!.due);
  await form.getByLabel('Count').fill('45');
  await form.getByLabel('Unit').selectOption('days');
  await form.getByRole('button', { name: 'Set' }).click();
  await expect(form.getByRole('status')).toContainText('1 due date moved');
  expect(await due()).not.toBe(one!.due);
  await expect(page.getByText('45 days for this instrument')).toBeVisible();
  await form.getByRole('button', { name: 'Take this one away' }).click();
  await expect.poll(due).toBe(one!.due);
});

test('what is filtered stands in the address: window and customer survive a reload and can be shared', async ({ page }) => {
  await signIn(page, 'counter', '/due?window=all');
  await page.getByLabel('Customer').fill('Fennick');
  await page.getByRole('button', { name: 'Fennick Biogas Cooperative' }).click();
  await page.waitForURL(/customer=/);
  await expect(page.locator('tbody tr').first()).toContainText('Fennick Biogas Cooperative');
  const count = await page.locator('tbody tr').count();
  await page.reload();
  await expect(page.locator('tbody tr')).toHaveCount(count);
  for (const customer of await page.locator('tbody tr td:nth-child(6)').allInnerTexts()) expect(customer).toContain('Fennick');
  await page.getByRole('link', { name: /^Next month/ }).click();
  await expect(page).toHaveURL(/window=nextMonth.*customer=|customer=.*window=nextMonth/);
});

test('the office: settings are checked beside the field; a new person signs in, and is out at once when kept out', async ({
  page,
  browser,
}) => {
  await signIn(page, 'admin', '/office');
  await page.getByLabel('Time zone').fill('Mars/Olympus');
  await page.getByRole('button', { name: 'Save settings' }).click();
  await expect(page.getByText('This is no time zone')).toBeVisible();
  await page.goto('/office/people');
  const email = `new-${Date.now()}@port-ambrel.example`;
  const form = page.locator('form', { has: page.getByRole('button', { name: 'Add', exact: true }) });
  await form.getByLabel('Name').fill('Nell Bright');
  await form.getByLabel('Mail address').fill(email);
  await form.getByRole('button', { name: 'Add' }).click();
  const given = (await page.getByTestId('given-password').locator('.mono').textContent())!;
  expect(given).toMatch(/^[a-z2-9]{5}(-[a-z2-9]{5}){3}$/);
  const line = page.locator('tr', { hasText: email });
  await expect(line).toContainText('technician');
  const other = await (await browser.newContext()).newPage();
  await other.goto('/sign-in');
  await other.getByLabel('Mail address').fill(email);
  await other.getByLabel('Password').fill(given);
  await other.getByRole('button', { name: 'Sign in' }).click();
  // Nothing opens before a password of one's own is set; the one that was given is spent.
  await expect(other.getByText('was good for this one time')).toBeVisible();
  await other.goto('/due');
  await expect(other).toHaveURL(/account/);
  await other.getByLabel('A new one, at least 12 characters').fill(PASSWORD);
  await other.getByRole('button', { name: 'Change it' }).click();
  await expect(other.getByText('was good for this one time')).toHaveCount(0);
  await expect(other.locator('.house-bar')).toContainText('Nell');
  await line.getByRole('button', { name: 'Close the account' }).click();
  await expect(line.getByRole('button', { name: 'Open the account' })).toBeVisible();
  await other.goto('/due');
  await expect(other).toHaveURL(/sign-in/);
  const actions = (await query<{ action: string }>('select action from audit order by id desc limit 8')).map((row) => row.action);
  expect(actions).toEqual(expect.arrayContaining(['addUser', 'setUserActive']));
});
