import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import Ajv2020 from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { modelProblems } from '@/core/stored/model-problems';
import type { Actor } from '@/core/record/event';
import type { Transaction } from '@/data/connection';
import { assetChannel, instrumentModel } from '@/data/schema';
import { createAsset, listModels } from '@/features/counter/server';
import { startRun, placeTicket } from '@/features/bench/server';
import {
  changeModel,
  createModel,
  modelPage,
  modelsInRoom,
  modelsJson,
  retireModel,
  takeBackModel,
  takeModels,
} from '@/features/models/server';
import { shippedProcedure } from '@/procedures';
import { MODELS } from '@/procedures/models';
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
const likeFirst = async (name: string) => {
  const [model] = await world.db.select().from(instrumentModel).where(eq(instrumentModel.id, world.modelId));
  const { maker, kind, procedureId, notes, traits, channels } = model!;
  return { maker, name, kind, procedureId: procedureId!, notes, traits, channels };
};

describe('a model of one’s own', () => {
  it('made like another, received, and on the bench at once, with what was typed', async () => {
    const input = await likeFirst('Own 1');
    const [first, ...rest] = input.channels;
    const channels = [{ ...first!, highest: '42' }, ...rest];
    const { id } = await inTx((context) => createModel(context, { ...input, channels }));
    expect((await inTx(({ tx }) => listModels(tx))).map((one) => one.name)).toContain('Own 1');
    const asset = await inTx((context) =>
      createAsset(context, { customerId: world.customerId, modelId: id, serial: 'OWN-1', tag: '', channels: [] }),
    );
    const ticket = await world.newTicket({ assetId: asset.id });
    await inTx((context) => placeTicket(context, { ticketId: ticket.id, place: 3 }));
    const { run } = await inTx((context) => startRun(context, { ticketId: ticket.id }));
    const { rows } = await world.app.query<{ data: { channels: { role: string; highest: string }[] } }>(
      "select data from run_event where run_id = $1 and type = 'started'",
      [run],
    );
    expect(rows[0]!.data.channels.find((one) => one.role === first!.role)).toMatchObject({ highest: '42' });
  });
  it('what does not fit is said at its field, and nothing is written', async () => {
    const input = await likeFirst('Own 2');
    const [first, ...rest] = input.channels;
    const bad = { ...input, channels: [{ ...first!, tolerance: {} }, ...rest], traits: { pumpSwitchable: true as const } };
    expect(await refused(inTx((context) => createModel(context, bad)))).toMatchObject({
      status: 400,
      fields: { 'channels.0.tolerance.absolute': expect.any(String), 'traits.pumpSwitchable': expect.any(String) },
    });
    expect(await inTx(({ tx }) => modelsInRoom(tx, { q: 'own 2' }))).toEqual([]);
  });
  it('a change holds for instruments made from then on; those on record keep theirs; the second of two is told', async () => {
    const input = await likeFirst('Own 3');
    const { id } = await inTx((context) => createModel(context, input));
    const make = (serial: string) =>
      inTx((context) => createAsset(context, { customerId: world.customerId, modelId: id, serial, tag: '', channels: [] }));
    const old = await make('OLD-1');
    expect(await inTx(({ tx }) => modelsInRoom(tx, { q: 'own 3' }))).toMatchObject([{ instruments: 1 }]);
    const channels = input.channels.map((channel) => ({ ...channel, tolerance: { ...channel.tolerance, absolute: '7' } }));
    await inTx((context) => changeModel(context, { ...input, channels, modelId: id, version: 1 }));
    const young = await make('YOUNG-1');
    const tolerances = async (assetId: string) =>
      (await world.db.select().from(assetChannel).where(eq(assetChannel.assetId, assetId))).map((one) => one.tolerance.absolute);
    expect(new Set(await tolerances(young.id))).toEqual(new Set(['7']));
    expect(await tolerances(old.id)).not.toContain('7');
    expect(await refused(inTx((context) => changeModel(context, { ...input, modelId: id, version: 1 })))).toMatchObject({
      status: 409,
    });
    expect((await inTx(({ tx }) => modelPage(tx, id)))!.model.version).toBe(2);
  });
  it('a name that is taken is refused at its field; retired it is offered no more, taken back it is', async () => {
    const input = await likeFirst('Own 4');
    const { id } = await inTx((context) => createModel(context, input));
    expect(await refused(inTx((context) => createModel(context, { ...input, name: 'OWN 4' })))).toMatchObject({
      status: 409,
      fields: { name: expect.any(String) },
    });
    const offered = async () => (await inTx(({ tx }) => listModels(tx))).some((one) => one.id === id);
    await inTx((context) => retireModel(context, { modelId: id, why: 'none left' }));
    expect(await offered()).toBe(false);
    await inTx((context) => takeBackModel(context, { modelId: id, why: 'one came' }));
    expect(await offered()).toBe(true);
  });
  it('only who works at the bench keeps models', async () => {
    const input = await likeFirst('Own 5');
    const counter: Actor = { ...world.technician, role: 'counter' };
    const works: ((context: Parameters<typeof createModel>[0]) => Promise<unknown>)[] = [
      (context) => createModel(context, input),
      (context) => changeModel(context, { ...input, modelId: world.modelId, version: 1 }),
      (context) => retireModel(context, { modelId: world.modelId, why: 'xxx' }),
      (context) => takeBackModel(context, { modelId: world.modelId, why: 'xxx' }),
    ];
    for (const work of works) expect(await refused(inTx(work, counter))).toMatchObject({ status: 403 });
  });
  it('all of them as JSON', async () => {
    const all = JSON.parse(await inTx(({ tx }) => modelsJson(tx))) as { schema: string; models: { name: string }[] };
    expect(all.schema).toBe('werkbank-models/1');
    expect(all.models.length).toBe((await inTx(({ tx }) => modelsInRoom(tx, { retired: true }))).length);
  });
});

