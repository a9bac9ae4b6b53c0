import { expect, type Page } from '@playwright/test';
import { goOnEarly, presentStep, pressAt } from '../people';
import type { StandIn } from './stand-in';

export interface Flight {
  page: Page;
  device: StandIn;
  /** Lot of the bottle for a gas step, of the tool for another. */
  lots: Record<string, string>;
  mixture: Record<string, number>;
  filter?: 'co2' | 'charcoal';
  /** What to answer at a decision; the first option otherwise. */
  decide?: string;
  /** Span values to be set by key, by slot; the stored ones otherwise. */
  spans?: Record<number, string>;
  /** Stops before this step. */
  until?: RegExp;
  /** The instrument runs in a process of its own: nobody can look inside it. */
  blind?: boolean;
}

const present = (page: Page) => page.locator('.present-step');

/** Works through a run sheet in the browser the way a technician would: real keys, readings captured off the line, the instrument's own keys by hand. */
export async function fly(flight: Flight): Promise<void> {
  const { page, until } = flight;
  for (let guard = 0; guard < 80; guard += 1) {
    await expect(present(page)).toBeVisible();
    const { key, kind } = await presentStep(page);
    if (!key || until?.test(key)) return;
    await work(flight, kind, key);
    // A step that takes several presses (a channel each) changes the sheet, not always the step.
    await page.waitForFunction(
      (before) => {
        const now = document.querySelector('.present-step');
        return now?.getAttribute('data-step') !== before;
      },
      key,
      { timeout: 90_000, polling: 100 },
    );
  }
  throw new Error('the run does not come to an end');
}

async function work(flight: Flight, kind: string, key: string): Promise<void> {
  const { page, device } = flight;
  const main = page.locator('[data-main-action]');
  switch (kind) {
    case 'wait':
      // A purge is waited for in the instrument's own time, which runs faster here.
      if (!flight.blind && device.instrument.world.mixture === null && device.instrument.world.filter === 'none')
        await expect.poll(() => zeroIsNear(device), { timeout: 45_000 }).toBe(true);
      return goOnEarly(page, 'time is speeded up in this test');
    case 'condition':
      for (const [label, value] of [
        ['Temperature, °C', '21.5'],
        ['Air pressure, hPa', '1013'],
        ['Relative humidity, %', '45'],
      ] as const) {
        const field = page.getByLabel(label);
        if (await field.count()) await field.fill(value);
      }
      return main.click();
    case 'check':
      return check(page);
    case 'reference': {
      const lot =
        flight.lots[
          (await present(page).getByRole('heading', { level: 2 }).innerText()).toLowerCase().includes('bottle') ? 'gas' : 'tool'
        ] ?? flight.lots.gas!;
      return page.getByTestId(`reference-${lot}`).getByRole('button', { name: 'Use this one' }).click();
    }
    case 'stimulus':
      return stimulus(flight);
    case 'read':
      return read(page, key);
    case 'adjust':
      return adjust(flight);
    case 'save':
      return main.click();
    case 'bump':
      return bump(flight);
    case 'decide':
      return page
        .getByTestId('decide')
        .getByRole('button', flight.decide ? { name: flight.decide } : {})
        .first()
        .click();
    default:
      throw new Error(`nobody knows how to do ${kind} at ${key} of ${device.serial}`);
  }
}

/** Captures when everything has settled; a channel that moved again in the last moment is waited for. */
async function read(page: Page, key: string): Promise<void> {
  await expect
    .poll(
      async () => {
        if ((await present(page).getAttribute('data-step')) !== key) return 'gone on';
        if (
          await present(page)
            .getByText(/([1-9]\d*) of \1 settled/)
            .count()
        )
          await pressAt(page, key, 'c');
        return 'waiting';
      },
      { timeout: 120_000, intervals: [300] },
    )
    .toBe('gone on');
}

/** Pass, yes, and what the instrument itself said where it is read off. */
async function check(page: Page): Promise<void> {
  const groups = present(page).locator('.btn-group');
  for (let i = 0; i < (await groups.count()); i += 1) await groups.nth(i).getByRole('button').first().click();
  const fields = present(page).locator('input:not([type=checkbox])');
  // A setting is what the instrument says, once it has said it: nobody makes one up.
  const settings = present(page).getByLabel(/alarm$|[Ss]pan value/);
  for (let i = 0; i < (await settings.count()); i += 1) await expect(settings.nth(i)).not.toHaveValue('', { timeout: 60_000 });
  for (let i = 0; i < (await fields.count()); i += 1) if (!(await fields.nth(i).inputValue())) await fields.nth(i).fill('0');
  await page.locator('[data-main-action]').click();
}

