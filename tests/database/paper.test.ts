import { execFileSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { isRefusal } from '@/core/words/refusal';
import type { Command } from '@/core/run/command';
import { giveCommand, placeTicket, startRun } from '@/features/bench/server';
import { blankSheetPdf, keepPhoto, modelsOnPaper, photoOf } from '@/features/paper/server';
import type { Problem } from '@/platform/problem';
import { openWorld, type World } from './world';

let world: World;
let run: string;
let asset: string;
beforeAll(async () => {
  world = await openWorld();
  const ticket = await world.newTicket();
  asset = ticket.assetId;
  run = await world.db.transaction(async (tx) => {
    const context = { tx, actor: world.technician, now: new Date() };
    await placeTicket(context, { ticketId: ticket.id, place: 1 });
    return (await startRun(context, { ticketId: ticket.id })).run;
  });
});
afterAll(() => world.close());

const keep = (bytes: Buffer, to = run) =>
  world.db.transaction((tx) => keepPhoto({ tx, actor: world.technician, now: new Date() }, { runId: to, bytes }));
const refused = (promise: Promise<unknown>) =>
  promise.then(
    () => 'not refused',
    (error: Problem) => `${error.status} ${error.message}`,
  );
const give = (command: Command) =>
  world.db.transaction((tx) =>
    giveCommand({ tx, actor: world.technician, now: new Date() }, { run, commandId: randomUUID(), command }),
  );
/** The beginning of a PNG and of a JPEG (their published signatures), filled up. */
const png = (fill = 1, size = 400) =>
  Buffer.concat([Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]), Buffer.alloc(size, fill)]);
const jpeg = Buffer.concat([Buffer.from([0xff, 0xd8, 0xff, 0xe0]), Buffer.alloc(400, 2)]);
const today = () => new Date().toISOString().slice(0, 10);

it('a photo is kept once with its run, whatever it calls itself; what is no picture, too large or of no run is refused', async () => {
  expect(await refused(keep(Buffer.from('<svg onload="x">'.repeat(20))))).toMatch(/^400 .*no JPEG or PNG/);
  expect(await refused(keep(png(1, 9 * 1024 * 1024)))).toMatch(/^400 .*8 MB/);
  expect(await refused(keep(png(), randomUUID()))).toMatch(/^404/);
  expect(await refused(keep(png(), 'x'))).toMatch(/^404/);
  const hash = await keep(png());
  expect(await keep(png())).toBe(hash);
  expect(await keep(jpeg)).not.toBe(hash);
  const kept = await world.db.transaction((tx) => photoOf(tx, run, hash));
  expect(kept).toMatchObject({ mime: 'image/png' });
  expect(kept!.bytes.equals(png())).toBe(true);
  expect((await world.app.query('select count(*)::int as n from run_photo where run_id = $1', [run])).rows[0].n).toBe(2);
  await expect(world.app.query('delete from run_photo')).rejects.toMatchObject({ code: '42501' });
});

it('a run is entered from paper only with photos that arrived; then its day judges what was in date, and no wait is asked for', async () => {
  const hash = await keep(png(7));
  const unknown = await give({ type: 'takePaper', day: today(), by: 'Tess', photos: ['0'.repeat(64)] });
  expect(isRefusal(unknown) && unknown.code).toBe('noPhoto');
  const taken = await give({ type: 'takePaper', day: today(), by: 'Tess', photos: [hash] });
  expect(isRefusal(taken)).toBe(false);
  const { rows } = await world.app.query(
    "select type, data from run_event where run_id = $1 and type in ('paperTaken', 'deviated') order by seq",
    [run],
  );
  expect(rows.map((one) => one.type)).toEqual(['paperTaken', 'deviated']);
  expect(rows[0].data.photos).toEqual([hash]);
});

it('a model’s blank sheet is a PDF with every channel of it; an instrument’s has its customer and serial', async () => {
  const models = await world.db.transaction((tx) => modelsOnPaper(tx));
  const withSheet = models.filter((one) => one.procedure);
  expect(withSheet.length).toBeGreaterThan(0);
  const modelId = (await world.app.query('select model_id from asset where id = $1', [asset])).rows[0].model_id as string;
  const [{ serial }] = (await world.app.query('select serial from asset where id = $1', [asset])).rows;
  const text = async (assetId?: string) => {
    const sheet = await world.db.transaction((tx) =>
      blankSheetPdf(tx, { modelId, now: new Date(), ...(assetId ? { assetId } : {}) }),
    );
    const file = join(mkdtempSync(join(tmpdir(), 'sheet-')), 'sheet.pdf');
    writeFileSync(file, sheet!.bytes);
    return execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' });
  };
  const blank = await text();
  for (const word of ['Bench sheet', 'H₂S', '%LEL', 'On at (time)', 'from paper']) expect(blank).toContain(word);
  expect(blank).not.toContain(serial);
  expect(await text(asset)).toContain(serial);
  expect(await world.db.transaction((tx) => blankSheetPdf(tx, { modelId: randomUUID(), now: new Date() }))).toBeNull();
});
