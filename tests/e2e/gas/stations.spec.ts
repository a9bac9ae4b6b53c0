import { expect } from '@playwright/test';
import { INSTRUMENT_MODELS } from '@/standins/instrument/models';
import { SCENARIOS } from '@/standins/instrument/scenario';
import { SimulatedInstrument } from '@/standins/instrument/simulated-instrument';
import { DockingStation } from '@/standins/station/docking-station';
import { csvHeader, csvLine } from '@/standins/station/write-log';
import { query, sign, signIn, test } from '../people';
import { actorOf } from './make-run';
import { database } from '@/data/connection';
import { createAsset } from '@/features/counter/server';

/** Families 10 and 18: the station works by itself; its log comes in, a record of imported results goes out. */
for (const [family, model] of [
  [10, 'VT-60'],
  [18, 'OF-430'],
] as const)
  test(`family ${family}, ${model}: from the station’s log to the approved record`, async ({ page, browser }) => {
    const serial = `ST${family}-${Date.now() % 1e7}`;
    const technician = await actorOf('technician');
    await database().transaction(async (tx) => {
      const [found] = await query<{ id: string; customer: string }>(
        'select m.id, (select id from customer limit 1) as customer from instrument_model m where m.name = $1',
        [model],
      );
      await createAsset(
        { tx, actor: technician, now: new Date() },
        { customerId: found!.customer, modelId: found!.id, serial, tag: '', channels: [] },
      );
    });
    const instrument = new SimulatedInstrument(INSTRUMENT_MODELS[model]!, serial, SCENARIOS.sound, family);
    const station = new DockingStation(
      'Dock 1',
      [instrument],
      { lot: 'FG-1402', expires: '2099-01-31', mixture: { O2: 18, CH4: 2.5, H2S: 25, CO: 100 } },
      1,
    );
    const rows = station.work(new Date(Date.now() - 60_000));
    await signIn(page, 'technician', '/station');
    await page.getByLabel('Log file').setInputFiles({
      name: 'station.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from([csvHeader(), ...rows.map((row) => csvLine(row))].join('\n')),
    });
    await expect(page.getByTestId('dry-run')).toContainText('2 good');
    await page.getByRole('button', { name: /Take the 2 good rows/ }).click();
    await expect(page.getByRole('status')).toContainText('2 rows taken');
    await page
      .locator('tr', { hasText: serial })
      .filter({ hasText: 'calibration' })
      .getByRole('button', { name: 'Make a record of it' })
      .click();
    await page.waitForURL('**/approve/**');
    const office = await (await browser.newContext()).newPage();
    await signIn(office, 'signatory', new URL(page.url()).pathname);
    await sign(office);
    await office.waitForURL('**/certificates/**');
    await expect(office.locator('main')).toContainText('Record of imported station results');
    await office.context().close();
  });