async function stimulus({ page, device, mixture, filter }: Flight): Promise<void> {
  const button = page.locator('[data-main-action]');
  const word = await button.innerText();
  const on = / on/.test(word);
  await device.hand(word.startsWith('Gas') ? { mixture: on ? mixture : null } : { filter: on ? filter : 'none' });
  await button.click();
}

/** Presses the instrument's own keys and takes what it says from its line. */
async function adjust({ page, device, spans }: Flight): Promise<void> {
  const title = await present(page).getByRole('heading', { level: 2 }).innerText();
  const zero = /zero/i.test(title);
  await device.hand({ key: { key: 'acknowledge' } });
  if (zero) {
    // Gas has to be gone before a zero takes: the test's time is fast, the sensor's is not faster.
    await expect.poll(() => zeroIsNear(device), { timeout: 45_000 }).toBe(true);
    await device.hand({ key: { key: 'acknowledge' } });
    await device.hand({ key: { key: 'zero' } });
  } else {
    await expect.poll(() => settledEnough(device), { timeout: 45_000 }).toBe(true);
    await device.hand({ key: { key: 'acknowledge' } });
    const only = /: (.+?)( \(try|$)/.exec(title)?.[1];
    for (const { info } of device.instrument.model.channels.map((one) => one.channel)) {
      if (only && info.measurand !== MEASURAND[only]) continue;
      const value = spans?.[info.slot];
      await device.hand({ key: { key: 'span', slot: info.slot, ...(value ? { value } : {}) } });
    }
    await device.hand({ key: { key: 'save' } });
  }
  await expect(page.getByTestId('instrument-says'), title).toContainText('The instrument says:', { timeout: 45_000 });
  await page.getByRole('button', { name: 'Record it so' }).click();
}

const MEASURAND: Record<string, string> = {
  'O₂': 'oxygen',
  Combustible: 'methane',
  'H₂S': 'hydrogen sulphide',
  CO: 'carbon monoxide',
};

function zeroIsNear({ instrument }: StandIn): boolean {
  const frame = instrument.frame();
  return instrument.model.channels.every(({ channel }) => {
    const shown = frame.readings.find((one) => one.slot === channel.info.slot);
    if (shown?.status !== 'value') return true;
    // What the air of the bench holds anyhow is no gas left over; through a filter it has to go as well.
    const ambient =
      instrument.world.filter === 'none' && ['carbon dioxide', 'volatile organics'].includes(channel.info.measurand);
    if (ambient && channel.info.unit !== '%vol') return Number(shown.text) < 700;
    return (
      Math.abs(Number(shown.text) - channel.cleanAir) <=
      Math.max(2 * Number(channel.info.resolution), channel.info.unit === '%vol' ? 0.004 * Number(channel.info.highest) : 0)
    );
  });
}

const seen = new WeakMap<object, { seconds: number; texts: string }>();
/** Two looks with the same figures some instrument seconds apart. */
function settledEnough({ instrument }: StandIn): boolean {
  const frame = instrument.frame();
  const now = { seconds: frame.seconds, texts: frame.readings.map((one) => Math.round(Number(one.text) * 2) / 2).join() };
  const before = seen.get(instrument);
  if (!before || before.texts !== now.texts) {
    seen.set(instrument, now);
    return false;
  }
  return now.seconds - before.seconds > 8;
}

async function bump({ page }: Flight): Promise<void> {
  const rows = page.locator('.bump-list li');
  await expect
    .poll(async () => (await rows.allInnerTexts()).every((text) => !text.includes('not looked at')), { timeout: 45_000 })
    .toBe(true)
    // Its own timed test may be over before the line told of it: then the person says what was seen.
    .catch(async () => {
      for (const row of await rows.all())
        if ((await row.innerText()).includes('not looked at'))
          await row.getByRole('button', { name: 'Moved', exact: true }).click();
    });
  for (const group of await page.getByRole('group', { name: /witnessed/ }).all())
    await group.getByRole('button', { name: 'Yes' }).click();
  await page.getByRole('button', { name: 'Record the bump' }).click();
}
