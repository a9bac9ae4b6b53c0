import { expect } from '@playwright/test';
import { allGood, goOnEarly, pressPlace, presentStep, query, receiveInstrument, settled, signIn, test } from './people';

test('two keyboards at one bench: both see what the other did, a step that both press is done once, and the line says the same to both', async ({
  page,
  browser,
}) => {
  const serial = `TWO-${Date.now() % 1e6}`;
  await signIn(page, 'technician', '/receive');
  const code = await receiveInstrument(page, serial);
  await page.goto('/');
  await page.getByTestId(`ticket-${code}`).click();
  const free = (await page.locator('.place.free').first().getAttribute('data-testid'))!;
  await pressPlace(page, free);
  await page.getByTestId(free).getByRole('button', { name: 'Start the run' }).click();
  await page.waitForURL('**/runs/**');
  const run = page.url().split('/').at(-1)!;

  const other = await (await browser.newContext()).newPage();
  await signIn(other, 'signatory', `/runs/${run}`);
  await settled(other);
  await goOnEarly(page, 'warm on the way here');
  await expect(page.locator('.present-step[data-step="warm-up"]')).toHaveCount(0);
  // What one keyboard did is on the other's screen, without a press.
  const first = await presentStep(page);
  await expect(other.locator(`.present-step[data-step="${first.key}"]`)).toBeVisible();
  const at = async (who: typeof page) => {
    if (first.kind === 'condition') {
      await who.getByLabel('Temperature, °C').fill('21.5');
      await who.getByLabel('Air pressure, hPa').fill('1013');
      await who.getByLabel('Relative humidity, %').fill('45');
    }
  };
  await at(page);
  await at(other);
  // Both at once: the second hears that it is done, or finds itself on the next step; nothing is done twice.
  await Promise.all(
    [page, other].map((who) => (first.kind === 'check' ? allGood(who) : who.locator('[data-main-action]').click())),
  );
  for (const who of [page, other]) await expect(who.locator(`.present-step[data-step="${first.key}"]`)).toHaveCount(0);
  const next = await presentStep(page);
  await expect(other.locator(`.present-step[data-step="${next.key}"]`)).toBeVisible();
  const [{ n } = { n: 0 }] = await query<{ n: number }>(
    `select count(*)::int as n from run_event where run_id = $1 and step = $2 and type = 'stepDone'`,
    [run, first.key],
  );
  expect(n).toBe(1);
  // Seen at the bench, by both, in the same words.
  await Promise.all([page.goto('/'), other.goto('/')]);
  const place = free.replace('place-', '');
  for (const who of [page, other]) await expect(who.getByTestId(free)).toContainText(serial);
  await expect(page.getByTestId('conductor')).toContainText(/place \d+/);
  expect(place).toMatch(/^\d+$/);
});