it('every model that ships fits its own procedure: else nobody could change it', () => {
  const misfits = MODELS.filter((model) => model.procedureId).flatMap((model) =>
    modelProblems({ traits: model.traits ?? {}, channels: model.channels, procedure: shippedProcedure(model.procedureId!)! }).map(
      ({ field, code }) => `${model.name} ${field} ${code}`,
    ),
  );
  expect(misfits).toEqual([]);
});

describe('models in and out', () => {
  const schema = JSON.parse(
    readFileSync(join(import.meta.dirname, '../../docs/schemas/werkbank-models-1.schema.json'), 'utf8'),
  ) as object;
  it('what goes out holds to the published schema (JSON Schema 2020-12, by another library), and comes in again as it went', async () => {
    const out = JSON.parse(await inTx(({ tx }) => modelsJson(tx))) as {
      models: { maker: string; name: string; channels: object[] }[];
    };
    const ajv = new Ajv2020({ strict: false });
    addFormats(ajv);
    const holds = ajv.compile(schema);
    expect(holds(out), JSON.stringify(holds.errors)).toBe(true);
    const [first] = out.models.filter((one) => one.channels.length > 1);
    const other = { ...first!, name: `${first!.name} from elsewhere` };
    const misfit = { ...other, name: 'Odd one', channels: [{ ...other.channels[0], resolution: 'fine' }] };
    const taken = await inTx((context) =>
      takeModels({ ...context, actor: world.technician }, { models: [first!, other, misfit, 7 as never] }),
    );
    expect(taken.map((one) => one.state)).toEqual(['there', 'made', 'misfit', 'misfit']);
    expect(taken[2]!.why.join()).toMatch(/decimal/);
    const again = JSON.parse(await inTx(({ tx }) => modelsJson(tx))) as typeof out;
    expect(again.models.find((one) => one.name === other.name)).toEqual({ ...other, retired: null });
    await expect(
      inTx((context) => takeModels({ ...context, actor: { ...world.technician, role: 'counter' } }, { models: [other] })),
    ).rejects.toMatchObject({ status: 403 });
  });
});
