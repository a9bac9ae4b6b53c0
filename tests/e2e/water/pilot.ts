import { expect, type Page } from '@playwright/test';
import type { MeterRole } from '@/standins/meter/meter-models';
import { handFor } from '@/processes/seed/water-pilot';
import { goOnEarly, presentStep, pressAt } from '../people';
import { contentOf, type MeterStandIn } from './meter';

export interface WaterFlight {
  page: Page;
  device: MeterStandIn;
  /** Stops before this step. */
  until?: RegExp;
  /** What to answer at a decision; going on or applying otherwise. */
  decide?: string;
  dry?: boolean;
  /** °C of the bench's thermometer. */
  room?: string;
}

/** The bottle of the demo's shelf that a step is about, by its words. */
const LOTS: [words: RegExp, lot: string][] = [
  [/thermometer/i, 'SM-T-0112'],
  [/10\.01/, 'PB-1001-N1'],
  [/7\.00/, 'PB-700-N1'],
  [/4\.01/, 'PB-401-N1'],
  [/1413/, 'PC-1413-N1'],
  [/12\.88/, 'PC-12880-N1'],
  [/1417/, 'SC-1417-N1'],
  [/731/, 'SC-731-N1'],
  [/84 µS/, 'PC-84-N1'],
  [/quick/i, 'SQ-686-N1'],
  [/redox/i, 'PR-220-N1'],
  [/10 mg/, 'PF-10-N1'],
  [/1 mg/, 'PF-1-N1'],
];
const ROLE: Record<string, MeterRole> = {
  pH: 'ph',
  Conductivity: 'ec',
  'Conductivity, mS/cm': 'ecHigh',
  Oxygen: 'do',
  Saturation: 'sat',
  Fluoride: 'ion',
  Temperature: 'temperature',
};
const present = (page: Page) => page.locator('.present-step');
const title = (page: Page) => present(page).getByRole('heading', { level: 2 }).innerText();
const lotFor = (words: string) => LOTS.find(([pattern]) => pattern.test(words))?.[1];

/** Works through a run sheet of a meter in the browser the way a technician would: dips, readings captured off the line, the meter's own keys. */
export async function flyWater(flight: WaterFlight): Promise<void> {
  const { page, until } = flight;
  const rounds = { buffer: 0 };
  page.setDefaultTimeout(45_000);
  for (let guard = 0; guard < 120; guard += 1) {
    await expect(present(page)).toBeVisible();
    const { key, kind } = await presentStep(page);
    if (!key || until?.test(key)) return;
    await work(flight, kind, rounds, key);
    await page.waitForFunction((before) => document.querySelector('.present-step')?.getAttribute('data-step') !== before, key, {
      timeout: 90_000,
      polling: 100,
    });
  }
  throw new Error('the run does not come to an end');
}

async function work(flight: WaterFlight, kind: string, rounds: { buffer: number }, key: string): Promise<void> {
  const { page, device, room = '22.0' } = flight;
  const main = page.locator('[data-main-action]');
  switch (kind) {
    case 'wait':
      return goOnEarly(page, 'time is speeded up in this test');
    case 'condition':
      for (const [label, value] of [
        ['Temperature, °C', room],
        ['Air pressure, hPa', String(device.meter.world.pressureHPa)],
        ['Relative humidity, %', '45'],
      ] as const)
        await page.getByLabel(label).fill(value);
      return main.click();
    case 'check':
      return check(flight, rounds);
    case 'reference':
      return choose(page, rounds);
    case 'stimulus':
      return stimulus(flight, rounds);
    case 'read':
      return read(flight, key);
    case 'adjust':
      return adjust(flight);
    case 'care':
      await device.hand({ care: handFor(await title(page)) });
      return main.click();
    case 'decide':
      return present(page)
        .getByRole('button', { name: flight.decide ?? /^(Go on|Apply)/ })
        .first()
        .click();
    default:
      throw new Error(`nobody knows how to do ${kind}`);
  }
}

/** Two check buffers in one step are chosen one after the other; where any buffer will do, 7 and then 4. */
async function choose(page: Page, rounds: { buffer: number }): Promise<void> {
  const words = await title(page);
  const take = (lot: string) => page.getByTestId(`reference-${lot}`).getByRole('button', { name: 'Use this one' }).click();
  if (/two check buffers/.test(words)) {
    await take('PB-700-N1');
    await expect(page.getByTestId('reference-PB-700-N1').getByText(/next in order/)).toBeVisible();
    return take('PB-401-N1');
  }
  return take(lotFor(words) ?? (rounds.buffer % 2 === 0 ? 'PB-700-N1' : 'PB-401-N1'));
}

