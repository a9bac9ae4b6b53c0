import { addDays, subDays } from 'date-fns';
import { and, desc, eq } from 'drizzle-orm';
import Papa from 'papaparse';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Actor } from '@/core/record/event';
import { asset, audit, intervalAdvice, intervalPolicy, modelHistory } from '@/data/schema';
import { adviceCsv, adviseNightly, assetOutlook, listAdvice, modelOutlook, takeAdvice } from '@/features/advice/server';
import { approveRun } from '@/features/certificates/server';
import { returnTicket } from '@/features/counter/server';
import { putPolicy } from '@/features/due/server';
import { verifyRecords } from '@/features/office/server';
import { asActor } from '@/platform/as-actor';
import { readSettings } from '@/platform/settings';
import type { UseCaseContext } from '@/platform/use-case';
import { refused } from './refused';
import { openWorld, type World } from './world';

let world: World;
const now = new Date();
const inTx = <T>(work: (context: UseCaseContext) => Promise<T>, actor: Actor = world.technician) =>
  world.db.transaction(async (tx) => {
    await asActor(tx, actor, 'test');
    return work({ tx, actor, now });
  });

const outlookOf = (id: string) =>
  inTx(async ({ tx }) => {
    const [row] = await tx.select().from(asset).where(eq(asset.id, id));
    return (await assetOutlook(tx, row!, await readSettings(tx))).outlook;
  });

/** Visits half a year apart; at each CO is found so much lower, as a share of the gas, and adjusted. */
async function lives(serial: string, co: readonly number[]): Promise<string> {
  const assetId = await world.newAsset(serial);
  const { rows } = await world.app.query<{ id: string }>("select id from asset_channel where asset_id = $1 and role = 'co'", [
    assetId,
  ]);
  for (const [index, error] of co.entries()) {
    const at = subDays(now, (co.length - 1 - index) * 180 + 2);
    const { run, ticketId } = await world.finishedRun({ assetId, at, behaviour: { foundError: { [rows[0]!.id]: error } } });
    await world.db.transaction((tx) => approveRun({ tx, actor: world.signatory, now: at }, { runId: run }));
    await world.db.transaction((tx) =>
      returnTicket({ tx, actor: world.technician, now: at }, { ticketId }).catch(() => undefined),
    );
  }
  return assetId;
}

let fast: string;
let fleet: string[];
beforeAll(async () => {
  world = await openWorld();
  await world.db.transaction((tx) =>
    putPolicy({ tx }, { scope: 'model', modelId: world.modelId, every: { months: 6 }, reason: 'common practice' }),
  );
  fleet = [];
  for (let n = 0; n < 8; n += 1) fleet.push(await lives(`ADV-${n}`, [0, -0.02 - n * 0.001, -0.024 + n * 0.001, -0.02]));
  fast = await lives('ADV-FAST', [0, -0.16, -0.17, -0.16]);
}, 300_000);
afterAll(() => world.close());

