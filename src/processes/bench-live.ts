import { spawn } from 'node:child_process';
import { chromium } from '@playwright/test';
import { eq, sql } from 'drizzle-orm';
import { closeDatabase, database, type Transaction } from '@/data/connection';
import { asset, assetChannel, customer, deviceLine, instrumentModel, user, type ModelChannel } from '@/data/schema';
import { placeTicket, startRun } from '@/features/bench/server';
import { INSPECTION_ITEMS, receive } from '@/features/counter/server';
import { INSTRUMENT_MODELS } from '@/standins/instrument/models';
import { freePort } from './free-port';

const SECONDS = 60;
const SERIAL = 'LIVE-12';
const FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--enable-precise-memory-info',
];

/** A place of the bench that stands empty in the demo. */
async function freePlace(tx: Transaction): Promise<number> {
  const { rows } = await tx.execute<{ place: number }>(
    sql`select min(n)::int as place from generate_series(1, 12) n where not exists (select from ticket where place = n)`,
  );
  return rows[0]!.place;
}

/** An instrument with twelve channels on the bench, its run begun. */
async function makeRun(): Promise<string> {
  return database().transaction(async (tx) => {
    const [technician] = await tx.select().from(user).where(eq(user.role, 'technician'));
    const context = { tx, actor: { id: technician!.id, name: technician!.name, role: 'technician' as const }, now: new Date() };
    const [owner] = await tx.select().from(customer).limit(1);
    const roles = ['o2', 'ex', 'h2s', 'co', 'so2', 'co2', 'h2', 'so2', 'so2', 'so2', 'so2', 'so2'];
    const channels = INSTRUMENT_MODELS['OF-12']!.channels.map(({ channel: { info } }, index): ModelChannel => ({
      role: roles[index]!,
      label: info.measurand,
      measurand: info.measurand as ModelChannel['measurand'],
      unit: info.unit,
      resolution: info.resolution,
      lowest: info.lowest,
      highest: info.highest,
      tolerance: { absolute: info.resolution, percentOfTarget: '10' },
      ...(info.measurand === 'oxygen' ? { cleanAir: '20.9' } : {}),
    }));
    const [model] = await tx
      .insert(instrumentModel)
      .values({ maker: 'Ordfell', name: 'OF-12', kind: 'Bench of speed', procedureId: 'bump-test', traits: {}, channels })
      .returning();
    const [made] = await tx
      .insert(asset)
      .values({ customerId: owner!.id, modelId: model!.id, maker: 'Ordfell', serial: SERIAL, createdAt: new Date() })
      .returning();
    await tx.insert(assetChannel).values(channels.map((channel, position) => ({ assetId: made!.id, position, ...channel })));
    const received = await receive(context, {
      customerId: owner!.id,
      contact: '',
      note: '',
      instruments: [
        {
          assetId: made!.id,
          service: 'bumpOnly',
          rule: 'simple',
          promiseOn: null,
          dueAgreed: false,
          note: '',
          inspection: Object.fromEntries(INSPECTION_ITEMS.map((item) => [item.id, { result: 'pass' as const, note: '' }])),
        },
      ],
    });
    const ticketId = received.tickets[0]!.id;
    await placeTicket(context, { ticketId, place: await freePlace(tx) });
    return (await startRun(context, { ticketId })).run;
  });
}

/** Twelve channels at ten a second for a minute, on a run sheet in a real browser: long tasks of the page's own thread, readings lost, memory. */
async function benchLive(): Promise<boolean> {
  const run = await makeRun();
  const [port, panelPort] = [await freePort(), await freePort()];
  const [line] = await database()
    .insert(deviceLine)
    .values({ kind: 'instrument', name: 'Bench', host: '127.0.0.1', port, panelPort })
    .returning();
  const standIn = spawn(
    process.execPath,
    [process.argv[1]!.replace(/src\/processes.*/, 'node_modules/tsx/dist/cli.mjs'), 'src/standins/instrument-server.ts'],
    {
      env: { ...process.env, MODEL: 'OF-12', SERIAL, PORT: String(port), PANEL_PORT: String(panelPort), FRAME_SECONDS: '0.1' },
      stdio: 'ignore',
    },
  );
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: FLAGS });
  try {
    const page = await (
      await browser.newContext({ baseURL: process.env.WERKBANK_ORIGIN!, viewport: { width: 1280, height: 800 } })
    ).newPage();
    await page.goto(`/sign-in?next=${encodeURIComponent(`/runs/${run}`)}`);
    await page.getByLabel('Mail address').fill('technician@port-ambrel.example');
    await page.getByLabel('Password').fill('harbour-bench-2026');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.getByTestId('live-o2').waitFor({ timeout: 60_000 });
    await page.waitForTimeout(3000);
    const heap = () =>
      page.evaluate(() => (performance as unknown as { memory: { usedJSHeapSize: number } }).memory.usedJSHeapSize / 2 ** 20);
    await page.evaluate(() => {
      const seen: number[] = [];
      new PerformanceObserver((list) => seen.push(...list.getEntries().map((entry) => entry.duration))).observe({
        type: 'longtask',
      });
      Object.assign(window, { seen });
    });
    const before = await heap();
    await page.waitForTimeout((SECONDS * 1000) / 2);
    const middle = await heap();
    await page.waitForTimeout((SECONDS * 1000) / 2);
    const after = await heap();
    const long = await page.evaluate(() => (window as unknown as { seen: number[] }).seen);
    standIn.kill('SIGTERM');
    await page.waitForTimeout(3000);
    const taken = Number(await page.getByTestId('line-strip').getAttribute('data-readings'));
    const [sent] = (
      await database().execute<{ n: string }>(
        sql`select sum(jsonb_array_length(one->'readings')) as n from live_frame, jsonb_array_elements(said) one where line_id = ${line!.id}::uuid and one->>'type' = 'frame'`,
      )
    ).rows;
    const met = long.length === 0 && taken === Number(sent!.n) && after < before + 30;
    console.log(
      `live sheet, 12 channels at 10 a second for ${SECONDS} s: ${long.length} tasks over 50 ms on the page${long.length ? ` (longest ${Math.max(...long).toFixed(0)} ms)` : ''}, ${taken} of ${sent!.n} readings taken in, page memory ${before.toFixed(0)} MB, ${middle.toFixed(0)} MB, ${after.toFixed(0)} MB${met ? '' : ' MISSED'}`,
    );
    return met;
  } finally {
    standIn.kill('SIGTERM');
    await browser.close();
  }
}

const met = await benchLive();
await closeDatabase();
process.exit(met ? 0 : 1);
