import { addDays, format, subDays } from 'date-fns';
import Papa from 'papaparse';
import { afterAll, beforeAll, expect, it } from 'vitest';
import type { Actor } from '@/core/record/event';
import { approveRun } from '@/features/certificates/server';
import { verifyRecords } from '@/features/office/server';
import { dropTerms, keepTerms, reorderCsv, supplyOutlook } from '@/features/reorder/server';
import { asActor } from '@/platform/as-actor';
import type { UseCaseContext } from '@/platform/use-case';
import { refused } from './refused';
import { openWorld, type World } from './world';

let world: World;
const now = new Date();
const today = format(now, 'yyyy-MM-dd');
const as = <T>(work: (context: UseCaseContext) => Promise<T>, actor: Actor = world.technician) =>
  world.db.transaction(async (tx) => {
    await asActor(tx, actor, 'test');
    return work({ tx, actor, now });
  });
// More days than to the fourth week's end, whatever day of the week today is.
const TERMS = { supplier: 'Gas of the harbour', partNumber: 'P-4', leadDays: 40, holds: '20', price: '85.50' };
beforeAll(async () => {
  world = await openWorld();
  for (let n = 0; n < 3; n += 1) {
    const at = subDays(now, 20 + n);
    const { run } = await world.finishedRun({ at });
    await world.db.transaction((tx) => approveRun({ tx, actor: world.signatory, now: at }, { runId: run }));
  }
  await world.app.query("update ticket set status = 'returned', returned_at = now()");
});
afterAll(() => world.close());

it('what is due wants what its runs drew; the day it is short, when to order, how many; an ended bottle is no help', async () => {
  const { rows: drawn } = await world.superuser.query<{ name: string; litres: number }>(
    'select f.name, (sum(b.litres) / 3)::float8 as litres from reference_booking b join reference f on f.id = b.reference_id where f.id = $1 group by 1',
    [world.bottleId],
  );
  const { name, litres } = drawn[0]!;
  expect(litres).toBeGreaterThan(0.5);
  // Ten instruments in the fourth week from now; the bottle has gas for four of them.
  const due = format(addDays(now, 28), 'yyyy-MM-dd');
  await world.superuser.query("update asset set next_due = null where status = 'inUse'");
  for (let n = 0; n < 10; n += 1) {
    const id = await world.newAsset(`RO-${n}`);
    await world.superuser.query('update asset set next_due = $2 where id = $1', [id, due]);
  }
  await world.superuser.query('update reference set water_volume_l = 1, pressure_bar = $2 where id = $1', [
    world.bottleId,
    ((litres * 4) / 1) * 1.01325 + 0.0001,
  ]);
  await world.superuser.query('update reference_total set since_gauge = 0 where reference_id = $1', [world.bottleId]);
  await as((context) => keepTerms(context, { name, ...TERMS }));
  const line = (await as(({ tx }) => supplyOutlook(tx, today, now))).find((one) => one.name === name)!;
  expect(line).toMatchObject({ runs: 10, wanted: expect.closeTo(10 * litres, 6) });
  expect(line.bottles[0]!.usedUpOn! >= format(addDays(now, 21), 'yyyy-MM-dd')).toBe(true);
  expect(line.shortOn! >= line.bottles[0]!.usedUpOn!).toBe(true);
  expect(line.orderBy! < today).toBe(true);
  expect(line.order).toBe(Math.ceil((6 * litres - 0.1) / 20));
  // What those three runs used is what was booked, and never less than their readings would have taken.
  expect(line.gas).toMatchObject({ runs: 3, used: expect.closeTo(3 * litres, 2) });
  expect(line.gas!.shortest).toBeGreaterThan(0.2 * line.gas!.used);
  expect(line.gas!.shortest).toBeLessThanOrEqual(line.gas!.used);
  const { data } = Papa.parse<Record<string, string>>(await as(({ tx }) => reorderCsv(tx, today, now)), { header: true });
  expect(data).toContainEqual(
    expect.objectContaining({
      name,
      supplier: TERMS.supplier,
      part_number: 'P-4',
      order: String(line.order),
      price_each: '85.5',
    }),
  );
  await world.superuser.query('update reference set expires = $2 where id = $1', [
    world.bottleId,
    format(subDays(now, 1), 'yyyy-MM-dd'),
  ]);
  const without = (await as(({ tx }) => supplyOutlook(tx, today, now))).find((one) => one.name === name)!;
  expect(without).toMatchObject({ left: 0, bottles: [] });
  expect(without.order).toBe(Math.ceil((10 * litres) / 20));
});
it('how it is bought is kept, changed and left to the newest lot again; the audit has it; who may not is refused', async () => {
  const auditor: Actor = { id: 'a', name: 'Auditor', role: 'auditor' };
  const name = 'Something new';
  expect(await refused(as((context) => keepTerms(context, { name, ...TERMS }), auditor))).toMatchObject({ status: 403 });
  await as((context) => keepTerms(context, { name, ...TERMS }));
  await as((context) => keepTerms(context, { name, ...TERMS, leadDays: 5, price: '', holds: '' }));
  const { rows } = await world.app.query('select lead_days, price, changed_by from supply_terms where name = $1', [name]);
  expect(rows).toEqual([{ lead_days: 5, price: null, changed_by: world.technician.name }]);
  await as((context) => dropTerms(context, { name }));
  const { rows: kept } = await world.superuser.query(
    "select kind from change_log where table_name = 'supply_terms' and row_key like '%Something new%' order by id",
  );
  expect(kept.map((one) => one.kind)).toEqual(['made', 'changed', 'taken']);
  expect((await as(({ tx }) => verifyRecords(tx))).faults.filter((one) => one.record.includes('Something'))).toEqual([]);
});
