import { expect } from '@playwright/test';
import { allGood, goOnEarly, query, read, receiveInstrument, signIn, step, test } from './people';

test('a room without the role answers 403 and is on record', async ({ page }) => {
  await signIn(page, 'counter');
  const response = await page.goto('/office');
  expect(response!.status()).toBe(403);
  await expect(page.getByRole('heading', { name: 'Not for your role' })).toBeVisible();
  expect((await page.request.post('/api/bench', { data: {} })).status()).toBe(403);
  const rows = await query<{ subject: string }>("select subject from audit where action = 'refused' order by id desc limit 5");
  expect(rows.map((row) => row.subject)).toEqual(expect.arrayContaining(['/office', '/api/bench']));
});

test('nobody signed in gets nowhere, and back to where they wanted after signing in', async ({ page }) => {
  await page.goto('/shelf');
  await expect(page).toHaveURL(/\/sign-in\?next=%2Fshelf/);
  expect((await page.request.get('/api/runs/00000000-0000-0000-0000-000000000000/events')).status()).toBe(401);
  await signIn(page, 'technician', '/shelf');
  await expect(page.getByRole('heading', { name: 'Shelf' })).toBeVisible();
});

test('what writes is taken from our own pages alone, and of no kind that a form elsewhere could send', async ({
  page,
  baseURL,
}) => {
  await signIn(page, 'technician');
  const body = { run: '00000000-0000-0000-0000-000000000000', screen: 'a screen of its own', take: false };
  const post = async (path: string, headers: Record<string, string>) =>
    (
      await page.request.post(path, { headers: { 'content-type': 'application/json', ...headers }, data: JSON.stringify(body) })
    ).status();
  for (const path of ['/api/bench', '/api/hand', '/api/lines', `/api/runs/${body.run}/photos`]) {
    expect(await post(path, { origin: 'https://elsewhere.example' })).toBe(403);
    expect(await post(path, { 'sec-fetch-site': 'cross-site' })).toBe(403);
    expect(await post(path, { origin: baseURL!, 'content-type': 'text/plain' })).toBe(415);
  }
  expect(await post('/api/hand', { origin: baseURL! })).not.toBe(403);
});

test('failed sign-ins are limited, and the answer tells nothing', async ({ page }) => {
  await page.goto('/sign-in');
  const attempt = async () => {
    await page.getByLabel('Mail address').fill('nobody@port-ambrel.example');
    await page.getByLabel('Password').fill('wrong');
    await page.getByRole('button', { name: 'Sign in' }).click();
  };
  for (let i = 0; i < 5; i += 1) {
    await attempt();
    await expect(page.getByText('Address or password is not right.')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Sign in' })).toBeEnabled();
  }
  await attempt();
  await expect(page.getByText(/Too many failed tries\. Wait \d+ second/)).toBeVisible();
  expect(
    (
      await page.request.post('/api/auth/sign-up/email', {
        data: { email: 'x@y.example', password: 'long enough 12', name: 'x' },
      })
    ).status(),
  ).toBe(404);
});

test('a duplicate serial of a maker shows the existing one; nothing typed is lost on reload', async ({ page }) => {
  await signIn(page, 'counter', '/receive');
  const [known] = await query<{ serial: string; customer: string }>(
    "select a.serial, c.name as customer from asset a join customer c on c.id = a.customer_id where a.maker = 'Ordfell' and c.name = 'Grauwinkel Brewery' limit 1",
  );
  await page.getByLabel('Customer', { exact: true }).fill('Oxmoor');
  await page.getByRole('button', { name: 'Oxmoor Creamery', exact: true }).click();
  await page.reload();
  await expect(page.locator('strong', { hasText: 'Oxmoor Creamery' })).toBeVisible();
  await page.getByLabel('Instrument', { exact: true }).fill('NEW-SERIAL-1');
  await page.getByRole('button', { name: /Make a new instrument/ }).click();
  await page.getByLabel('Maker and model').selectOption({ label: 'Ordfell OF-410, Four-gas leak monitor' });
  await page.getByLabel('Serial', { exact: true }).fill(known!.serial.toLowerCase());
  await page.getByRole('button', { name: 'Make instrument' }).click();
  await expect(page.getByText(`This serial is on record for ${known!.customer}.`)).toBeVisible();
});

test('two people on one run: the second sees what the first did; a reload keeps what was typed; drag works; the sheet is usable by keys and at 800 px', async ({
  page,
  browser,
}) => {
  await signIn(page, 'technician');
  const code = await receiveInstrument(page, `TWO-${Date.now() % 1e6}`);
  await page.goto('/');
  const slip = page.getByTestId(`ticket-${code}`);
  // The whole bench in sight: what is dragged has to be let go over a place.
  await page.setViewportSize({ width: 1280, height: 1500 });
  const place = page.locator('.place.free').last();
  const name = await place.getAttribute('data-testid');
  const [from, to] = [(await slip.boundingBox())!, (await place.boundingBox())!];
  await page.mouse.move(from.x + 60, from.y + 30);
  await page.mouse.down();
  await page.mouse.move(from.x + 90, from.y + 60, { steps: 4 });
  await page.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 8 });
  await page.mouse.up();
  await expect(page.getByTestId(name!)).toContainText(code);
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.getByTestId(name!).getByRole('button', { name: 'Start the run' }).click();
  await page.waitForURL('**/runs/**');
  await goOnEarly(page, 'test of two people');
  await step(page, 'Conditions');
  await page.getByLabel('Temperature, °C').fill('21');
  await page.getByLabel('Air pressure, hPa').fill('1009');
  await page.getByLabel('Relative humidity, %').fill('40');
  await page.getByRole('button', { name: 'Record' }).click();
  await page.getByTestId('reference-FG-1402').getByRole('button', { name: 'Use this one' }).click();
  await step(page, 'Auto-zero at switch-on');
  await allGood(page);
  await step(page, 'As found: clean air');
  const other = await (await browser.newContext({ viewport: { width: 800, height: 900 } })).newPage();
  await signIn(other, 'signatory', new URL(page.url()).pathname);
  await step(other, 'As found: clean air');
  await other.getByTestId('channel-co-zero').locator('.reading-input').fill('3');
  await read(page, { co: '1' });
  await expect(other.locator('.log-line', { hasText: 'CO 1 ppm' })).toBeVisible();
  await expect(other.getByTestId('channel-co-zero').locator('.reading-input')).toHaveCount(0);
  expect(await other.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
  await page.getByTestId('channel-h2s-zero').locator('.reading-input').fill('0.5');
  await page.reload();
  await expect(page.getByTestId('channel-h2s-zero').locator('.reading-input')).toHaveValue('0.5');
  const run = page.url().split('/').pop();
  expect(
    (
      await query<{ n: number }>("select count(*)::int as n from run_event where run_id = $1 and type = 'readingCaptured'", [run])
    )[0]!.n,
  ).toBe(1);
});

