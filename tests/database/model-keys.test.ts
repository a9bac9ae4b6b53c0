import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, expect, it } from 'vitest';
import * as schema from '@/data/schema';
import { keysOfModel, loadRun, modelKeysCsv, placeTicket, startRun, writeModelKey } from '@/features/bench/server';
import { createAsset, INSPECTION_ITEMS, keepSamples, receive } from '@/features/counter/server';
import { MODELS } from '@/processes/seed/catalogue';
import type { Problem } from '@/platform/problem';
import { openWorld, type World } from './world';

let world: World;
let modelId: string;
type Tx = Parameters<Parameters<World['db']['transaction']>[0]>[0];
const now = new Date('2026-11-26T09:00:00.000Z');
const as = <T>(work: (context: { tx: Tx; actor: World['technician']; now: Date }) => Promise<T>, actor = world.technician) =>
  world.db.transaction((tx) => work({ tx, actor, now }));
const refused = (promise: Promise<unknown>) =>
  promise.then(
    () => 'not refused',
    (error: Problem) => `${error.status} ${error.message}`,
  );
const audited = (action: string) =>
  as(async ({ tx }) => (await tx.select().from(schema.audit).where(eq(schema.audit.action, action))).map((one) => one.detail));

beforeAll(async () => {
  world = await openWorld();
  const { maker, name, kind, procedureId, traits, channels } = MODELS.find((one) => one.name === 'SM-11')!;
  modelId = await as(async ({ tx }) => {
    const [row] = await tx
      .insert(schema.instrumentModel)
      .values({ maker, name, kind, procedureId, traits, channels })
      .returning();
    return row!.id;
  });
});
afterAll(() => world.close());

const at = { procedureId: 'combined-ph-ec-tester', step: 'sheets/ph/round/set-seven-set' };
const write = (after: number, text: string, secret = '') =>
  as((context) => writeModelKey(context, { modelId, ...at, after, text, secret }));
const read = (atBench: boolean) => as(({ tx }) => keysOfModel(tx, { modelId, procedureId: at.procedureId, atBench }));

it('how a step goes on a model is written, corrected and ended as versions; all stay, and the audit says from what to what', async () => {
  await write(0, 'Hold CAL 3 s until it shows 7.0', '4711');
  await write(1, 'Hold CAL 2 s until it shows 7.0', '4711');
  expect(await refused(write(1, 'mine'))).toMatch(/^409 .*Hold CAL 2 s/);
  await write(2, '');
  expect((await read(true))[at.step]!.map((one) => [one.version, one.text, one.secret])).toEqual([
    [3, '', ''],
    [2, 'Hold CAL 2 s until it shows 7.0', '4711'],
    [1, 'Hold CAL 3 s until it shows 7.0', '4711'],
  ]);
  expect((await audited('modelKey'))[1]).toEqual({
    before: 'Hold CAL 3 s until it shows 7.0',
    after: 'Hold CAL 2 s until it shows 7.0',
  });
  expect((await as(({ tx }) => modelKeysCsv(tx))).split('\n')).toHaveLength(4);
});

it('a code is shown to the bench only, never in the audit; a step that is not there and a counter are refused', async () => {
  expect((await read(false))[at.step]!.every((one) => one.secret === null)).toBe(true);
  expect(JSON.stringify(await audited('modelKey'))).not.toContain('4711');
  expect(
    await refused(as((context) => writeModelKey(context, { modelId, ...at, step: 'nowhere', after: 0, text: 'x', secret: '' }))),
  ).toMatch(/^404/);
  const counter = { ...world.technician, role: 'counter' as const };
  expect(
    await refused(as((context) => writeModelKey(context, { modelId, ...at, after: 3, text: 'x', secret: '' }), counter)),
  ).toMatch(/^403/);
});

it('samples told at receipt choose buffers and standards of the run; corrected on the card, with the audit', async () => {
  const { id: assetId } = await as((context) =>
    createAsset(context, { customerId: world.customerId, modelId, serial: 'S-11', tag: '', channels: [] }),
  );
  const { tickets } = await as((context) =>
    receive(context, {
      customerId: world.customerId,
      contact: '',
      note: '',
      instruments: [
        {
          assetId,
          service: 'calibrate',
          rule: 'simple',
          promiseOn: null,
          dueAgreed: false,
          note: '',
          samples: { ph: '7,5', conductivity: '900' },
          inspection: Object.fromEntries(INSPECTION_ITEMS.map((item) => [item.id, { result: 'pass' as const, note: '' }])),
        },
      ],
    }),
  );
  const ticketId = tickets[0]!.id;
  await as((context) => placeTicket(context, { ticketId, place: 1 }));
  const { run } = await as((context) => startRun(context, { ticketId }));
  const loaded = await as(({ tx }) => loadRun(tx, run));
  expect(loaded!.state.started!.schools).toMatchObject({ points: 'two', 'high-standard': 'no' });
  await as((context) => keepSamples(context, { assetId, ph: '9.5', conductivity: '' }));
  expect(await audited('instrumentSamples')).toEqual([
    { before: {}, after: { ph: '7.5', conductivity: '900' } },
    { before: { ph: '7.5', conductivity: '900' }, after: { ph: '9.5' } },
  ]);
});
