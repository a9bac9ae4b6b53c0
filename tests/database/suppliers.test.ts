import { randomUUID } from 'node:crypto';
import Papa from 'papaparse';
import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { reference } from '@/data/schema';
import { noteCheck } from '@/features/shelf/server';
import { listSuppliers, reviewSupplier, suppliersCsv } from '@/features/suppliers/server';
import { verifyRecords } from '@/features/office/server';
import { asActor } from '@/platform/as-actor';
import type { UseCaseContext } from '@/platform/use-case';
import { refused } from './refused';
import { openWorld, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());
const as = <T>(work: (context: UseCaseContext) => Promise<T>, actor = world.signatory) =>
  world.db.transaction(async (tx) => {
    await asActor(tx, actor, 'test');
    return work({ tx, actor, now: new Date() });
  });
const evaluate = (verdict: 'approved' | 'watched' | 'barred', why: string, reviewBy = '') =>
  as((context) => reviewSupplier(context, { supplier: 'Halm Gases', verdict, why, reviewBy }));
const line = async () => (await as(({ tx }) => listSuppliers(tx))).find((one) => one.supplier === 'Halm Gases');

describe('suppliers, evaluated (ISO/IEC 17025:2017, 6.6)', () => {
  it('what came of their lots stands beside the evaluation; the newest holds and binds: of a barred one nothing is accepted; none is changed', async () => {
    const [bottle] = await world.db.select().from(reference).where(eq(reference.id, world.bottleId));
    const lots: string[] = [];
    for (const [lot, more] of [
      ['H-1', {}],
      ['H-2', { recalled: 'read low' }],
      ['H-3', { accepted: null }],
    ] as const) {
      const id = randomUUID();
      lots.push(id);
      await world.db.insert(reference).values({ ...bottle!, id, lot, maker: 'Halm Gases', ...more });
    }
    expect(await line()).toMatchObject({ lots: 3, accepted: 2, recalled: 1, verdict: null });
    const accept = () =>
      as(
        (context) =>
          noteCheck(context, {
            id: lots[2]!,
            what: 'accepted',
            value: '',
            result: '',
            note: 'against lot H-1',
            nextDue: '',
          } as never),
        world.technician,
      );
    await evaluate('barred', 'Two lots of three were not what their certificates say.', '2020-01-01');
    expect(await refused(accept())).toMatchObject({
      status: 409,
      fields: { note: expect.stringContaining('Halm Gases is barred') },
    });
    await expect(
      as(
        (context) =>
          reviewSupplier(context, { supplier: 'Halm Gases', verdict: 'approved', why: 'I like them well.', reviewBy: '' }),
        world.technician,
      ),
    ).rejects.toThrow();
    await evaluate('watched', 'New filling plant; each lot is compared first.', '2027-06-01');
    await accept();
    expect(await line()).toMatchObject({ accepted: 3, verdict: 'watched', reviewBy: '2027-06-01', earlier: 1 });
    const { data } = Papa.parse<Record<string, string>>(await as(({ tx }) => suppliersCsv(tx)), { header: true });
    expect(data.find((row) => row.supplier === 'Halm Gases')).toMatchObject({ lots: '3', recalled: '1', verdict: 'watched' });
    await expect(world.app.query(`update supplier_review set verdict = 'approved'`)).rejects.toThrow();
    expect((await verifyRecords(world.db)).faults).toEqual([]);
  });
});