describe('what history advises', () => {
  it('before the first night a staircase speaks; afterwards the drift of its kind, and of itself where it goes faster', async () => {
    const before = await outlookOf(fleet[0]!);
    expect(before.advice).toMatchObject({ way: 'staircase' });
    await adviseNightly(world.db, now);
    const [kept] = await world.db.select().from(modelHistory).where(eq(modelHistory.modelId, world.modelId));
    expect(kept!.drift.co).toMatchObject({ sensors: 9, steps: 27 });
    expect(kept!.visits).toBe(36);
    const calm = await outlookOf(fleet[0]!);
    const co = calm.channels.find((one) => one.label === 'CO')!;
    expect(co).toMatchObject({ by: 'kind', steps: 3, forecast: { low: expect.any(Number), high: expect.any(Number) } });
    expect(co.perMonth).toBeLessThan(0);
    expect(calm.advice!.way).toBe('drift');
    const own = await outlookOf(fast);
    const faster = own.channels.find((one) => one.label === 'CO')!;
    expect(faster.perMonth!).toBeLessThan(3 * co.perMonth!);
    expect(own.advice).toMatchObject({ way: 'drift', code: 'shorten', worst: { label: 'CO' } });
    // What was adjusted away is still what the sensor lost: the sum of its steps.
    expect(faster.summed!).toBeLessThan(-2 * Math.abs(co.summed!));
  });
  it('stands in a list with what fails most often first, and leaves as a table', async () => {
    const { rows } = await inTx(({ tx }) => listAdvice(tx, {}));
    expect(rows[0]).toMatchObject({ assetId: fast, present: { months: 6 } });
    expect(rows[0]!.sentence).toMatch(/^CO loses [\d.]+ % of its tolerance a month; with 6 months between visits/);
    expect(rows.every((row) => ['extend', 'shorten', 'tooFast'].includes(row.advice.code))).toBe(true);
    const first = await inTx(({ tx }) => listAdvice(tx, { pageSize: 2 }));
    const second = await inTx(({ tx }) => listAdvice(tx, { pageSize: 2, after: first.next! }));
    expect([...first.rows, ...second.rows].map((row) => row.assetId)).toEqual(rows.slice(0, 4).map((row) => row.assetId));
    const { data } = Papa.parse<Record<string, string>>(await inTx(({ tx }) => adviceCsv(tx, 'shorten')), { header: true });
    expect(data).toContainEqual(expect.objectContaining({ serial: 'ADV-FAST', way: 'drift', present: '6 months' }));
  });
  it('of the model: how often found within, what is found outside, how its sensors go', async () => {
    const model = (await inTx(({ tx }) => modelOutlook(tx, world.modelId)))!;
    const { rows } = await world.superuser.query(
      "select count(*) filter (where as_found = 'within')::int as within, count(*)::int as visits from run_summary where status = 'approved' and as_found in ('within', 'outside')",
    );
    expect(model).toMatchObject(rows[0]);
    expect(model.fails[0]!.label).toBe('CO');
    expect(model.fails[0]!.outside).toBeGreaterThan(0);
    expect(model.lives).toEqual([]);
  });
  it('is taken over as its own interval with the reason, once; what was seen has to be what is advised', async () => {
    const own = await outlookOf(fast);
    const seen = own.advice!.every!;
    const counter: Actor = { id: 'c', name: 'Counter', role: 'counter' };
    expect(await refused(inTx((context) => takeAdvice(context, { assetId: fast, seen }), counter))).toMatchObject({
      status: 403,
    });
    expect(await refused(inTx((context) => takeAdvice(context, { assetId: fast, seen: { months: 5 } })))).toMatchObject({
      status: 409,
    });
    const [before] = await world.db.select({ due: asset.nextDue }).from(asset).where(eq(asset.id, fast));
    const { due } = await inTx((context) => takeAdvice(context, { assetId: fast, seen }));
    expect(due! < before!.due!).toBe(true);
    const [policy] = await world.db
      .select()
      .from(intervalPolicy)
      .where(and(eq(intervalPolicy.scope, 'asset'), eq(intervalPolicy.assetId, fast)));
    expect(policy).toMatchObject({ every: seen, reason: expect.stringContaining('CO loses') });
    const [said] = await world.db.select().from(audit).where(eq(audit.action, 'changePolicy')).orderBy(desc(audit.id)).limit(1);
    expect(said!.detail).toMatchObject({ assetId: fast, after: { every: seen } });
    // The list has the advice from there on, not from the night before.
    const [again] = await world.db.select().from(intervalAdvice).where(eq(intervalAdvice.assetId, fast));
    expect(again!.advice.within!.present).toBeGreaterThan(own.advice!.within!.present);
  });
  it('an instrument without a visit or an interval: nothing is invented', async () => {
    const idle = await world.newAsset('ADV-NEW');
    expect(await outlookOf(idle)).toMatchObject({ advice: null, on: null, channels: [] });
    expect(await refused(inTx((context) => takeAdvice(context, { assetId: idle, seen: { months: 6 } })))).toMatchObject({
      status: 409,
    });
    await adviseNightly(world.db, addDays(now, 1));
    expect(await world.db.select().from(intervalAdvice).where(eq(intervalAdvice.assetId, idle))).toEqual([]);
    expect((await inTx(({ tx }) => verifyRecords(tx))).faults).toEqual([]);
  });
});