test('the network gone: what was taken is kept in the browser and goes out by itself; the screen is kept awake meanwhile', async ({
  page,
  context,
}) => {
  // A browser without a screen has nothing to keep awake: what it is asked for is written down.
  await page.addInitScript(() => {
    const held = { now: 0 };
    const request = () => {
      held.now += 1;
      return Promise.resolve({ release: () => Promise.resolve(void (held.now -= 1)) });
    };
    Object.defineProperty(navigator, 'wakeLock', { value: { request } });
    Object.assign(window, { held });
  });
  const awake = () => page.evaluate(() => (window as unknown as { held: { now: number } }).held.now);
  await signIn(page, 'technician');
  // Another walk may have one at the same step.
  const open = page.locator('.place.taken', { hasText: 'Purge' }).first();
  await open.getByRole('link', { name: 'Go on' }).click();
  await page.waitForURL('**/runs/**');
  await expect.poll(awake).toBe(1);
  const run = page.url().split('/').pop()!;
  await context.route('**/api/bench', (route) => route.abort());
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(page.locator('.away')).toContainText('goes out by itself');
  await page.reload();
  await expect(page.locator('.away')).toBeVisible();
  expect(
    (await query<{ n: number }>("select count(*)::int as n from run_event where run_id = $1 and step = 'zero'", [run]))[0]!.n,
  ).toBe(0);
  await context.unroute('**/api/bench');
  await step(page, 'Zero all channels');
  await expect(page.locator('.away')).toHaveCount(0);
  // Where nothing is worked on the screen may sleep.
  await page.getByRole('link', { name: 'Certificates', exact: true }).first().click();
  await page.waitForURL('**/certificates**');
  await expect.poll(awake).toBe(0);
});

test('every answer carries the security headers, and the health address says how it is', async ({ request }) => {
  const response = await request.get('/sign-in');
  const headers = response.headers();
  expect(headers['content-security-policy']).toMatch(/script-src 'self' 'nonce-[\w+/=]+' 'strict-dynamic'/);
  expect(headers['x-content-type-options']).toBe('nosniff');
  expect(headers['x-powered-by']).toBeUndefined();
  expect(await (await request.get('/api/health')).json()).toMatchObject({ ok: true });
});
