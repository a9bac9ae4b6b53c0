import { connect } from 'node:net';
import { expect, type Page } from '@playwright/test';
import { INSTRUMENT_MODELS } from '@/standins/instrument/models';
import { serveInstrument } from '@/standins/instrument/serve';
import { SimulatedInstrument } from '@/standins/instrument/simulated-instrument';
import { query, settled, signIn, test } from '../people';
import { makeRun, manyPlaces } from './make-run';
import { fly } from './pilot';
import { talk } from './stand-in';

test.beforeAll(manyPlaces);

/** A serial port for the page, with a simulated instrument at the other end of its cable: bytes go to and fro as they would. */
async function plugIn(page: Page, serial: string) {
  const instrument = new SimulatedInstrument(INSTRUMENT_MODELS['VT-47']!, serial, undefined, 3);
  instrument.tick(60);
  const served = await serveInstrument(instrument, { speed: 20, frameSeconds: 2 });
  const cable = connect({ host: '127.0.0.1', port: served.port }).setEncoding('utf8');
  let begun = '';
  let open = false;
  cable.on('data', (piece) => {
    if (!open) begun += String(piece);
    else
      void page
        .evaluate((text) => window.dispatchEvent(new CustomEvent('cable', { detail: text })), String(piece))
        .catch(() => undefined);
  });
  await page.exposeFunction('cableOpened', () => {
    open = true;
    return begun;
  });
  await page.exposeFunction('cableWrite', (text: string) => void cable.write(text));
  await page.addInitScript(() => {
    const house = window as unknown as { cableOpened: () => Promise<string>; cableWrite: (text: string) => void };
    const port = {
      readable: null as ReadableStream<Uint8Array> | null,
      writable: null as WritableStream<Uint8Array> | null,
      open: async () => {
        port.readable = new ReadableStream({
          start: async (controller) => {
            const feed = (text: string) => controller.enqueue(new TextEncoder().encode(text));
            window.addEventListener('cable', (event) => feed((event as CustomEvent<string>).detail));
            feed(await house.cableOpened());
          },
        });
        port.writable = new WritableStream({ write: (bytes) => house.cableWrite(new TextDecoder().decode(bytes)) });
      },
      close: async () => undefined,
    };
    Object.defineProperty(navigator, 'serial', { value: { requestPort: async () => port, getPorts: async () => [] } });
  });
  return {
    hand: (ask: object) => talk(served.panelPort, { type: 'world', ...ask }),
    instrument,
    panelPort: served.panelPort,
    close: async () => {
      cable.destroy();
      await served.close();
    },
  };
}

test('an instrument on this computer’s serial port: opened from its sheet, readings captured off the line; closed, it is away', async ({
  page,
}) => {
  const serial = `COM-${Date.now() % 1e7}`;
  const plugged = await plugIn(page, serial);
  try {
    const { run } = await makeRun({ model: 'VT-47', serial });
    await signIn(page, 'technician', `/runs/${run}`);
    await settled(page);
    await expect(page.getByTestId('line-strip')).toContainText('No cable');
    await page.getByRole('button', { name: 'Read this computer’s serial port' }).click();
    await expect(page.getByTestId('line-strip')).toContainText(`Live from Vantling ${serial}`, { timeout: 45_000 });
    await expect(page.getByRole('button', { name: 'Close the serial port' })).toBeVisible();
    const [line] = await query<{ id: string; via: string }>('select id, via from device_line where serial = $1', [serial]);
    expect(line!.via).toBe('browser');
    await fly({
      page,
      device: { ...plugged, serial, lineId: line!.id },
      lots: { gas: 'FG-1402' },
      mixture: { O2: 18, CH4: 2.5, H2S: 25, CO: 100 },
      until: /^found-on$/,
    });
    const [taken] = await query<{ live: string }>(
      `select count(*) as live from run_event where run_id = $1 and type = 'readingCaptured' and source = 'live'`,
      [run],
    );
    expect(Number(taken!.live)).toBeGreaterThan(0);
    // It stays open while a person goes from room to room.
    await page.getByRole('link', { name: 'Shelf' }).click();
    await page.waitForURL('**/shelf');
    await page.goBack();
    await expect(page.getByTestId('line-strip')).toContainText('Live from');
    await page.getByRole('button', { name: 'Close the serial port' }).click();
    await expect(page.getByTestId('line-strip')).toContainText('The instrument is away (Closed here.)');
  } finally {
    await query('delete from device_line where serial = $1', [serial]);
    await plugged.close();
  }
});
