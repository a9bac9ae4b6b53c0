import { expect, type Page } from '@playwright/test';
import { byHand } from '../by-hand';
import { act, query, signIn, test } from '../people';
import { makeRun, manyPlaces } from './make-run';

/** A scanner types as fast as it can, and ends with Enter: all keys are there before the page has dealt with the first. */
async function scan(page: Page, code: string): Promise<void> {
  const keys = await page.context().newCDPSession(page);
  await Promise.all(
    [...code, '\r'].map((text) =>
      keys.send('Input.dispatchKeyEvent', {
        type: 'keyDown',
        text,
        key: text === '\r' ? 'Enter' : text,
        ...(text === '\r' ? { windowsVirtualKeyCode: 13 } : {}),
      }),
    ),
  );
  await keys.detach();
}
const eventsOf = async (run: string) => (await query('select seq from run_event where run_id = $1', [run])).length;
const DAY = {
  lot: 'CM-0440',
  shows: { co: { zero: '0', span: '100' } },
  keeps: {
    'Low alarm': '35',
    'High alarm': '70',
    'Span value that the instrument keeps': '100',
    'Peak, STEL and TWA as shown': 'none',
    'Last alarm events': 'none',
  },
};

test.beforeAll(manyPlaces);

test('a scanned code records nothing: with gas open, in a reading’s field, with a form open; it goes where a scan goes', async ({
  page,
}) => {
  const serial = `SCN-${Date.now() % 1e7}`;
  const { run } = await makeRun({ model: 'OF-120', serial, at: new Date(Date.now() - 3_600_000) });
  await signIn(page, 'technician', `/runs/${run}`);
  await byHand(page, DAY, /^found-on$/);
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

  // A hand is still a hand.
  await page.goto(`/runs/${run}`);
  await page.locator('h1').click();
  await page.keyboard.press('g');
  await expect(page.locator('.gas-bar')).toHaveCount(0);
});
