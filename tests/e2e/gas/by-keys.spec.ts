import { expect, type Page } from '@playwright/test';
import { serveBenchDevice } from '@/standins/bench-device/bench-device';
import { approve, presentStep, query, settled, signIn, test } from '../people';
import { makeRun, manyPlaces } from './make-run';
import { standIn, type StandIn } from './stand-in';

/** A calibration by keys alone, every press counted: wet gloves and a number pad, no mouse. */
const SHOWS: Record<string, Record<string, string>> = {
  zero: { ex: '0', h2s: '0.0', co: '0' },
  air: { o2: '20.9' },
  span: { o2: '18.0', ex: '50', h2s: '25.0', co: '100' },
};
const GAS = { O2: 18, CH4: 2.5, H2S: 25, CO: 100 };
const present = (page: Page) => page.locator('.present-step');

class Keys {
  presses = 0;
  constructor(
    readonly page: Page,
    readonly device?: StandIn,
  ) {}

  async press(key: string): Promise<void> {
    this.presses += 1;
    await this.page.keyboard.press(key);
    // As fast as a hand, not as a scanner.
    await this.page.waitForTimeout(90);
  }
  async type(text: string): Promise<void> {
    for (const sign of text) await this.press(sign);
  }

  /** Works through to the end of the run. */
  async work(): Promise<void> {
    for (let guard = 0; guard < 60; guard += 1) {
      const { key, kind } = await presentStep(this.page);
      if (!key) break;
      await this.step(kind, key);
      // A press that a busy machine makes somebody repeat is no press of the work.
      const on = await this.goesOn(key, 10_000).catch(() => false);
      if (on) continue;
      console.log(`pressed again: ${kind} ${key}`);
      // A line whose figure came late at that moment gave none: it is asked again, as its words beside the field say.
      if (kind === 'condition' && this.device) await this.page.keyboard.press('l');
      await this.page.keyboard.press(kind === 'read' ? 'c' : 'n');
      const says = () => present(this.page).innerText();
      await this.goesOn(key, 30_000).catch(async (error: Error) => Promise.reject(new Error(`${error.message} ${await says()}`)));
    }
    await this.press('n');
    await expect(present(this.page).locator('h2')).toContainText('Finished');
  }

  private goesOn(key: string, timeout: number): Promise<true> {
    return this.page
      .waitForFunction((before) => document.querySelector('.present-step')?.getAttribute('data-step') !== before, key, {
        timeout,
        polling: 100,
      })
      .then(() => true);
  }

  private async step(kind: string, key: string): Promise<void> {
    const { page, device } = this;
    switch (kind) {
      case 'wait':
        return this.wait(key);
      case 'condition':
        await expect(page.getByRole('button', { name: /Barometer.*take it/ })).toBeEnabled();
        await expect(page.getByRole('button', { name: /Hygrometer.*%: take it/ })).toBeEnabled();
        await this.press('l');
        return this.press('n');
      case 'check':
        for (let i = await present(page).locator('.btn-group').count(); i > 0; i -= 1) await this.press('y');
        return this.press('n');
      case 'stimulus':
        await device?.hand({
          mixture: (await present(page).locator('[data-main-action]').innerText()).includes(' on') ? GAS : null,
        });
        return this.press('n');
      case 'read':
        return device ? this.capture(key) : this.typeReadings(key);
      case 'adjust':
        if (device) await this.adjustAt(device);
        return this.press('n');
      default:
        return this.press('n');
    }
  }

  /** On a line a purge is over when the display is back; a clock that is not over yet asks for its reason: one key. */
  private async wait(key: string): Promise<void> {
    if (this.device && !key.startsWith('warm-up'))
      await expect(present(this.page).locator('.ready-mark')).toBeVisible({ timeout: 60_000 });
    await this.press('n');
    const why = this.page.getByLabel(/are left/);
    await expect(why.or(this.page.locator(`.present-step:not([data-step="${key}"])`)).first()).toBeVisible();
    if (await why.isVisible()) await this.press('1');
  }

  private async typeReadings(key: string): Promise<void> {
    for (let i = 0; i < 4 && (await present(this.page).getAttribute('data-step')) === key; i += 1) {
      const field = this.page.locator('form.channel-row:has(.reading-input:focus)');
      await expect(field).toBeVisible();
      const name = (await field.getAttribute('data-testid'))!;
      const [, role, point] = /^channel-(.+)-([^-]+)$/.exec(name)!;
      await this.type(SHOWS[point!]![role!]!);
      await this.press('Enter');
      const why = this.page.getByLabel(/^Why .* counts$/);
      const gone = this.page.locator(`form[data-testid="${name}"]`);
      await expect.poll(async () => (await why.isVisible()) || (await gone.count()) === 0).toBe(true);
      if (await why.isVisible()) await this.press('1');
      await expect(gone).toHaveCount(0);
    }
  }

