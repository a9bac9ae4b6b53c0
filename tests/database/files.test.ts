import { deflateSync } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Actor } from '@/core/record/event';
import type { Transaction } from '@/data/connection';
import { fileBytes, filesOf, keepFile, renameFile, takeFileAway } from '@/features/files/server';
import { refused } from './refused';
import { openWorld, type World } from './world';

let world: World;
const now = new Date();
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());

const inTx = <T>(work: (context: { tx: Transaction; actor: Actor; now: Date }) => Promise<T>, actor: Actor = world.technician) =>
  world.db.transaction((tx) => work({ tx, actor, now }));
const filler = (text: string) => Buffer.concat([deflateSync(Buffer.from(text.repeat(40))), Buffer.alloc(120, text)]);
const png = (text: string) => Buffer.concat([Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]), filler(text)]);
const pdf = (text: string) => Buffer.concat([Buffer.from('%PDF-1.7\n'), filler(text)]);
const keep = (name: string, bytes: Buffer, about = 'customer', aboutId = world.customerId) =>
  inTx((context) => keepFile(context, { about, aboutId, name, bytes }));
const shown = () => inTx(({ tx }) => filesOf(tx, 'customer', world.customerId));

describe('photos and papers beside things', () => {
  it('kept as they came, told by their first bytes, given back to the byte; renamed and taken away, the audit knows it', async () => {
    const bytes = pdf('order');
    const { id } = await keep('order "7"/\u202e.exe', bytes);
    expect((await shown()).map((one) => [one.name, one.mime])).toEqual([['order "7"  .exe', 'application/pdf']]);
    expect((await inTx(({ tx }) => fileBytes(tx, id)))!.bytes.equals(bytes)).toBe(true);
    await inTx((context) => renameFile(context, { fileId: id, name: 'Order 7' }));
    expect((await shown())[0]!.name).toBe('Order 7');
    await inTx((context) => takeFileAway(context, { fileId: id, why: 'of another customer' }));
    expect(await shown()).toEqual([]);
    expect(await inTx(({ tx }) => fileBytes(tx, id))).toBeUndefined();
    expect(await refused(inTx((context) => takeFileAway(context, { fileId: id, why: 'again' })))).toMatchObject({ status: 409 });
    const { rows } = await world.superuser.query(
      "select kind from change_log where table_name = 'kept_file' and row_key = $1 order by id",
      [id],
    );
    expect(rows.length).toBe(3);
    // Away is not gone: the same may come again, and nobody changes the bytes.
    await keep('Order 7', bytes);
    await expect(world.superuser.query('update kept_file set bytes = $1 where id = $2', [png('x'), id])).rejects.toThrow(
      /never changed/,
    );
    await expect(world.app.query('delete from kept_file')).rejects.toThrow(/permission denied/);
  });

  it.each<[string, () => Promise<unknown>, number]>([
    [
      'a program that calls itself a picture',
      () => keep('photo.png', Buffer.concat([Buffer.from('MZ'), Buffer.alloc(300)])),
      400,
    ],
    ['a page that would run', () => keep('a.pdf', Buffer.from(`<html><script>1</script>${' '.repeat(200)}</html>`)), 400],
    ['nothing', () => keep('empty.png', Buffer.alloc(0)), 400],
    ['13 MB', () => keep('large.png', Buffer.concat([png('x'), Buffer.alloc(13 * 1024 * 1024)])), 400],
    ['beside what is not there', () => keep('a.png', png('q'), 'asset', '00000000-0000-4000-8000-000000000000'), 404],
    ['beside what files can’t belong to', () => keep('a.png', png('q'), 'user', world.customerId), 404],
    ['the same twice', async () => (await keep('a.png', png('twice')), keep('b.png', png('twice'))), 409],
  ])('%s is refused with a sentence, and nothing is half-written', async (_what, work, status) => {
    const before = await shown();
    expect(await refused(work())).toMatchObject({ status });
    expect((await shown()).length - before.length).toBeLessThanOrEqual(1);
  });

  it('who only audits keeps nothing and takes nothing away', async () => {
    const auditor: Actor = { id: 'a', name: 'A', role: 'auditor' };
    const bytes = png('audit');
    const given = { about: 'customer', aboutId: world.customerId, name: 'a', bytes };
    expect(await refused(inTx((context) => keepFile(context, given), auditor))).toMatchObject({ status: 403 });
  });
});
