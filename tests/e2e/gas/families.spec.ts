import { expect } from '@playwright/test';
import { approve, query, settled, signIn, test } from '../people';
import { makeRun, manyPlaces } from './make-run';
import { fly, type Flight } from './pilot';
import { standIn } from './stand-in';

interface Family {
  family: number;
  model: string;
  mixture: Record<string, number>;
  lots: Record<string, string>;
  title: string;
  kind: 'calibration' | 'accuracyCheck';
  filter?: 'co2' | 'charcoal';
  spans?: Record<number, string>;
  /** Walked in the long trial alone. */
  long?: true;
}

/** One family for each kind of sheet: through a scrubber, breath, two bumps (channel by channel: by-keys.spec.ts, which is walked each day as breath is). Every family is walked on its simulated instrument in src/procedures. Bottles of the demo's shelf; the mixture is what such a bottle holds. */
const FAMILIES: Family[] = [
  {
    family: 7,
    long: true,
    model: 'VT-C2',
    mixture: { CO2: 5000 },
    lots: { gas: 'CD-0512', tool: 'SC-11' },
    filter: 'co2',
    title: 'Calibration certificate',
    kind: 'calibration',
  },
  {
    family: 14,
    model: 'BN-A',
    mixture: { C2H5OH: 0.038 },
    lots: { gas: 'DG-0038' },
    title: 'Record of an accuracy check',
    kind: 'accuracyCheck',
  },
  {
    family: 21,
    long: true,
    model: 'VT-5P',
    mixture: { O2: 15, CH4: 1.45, H2S: 20, CO: 60, SO2: 5 },
    lots: { gas: 'PS-2364' },
    spans: { 1: '15.0', 2: '58', 3: '20.0', 4: '60', 5: '5.0' },
    title: 'Calibration certificate',
    kind: 'calibration',
  },
];

test.beforeAll(manyPlaces);

for (const one of FAMILIES.filter(({ long }) => !long || process.env.WERKBANK_IN_FULL === 'yes'))
  test(`family ${one.family}, ${one.model}: from the place to the approved ${one.kind}, readings off the line`, async ({
    page,
    browser,
  }) => {
    const serial = `F${one.family}-${Date.now() % 1e7}`;
    const device = await standIn({ model: one.model, serial });
    try {
      const { run } = await makeRun({ model: one.model, serial });
      await signIn(page, 'technician', `/runs/${run}`);
      await settled(page);
      await expect(page.getByTestId('line-strip')).toContainText('Live from', { timeout: 45_000 });
      const flight: Flight = {
        page,
        device,
        lots: one.lots,
        mixture: one.mixture,
        ...(one.filter ? { filter: one.filter } : {}),
        ...(one.spans ? { spans: one.spans } : {}),
      };
      await fly(flight);
      await page.getByRole('button', { name: /Finish and hand/ }).click();
      await expect(page.locator('.present-step h2')).toContainText('Finished');
      const office = await approve(browser, run);
      const [made] = await query<{ kind: string; title: string; live: string; traces: string; asleft: string }>(
        `select c.kind, c.content->>'title' as title, s.as_left as asleft,
          (select count(*) from run_event e where e.run_id = c.run_id and e.type = 'readingCaptured' and e.source = 'live') as live,
          (select count(*) from run_trace t where t.run_id = c.run_id) as traces
         from certificate c join run_summary s on s.run_id = c.run_id where c.id = $1`,
        [office.id],
      );
      const lines = await query(
        'select label, point, found_text, found_state, left_text, left_state from channel_result where run_id = $1',
        [run],
      );
      expect(made, JSON.stringify(lines)).toMatchObject({ kind: one.kind, title: one.title, asleft: 'within' });
      expect(Number(made!.live)).toBeGreaterThan(0);
      expect(Number(made!.traces)).toBeGreaterThan(0);
      await office.page.context().close();
    } finally {
      await device.close();
    }
  });