  /** Waits until the sheet says that all have settled, as a person would, and captures them in one press. */
  private async capture(key: string): Promise<void> {
    const gone = this.page.locator(`.present-step:not([data-step="${key}"])`);
    for (let guard = 0; guard < 10 && !(await gone.isVisible()); guard += 1) {
      await expect(gone.or(present(this.page).getByText(/([1-9]\d*) of \1 settled/)).first()).toBeVisible({ timeout: 60_000 });
      if (await gone.isVisible()) return;
      await this.press('c');
      await gone.waitFor({ timeout: 30_000 }).catch(() => undefined);
    }
  }

  /** The instrument's own keys are pressed on the instrument: they are none of the sheet's. */
  private async adjustAt(device: StandIn): Promise<void> {
    const title = await present(this.page).getByRole('heading', { level: 2 }).innerText();
    await device.hand({ key: { key: 'acknowledge' } });
    if (/zero/i.test(title)) await device.hand({ key: { key: 'zero' } });
    else for (const slot of [1, 2, 3, 4]) await device.hand({ key: { key: 'span', slot } });
    await expect(this.page.getByTestId('instrument-says')).toContainText('The instrument says:');
  }
}

test.beforeAll(manyPlaces);

test('a four-gas calibration by keys alone: at most 90 presses typed, 30 on a line, the room read off its devices', async ({
  page,
  context,
  browser,
}) => {
  const [barometer] = await query<{ lot: string }>(
    "select lot from reference where role = 'barometer' and accepted is not null limit 1",
  );
  const served = [
    await serveBenchDevice('barometer', { serial: barometer!.lot }),
    await serveBenchDevice('hygrometer', { serial: 'SM-H-0034' }),
  ];
  const lines = await Promise.all(
    (['barometer', 'hygrometer'] as const).map((kind, index) =>
      query<{ id: string }>(
        `insert into device_line (kind, name, host, port, panel_port) values ($1, $2, '127.0.0.1', $3, $4) returning id`,
        [kind, `Keys ${kind}`, served[index]!.port, served[index]!.panelPort],
      ),
    ),
  );
  const device = await standIn({ model: 'OF-410', serial: `KEY-${Date.now() % 1e7}` });
  // The devices of a bench are there before anybody begins.
  await expect
    .poll(
      async () =>
        (await query("select 1 from device_line where id = any($1) and state = 'connected'", [lines.map(([row]) => row!.id)]))
          .length,
      { timeout: 60_000 },
    )
    .toBe(2);
  try {
    const at = new Date(Date.now() - 3_600_000);
    const typed = await makeRun({ model: 'OF-410', serial: `KEY-T-${Date.now() % 1e7}`, at });
    await signIn(page, 'technician', `/runs/${typed.run}`);
    await settled(page);
    const byHand = new Keys(page);
    await byHand.work();

    const live = await makeRun({ model: 'OF-410', serial: device.serial, at });
    const other = await context.newPage();
    await other.goto(`/runs/${live.run}`);
    await settled(other);
    await expect(other.getByTestId('line-strip')).toContainText('Live from');
    const onLine = new Keys(other, device);
    await onLine.work();
    test.info().annotations.push({ type: 'presses', description: `typed ${byHand.presses}, on a line ${onLine.presses}` });
    console.log(`presses: typed ${byHand.presses}, on a line ${onLine.presses}`);
    expect(byHand.presses).toBeLessThanOrEqual(90);
    expect(onLine.presses).toBeLessThanOrEqual(30);
    const results = await query<{ as_left: string }>('select as_left from run_summary where run_id = any($1)', [
      [typed.run, live.run],
    ]);
    expect(results.map((one) => one.as_left)).toEqual(['within', 'within']);
    const issued = await approve(browser, live.run);
    const [made] = await query<{ kind: string; title: string; live: string; traces: string }>(
      `select c.kind, c.content->>'title' as title,
        (select count(*) from run_event e where e.run_id = c.run_id and e.type = 'readingCaptured' and e.source = 'live') as live,
        (select count(*) from run_trace t where t.run_id = c.run_id) as traces
       from certificate c where c.id = $1`,
      [issued.id],
    );
    expect(made).toMatchObject({ kind: 'calibration', title: 'Calibration certificate' });
    expect(Number(made!.live)).toBeGreaterThan(0);
    expect(Number(made!.traces)).toBeGreaterThan(0);
    await issued.page.context().close();
  } finally {
    await device.close();
    await query('delete from device_line where id = any($1)', [lines.map(([row]) => row!.id)]);
    await Promise.all(served.map((one) => one.close()));
  }
});
