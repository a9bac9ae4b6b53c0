import { TZDate } from '@date-fns/tz';
import { format } from 'date-fns';
import { expect } from '@playwright/test';
import { query, signIn, test } from './people';

/** Somebody at a customer's, as the demo has them. */
const ILKA = 'ilka.thorn@window.example';
const PIET = 'piet.loos@window.example';

test('from the mailed link to the receipt: may I use it today, a bump, a booking under the ceiling, the arrival with two keys; who only looks changes nothing', async ({
  page,
  browser,
}) => {
  const outside = process.env.WERKBANK_PUBLIC_ORIGIN!;
  const [begun] = await query<{ at: Date }>('select now() as at');
  const linkOf = async (email: string) => {
    // A second try asks for a second link: the first was used.
    const sent = () =>
      query<{ body: string }>(
        "select body from mail where recipient = $1 and created_at >= $2 and message_id like '<window-%' and state = 'sent' order by created_at desc",
        [email, begun!.at],
      );
    await expect.poll(async () => (await sent()).length, { timeout: 30_000 }).toBeGreaterThan(0);
    return /(http\S+\/window\/enter\/[\w-]+)/.exec((await sent())[0]!.body)![1]!;
  };
  const customer = await (await browser.newContext()).newPage();
  // Nobody is told whether an address is known.
  for (const email of ['stranger@window.example', ILKA]) {
    await customer.goto(`${outside}/window`);
    await customer.getByLabel('Mail address').fill(email);
    await customer.getByRole('button', { name: 'Send me a link' }).click();
    await expect(customer.getByText('a link is on its way')).toBeVisible();
  }
  const link = await linkOf(ILKA);
  expect(link.startsWith(outside)).toBe(true);
  expect((await query('select 1 from mail where recipient = $1', ['stranger@window.example'])).length).toBe(0);
  await customer.goto(link);
  await customer.getByRole('button', { name: 'Go in' }).click();
  await expect(customer.getByRole('heading', { name: /May I use it today/ })).toBeVisible();
  // Used once, it opens nothing.
  const other = await (await browser.newContext()).newPage();
  await other.goto(link);
  await other.getByRole('button', { name: 'Go in' }).click();
  await expect(other.getByText('This link was used already')).toBeVisible();

  const waits = customer.getByRole('row').filter({ hasText: 'bump first' }).first();
  const serial = (await waits.locator('.row-link .mono').innerText()).trim();
  await waits.locator('.row-link').click();
  await customer.setViewportSize({ width: 390, height: 844 });
  const pocket = customer.getByTestId('pocket');
  await expect(pocket).toContainText('bump first');
  // A press before the browser has taken the page over would be lost.
  await customer.waitForLoadState('networkidle');
  await customer.getByRole('button', { name: 'It passed' }).click();
  await expect(pocket).toContainText('yes', { timeout: 30_000 });
  expect(await customer.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
  await customer.getByTestId('report-fault').getByText('Report a fault').click();
  await customer.getByLabel('What is wrong?').fill(`${serial} smells burnt`);
  await customer.getByTestId('report-fault').getByRole('button', { name: 'Send' }).click();
  await expect(customer.getByTestId('report-fault').getByText('The workshop has it.')).toBeVisible({ timeout: 30_000 });
  // A document as it was issued, through the window's own role.
  const pdf = customer.locator('a[href$="/pdf"]').first();
  const address = `${outside}${await pdf.getAttribute('href')}`;
  await expect
    .poll(async () => (await (await customer.request.get(address)).body()).subarray(0, 5).toString(), { timeout: 60_000 })
    .toBe('%PDF-');
  const [foreign] = await query<{ id: string }>(
    'select c.id from certificate c where c.customer_id <> (select customer_id from customer_contact where email = $1) limit 1',
    [ILKA],
  );
  expect((await customer.request.get(`${outside}/window/documents/${foreign!.id}/pdf`)).status()).toBe(404);
  await customer.setViewportSize({ width: 1280, height: 800 });

  // The full week is said beside the day, with the one that has room; today it is.
  await customer.goto(`${outside}/window/bookings/new`);
  const [ceiling] = await query<{ n: number; zone: string }>(
    "select (value->>'weekInstruments')::int as n, value->>'zone' as zone from setting where key = 'workshop'",
  );
  expect(ceiling!.n).toBeGreaterThan(0);
  // The workshop's day: an hour before midnight by UTC it is tomorrow there.
  const today = format(TZDate.tz(ceiling!.zone), 'yyyy-MM-dd');
  await customer.getByLabel('Day', { exact: true }).fill(today);
  await customer.getByLabel('Day', { exact: true }).blur();
  await customer.getByRole('checkbox', { name: new RegExp(serial) }).check();
  await customer.getByRole('button', { name: 'Book', exact: true }).click();
  await expect(customer.getByTestId('own-bookings')).toContainText(serial, { timeout: 30_000 });
  await customer.getByTestId('own-feed').getByRole('button').click();
  const feed = await customer.getByTestId('own-feed').locator('.mono').innerText();
  const calendar = await (await customer.request.get(feed)).text();
  expect(calendar).toContain('BEGIN:VCALENDAR');
  expect(calendar).toContain('UID:booking-');

  await signIn(page, 'counter', '/bookings');
  await expect(page.getByTestId('window-reports')).toContainText(`${serial} smells burnt`);
  await expect(page.getByTestId('load')).toContainText('A week holds');
  const row = page.getByTestId('arrivals').locator('div.border-top').filter({ hasText: serial });
  const key = (await row.locator('kbd').innerText()).trim();
  await page.locator('body').press(key);
  await expect(page.getByTestId('booked')).toContainText('Booked:');
  await expect(page.getByTestId(`line-${serial}`)).toBeVisible();
  await page.locator('body').press('Control+Enter');
  await expect(page.getByRole('heading', { name: /^Received: / })).toBeVisible();
  await customer.goto(`${outside}/window/bookings`);
  await expect(customer.getByTestId('own-bookings').locator('div').filter({ hasText: serial }).first()).toContainText('arrived');
  await customer.goto(`${outside}/window`);
  await expect(customer.getByRole('row').filter({ hasText: serial })).toContainText('With the workshop');

  // Who only looks sees the same, and is offered nothing that changes it.
  await other.goto(`${outside}/window`);
  await other.getByLabel('Mail address').fill(PIET);
  await other.getByRole('button', { name: 'Send me a link' }).click();
  await expect(other.getByText('a link is on its way')).toBeVisible();
  await other.goto(await linkOf(PIET));
  await other.getByRole('button', { name: 'Go in' }).click();
  await other.getByRole('row').filter({ hasText: serial }).locator('.row-link').click();
  await expect(other.getByText('You see what is here')).toBeVisible();
  expect(
    (await other.request.post(`${outside}/api/window/request`, { data: { kind: 'fault', what: { text: 'x' } } })).status(),
  ).toBe(403);
  await other.getByRole('button', { name: 'Sign out' }).click();
  await expect(other.getByLabel('Mail address')).toBeVisible();
  await other.goto(`${outside}/window/documents`);
  await expect(other.getByLabel('Mail address')).toBeVisible();
});
