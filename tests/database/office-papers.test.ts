import { crc32, deflateSync } from 'node:zlib';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { USUAL_PATTERNS } from '@/core/paper/number-pattern';
import { approveRun, drawAndKeep, keptPdf } from '@/features/certificates/server';
import { findAnything } from '@/features/counter/server';
import { dropLogo, keepLogo, keepNumbers } from '@/features/office/server';
import { settingsSchema } from '@/features/office/schemas';
import { DEFAULT_SETTINGS, readSettings } from '@/platform/settings';
import type { UseCaseContext } from '@/platform/use-case';
import { refused } from './refused';
import { openWorld, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());
const office = <T>(work: (context: UseCaseContext) => Promise<T>) =>
  world.db.transaction((tx) => work({ tx, actor: { ...world.signatory, role: 'administrator' }, now: new Date() }));
const approved = async () => {
  const { run } = await world.finishedRun();
  return world.db.transaction((tx) => approveRun({ tx, actor: world.signatory, now: new Date() }, { runId: run }));
};

/** A picture that is one colour, written by the format's own rules (PNG, third edition, 5 and 11). */
function png(width: number, height: number): Buffer {
  const chunk = (type: string, data: Buffer) => {
    const body = Buffer.concat([Buffer.from(type), data]);
    const [length, sum] = [Buffer.alloc(4), Buffer.alloc(4)];
    length.writeUInt32BE(data.length);
    sum.writeUInt32BE(crc32(body));
    return Buffer.concat([length, body, sum]);
  };
  const head = Buffer.alloc(13);
  head.writeUInt32BE(width, 0);
  head.writeUInt32BE(height, 4);
  head.set([8, 2], 8);
  const rows = Buffer.alloc(height * (1 + width * 3), 0x55);
  for (let row = 0; row < height; row += 1) rows[row * (1 + width * 3)] = 0;
  return Buffer.concat([
    Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
    chunk('IHDR', head),
    chunk('IDAT', deflateSync(rows)),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}

it('tickets and documents are numbered by the workshop’s pattern from the next one on; counts go on, and what was given stays', async () => {
  const before = await approved();
  const [first] = (await world.app.query('select number, year, serial from certificate')).rows;
  expect(first.number).toBe(`C-${first.year}-${String(first.serial).padStart(5, '0')}`);
  await office((context) => keepNumbers(context, { ...USUAL_PATTERNS, certificate: 'HB{yy}.{n:3}', ticket: 'J{year}-{n}' }));
  await approved();
  const { rows } = await world.app.query('select number, serial from certificate order by serial');
  expect(rows.map((one) => one.number)).toEqual([
    before.number,
    `HB${String(first.year).slice(2)}.${String(first.serial + 1).padStart(3, '0')}`,
  ]);
  const { code } = await world.newTicket();
  expect(code).toMatch(/^J20\d\d-\d+$/);
  // Found by the new pattern and by the one of before, as short as somebody types it.
  const found = async (text: string) =>
    (await office((context) => findAnything(context, { text }))).flatMap((one) => one.hits.map((hit) => hit.label));
  expect(await found(`hb ${first.serial + 1}`)).toContain(rows[1].number);
  expect(await found(`c-${first.serial}`)).toContain(before.number);
});

it('a pattern that could give one number twice is refused beside its field; nobody but the office sets one; it is on record from what to what', async () => {
  const kept = (await office(({ tx }) => readSettings(tx))).numbers;
  const wrong = await refused(office((context) => keepNumbers(context, { ...kept, offer: 'J{year}-{n}', receipt: 'R-{n}' })));
  expect(wrong?.fields).toMatchObject({ receipt: expect.stringContaining('year'), offer: expect.stringContaining('Tickets') });
  expect((await office(({ tx }) => readSettings(tx))).numbers).toEqual(kept);
  expect(await refused(office((context) => keepNumbers({ ...context, actor: world.technician }, USUAL_PATTERNS)))).toMatchObject({
    status: 403,
  });
  const { rows } = await world.app.query(`select detail from audit where action = 'keepNumbers' order by id desc limit 1`);
  expect(rows[0].detail).toEqual({
    before: { ticket: 'T-{year}-{n:4}', certificate: 'C-{year}-{n:5}' },
    after: { ticket: 'J{year}-{n}', certificate: 'HB{yy}.{n:3}' },
  });
  // The settings' own form knows nothing of numbers, and takes none away.
  expect(settingsSchema.cast({ ...DEFAULT_SETTINGS }, { stripUnknown: true })).not.toHaveProperty('numbers');
});

it('the workshop’s sign stands on documents from now on, whole by an outside reader; what is no picture, damaged or large is refused; taken off, it is gone', async () => {
  for (const bytes of [Buffer.from('<svg/>'), png(4, 4).subarray(0, 30), Buffer.concat([png(4, 4), Buffer.alloc(400 * 1024)])])
    expect(await refused(office((context) => keepLogo(context, bytes)))).toMatchObject({ status: 400 });
  const folder = mkdtempSync(join(tmpdir(), 'werkbank-logo-'));
  /** How large the pictures are that poppler finds in a document. */
  const pictures = async (id: string) => {
    await drawAndKeep(world.db, id, new Date());
    writeFileSync(join(folder, `${id}.pdf`), (await keptPdf(world.db, id)).bytes!);
    execFileSync('pdfimages', ['-png', join(folder, `${id}.pdf`), join(folder, id)]);
    return readdirSync(folder)
      .filter((name) => name.startsWith(`${id}-`))
      .map((name) => readFileSync(join(folder, name)))
      .map((bytes) => [bytes.readUInt32BE(16), bytes.readUInt32BE(20)]);
  };
  const plain = await approved();
  expect(await pictures(plain.id)).not.toContainEqual([123, 45]);
  await office((context) => keepLogo(context, png(123, 45)));
  expect((await office(({ tx }) => readSettings(tx))).logo).toMatch(/^[0-9a-f]{64}$/);
  const signed = await approved();
  expect(await pictures(signed.id)).toContainEqual([123, 45]);
  await office((context) => dropLogo(context));
  const after = await approved();
  expect(await pictures(after.id)).not.toContainEqual([123, 45]);
  expect(await pictures(signed.id)).toContainEqual([123, 45]);
  expect(await refused(office((context) => dropLogo(context)))).toMatchObject({ status: 404 });
});
