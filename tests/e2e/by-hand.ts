import { expect, type Page } from '@playwright/test';
import { act, allGood, goOnEarly, presentStep } from './people';

export interface ByHand {
  lot: string;
  /** What the display shows, by channel role and point. */
  shows: Record<string, Record<string, string>>;
  /** Figures that the instrument keeps, by the words of the question. */
  keeps?: Record<string, string>;
  readBack?: string;
}

const present = (page: Page) => page.locator('.present-step');

/** Works a run sheet without a line, by typing what a plain day shows, up to a step. */
export async function byHand(page: Page, day: ByHand, until: RegExp): Promise<void> {
  for (let guard = 0; guard < 90; guard += 1) {
    const { key, kind } = await presentStep(page);
    if (!key || until.test(key)) return;
    await work(page, day, kind);
    await page.waitForFunction((before) => document.querySelector('.present-step')?.getAttribute('data-step') !== before, key, {
      timeout: 45_000,
      polling: 100,
    });
  }
  throw new Error(`${String(until)} never came`);
}

async function work(page: Page, day: ByHand, kind: string): Promise<void> {
  switch (kind) {
    case 'wait':
      return goOnEarly(page, 'time is short in this test');
    case 'condition':
      await page.getByLabel('Temperature, °C').fill('21.5');
      await page.getByLabel('Air pressure, hPa').fill('1013');
      await page.getByLabel('Relative humidity, %').fill('45');
      return act(page);
    case 'reference':
      return page.getByTestId(`reference-${day.lot}`).getByRole('button', { name: 'Use this one' }).click();
    case 'check':
      for (const [label, value] of Object.entries(day.keeps ?? {})) {
        const field = present(page).getByLabel(label, { exact: true });
        if (await field.count()) await field.fill(value);
      }
      return allGood(page);
    case 'read':
      return read(page, day);
    case 'save': {
      const field = present(page).getByLabel('Last-calibration date read back');
      if (await field.count()) await field.fill(day.readBack ?? '');
      return act(page);
    }
    default:
      return act(page);
  }
}

async function read(page: Page, { shows }: ByHand): Promise<void> {
  const rows = page.locator('form.channel-row');
  const names = await rows.evaluateAll((list) => list.map((one) => one.getAttribute('data-testid') ?? ''));
  for (const name of names) {
    const [, role, point] = /^channel-([^-]+)-(.+)$/.exec(name)!;
    const row = page.getByTestId(name);
    await row.locator('.reading-input').fill(shows[role!]![point!]!);
    await row.locator('.reading-input').press('Enter');
    const why = row.getByLabel(/^Why .* counts$/);
    const left = page.locator(`form[data-testid="${name}"]`);
    await expect.poll(async () => (await why.isVisible()) || (await left.count()) === 0).toBe(true);
    if (await why.isVisible()) {
      await why.press('1');
      await expect(left).toHaveCount(0);
    }
  }
}
