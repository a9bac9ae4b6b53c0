import { expect, type Page } from '@playwright/test';
import { byHand } from '../by-hand';
import { act, query, signIn, test } from '../people';
import { CO_BY_HAND, makeRun, manyPlaces } from './make-run';

/** A scanner types a key every few ms, and ends with Enter: the times are those of the device, however late a busy machine hears them. */
async function scan(page: Page, code: string): Promise<void> {
  const keys = await page.context().newCDPSession(page);
  const begun = Date.now() / 1000;
  await Promise.all(
    [...code, '\r'].map((text, index) =>
      keys.send('Input.dispatchKeyEvent', {
        type: 'keyDown',
        timestamp: begun + index * 0.005,
        text,
        key: text === '\r' ? 'Enter' : text,
        ...(text === '\r' ? { windowsVirtualKeyCode: 13 } : {}),
      }),
    ),
  );
  await keys.detach();
}
const eventsOf = async (run: string) => (await query('select seq from run_event where run_id = $1', [run])).length;

test.beforeAll(manyPlaces);

test('a scanned code records nothing: with gas open, in a reading’s field, with a form open; it goes where a scan goes', async ({
  page,
}) => {
  const serial = `SCN-${Date.now() % 1e7}`;
  const { run } = await makeRun({ model: 'OF-120', serial, at: new Date(Date.now() - 3_600_000) });
  await signIn(page, 'technician', `/runs/${run}`);
  await byHand(page, CO_BY_HAND, /^found-on$/);
  await act(page);
  await expect(page.locator('.gas-bar')).toBeVisible();
  const before = await eventsOf(run);
  const field = page.getByTestId('channel-co-span').locator('.reading-input');

  await page.locator('h1').click();
  await scan(page, 'g n 3');
  await page.waitForURL('**/assets?q=**');
  expect(await eventsOf(run)).toBe(before);

  await page.goto(`/runs/${run}`);
  await field.fill('97');
  await field.focus();
  await scan(page, '4711g n3');
  await page.waitForURL('**/assets?q=**');
  expect(await eventsOf(run)).toBe(before);
  await page.goto(`/runs/${run}`);
  await expect(field).toHaveValue('97');

  await page.getByRole('button', { name: 'Note', exact: true }).click();
  await page.getByLabel('What the signatory and the customer should know').focus();
  await scan(page, serial);
  await page.waitForURL('**/assets/**');
  expect(await eventsOf(run)).toBe(before);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('OF-120');

  // A foot switch types a key of its own: it is pressed once to be known, and works while a field is typed in.
  await page.goto(`/runs/${run}`);
  await page.getByRole('button', { name: 'Foot switch, number pad' }).click();
  const gasOff = page.getByRole('row', { name: /gas off/ });
  await gasOff.getByRole('button', { name: 'Choose' }).click();
  await page.keyboard.press('a');
  await expect(page.getByText('a is needed for typing')).toBeVisible();
  await page.keyboard.press('F9');
  await expect(gasOff).toContainText('F9');
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await field.focus();
  await page.keyboard.press('F9');
  await expect(page.locator('.gas-bar')).toHaveCount(0);
});

test('a hand is still a hand', async ({ page }) => {
  const { run } = await makeRun({ model: 'OF-120', serial: `HND-${Date.now() % 1e7}`, at: new Date(Date.now() - 3_600_000) });
  await signIn(page, 'technician', `/runs/${run}`);
  await byHand(page, CO_BY_HAND, /^found-on$/);
  await act(page);
  await expect(page.locator('.gas-bar')).toBeVisible();
  await page.locator('h1').click();
  await page.keyboard.press('g');
  await expect(page.locator('.gas-bar')).toHaveCount(0);
});