async function check({ page, dry }: WaterFlight, rounds: { buffer: number }): Promise<void> {
  const no = (label: string) =>
    /came dry/.test(label) ? !dry : /Another buffer/.test(label) ? rounds.buffer >= 2 : /strip/.test(label);
  const groups = present(page).locator('.btn-group');
  for (let i = 0; i < (await groups.count()); i += 1) {
    const label = (await groups.nth(i).getAttribute('aria-label'))!;
    await groups
      .nth(i)
      .getByRole('button')
      .nth(no(label) ? 1 : 0)
      .click();
  }
  const fields = present(page).locator('input');
  for (let i = 0; i < (await fields.count()); i += 1) {
    if (await fields.nth(i).inputValue()) continue;
    await fields.nth(i).fill(/Slope/.test((await fields.nth(i).getAttribute('aria-label')) ?? '') ? 'none' : '1');
  }
  await page.locator('[data-main-action]').click();
  // A slope that the run can't have measured is refused beside its field, and "none" taken.
  const refused = present(page).locator('.field-problem');
  if ((await refused.count()) && /no such figure/.test(await refused.first().innerText())) {
    await present(page).getByLabel(/Slope/).fill('none');
    await page.locator('[data-main-action]').click();
  }
}

async function stimulus({ page, device }: WaterFlight, rounds: { buffer: number }): Promise<void> {
  const words = await title(page);
  if (/sleeve/.test(words)) await device.hand({ sleeve: /^Into/.test(words) });
  else if (/^Lift/.test(words)) await device.hand({ poured: null });
  else {
    const any = /^Dip into the buffer( \(try|$)/.test(words);
    const lot = any ? (rounds.buffer % 2 === 0 ? 'PB-700-N1' : 'PB-401-N1') : lotFor(words)!;
    if (any) rounds.buffer += 1;
    await device.hand({ poured: { poured: await contentOf(lot), temperatureC: 22 } });
  }
  await page.locator('[data-main-action]').click();
}

/** Whether the display has shown the same for so long: a person who presses a key looks at it first. */
function stillFor(device: MeterStandIn, seconds: number): () => boolean {
  let [shown, since] = ['', 0];
  return () => {
    const { readings, seconds: now } = device.meter.frame();
    const text = readings.find((one) => one.slot === device.slot('ph'))?.text ?? '';
    if (text !== shown) [shown, since] = [text, now];
    return now - since >= seconds;
  };
}

/** Captures when everything has settled; a thermometer's figure is typed beside the channel. A second press may take the next reading too: the step is the one that it was called for. */
async function read({ page, device }: WaterFlight, key: string): Promise<void> {
  const typed = page.getByLabel(/^(reference shows|°C) of/);
  const named = /still reading/.test(await title(page));
  const still = named ? stillFor(device, 25) : () => true;
  let pressed = false;
  await expect
    .poll(
      async () => {
        if ((await present(page).getAttribute('data-step')) !== key) return 'gone on';
        // A digital probe takes its point when its key is pressed.
        if (named && !pressed) {
          if (!still()) return 'waiting';
          await device.hand({ key: { key: 'span', slot: device.slot('ph') } });
          pressed = true;
          return 'waiting';
        }
        if (await typed.count()) {
          // The thermometer beside the probe. The field is gone as soon as it was taken.
          await typed
            .first()
            .fill(device.meter.liquidC.toFixed(1), { timeout: 1000 })
            .then(() => typed.first().press('Enter', { timeout: 1000 }))
            .catch(() => undefined);
          return 'waiting';
        }
        const ready = await present(page)
          .getByText(/([1-9]\d*) of \1 settled/)
          .count();
        if (!ready) return 'waiting';
        await pressAt(page, key, 'c');
        return 'waiting';
      },
      { timeout: 120_000, intervals: [300] },
    )
    .toBe('gone on');
}

/** Presses the meter's own keys and takes what it says from its line. */
async function adjust({ page, device, room = '22.0' }: WaterFlight): Promise<void> {
  const words = await title(page);
  if (/^Apply/.test(words)) {
    await device.hand({ key: { key: 'save' } });
    return page.getByRole('button', { name: /Instrument says: passed/ }).click();
  }
  for (const line of await present(page).locator('li').allInnerTexts()) {
    const [, label, value] = /^Set (.+?) to (?:([\d.]+) |)/.exec(line) ?? [];
    const role = ROLE[label!]!;
    const set =
      role === 'temperature'
        ? room
        : device.meter.model.recognises || !value || role === 'do' || role === 'sat'
          ? undefined
          : value;
    await device.hand({ key: { key: 'span', slot: device.slot(role), ...(set ? { value: set } : {}) } });
  }
  await expect(page.getByTestId('instrument-says'), words).toContainText('The instrument says:', { timeout: 45_000 });
  await page.getByRole('button', { name: 'Record it so' }).click();
}
