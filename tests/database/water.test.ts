import { randomUUID } from 'node:crypto';
import { addDays, format, set, subDays, subMonths } from 'date-fns';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { RunState } from '@/core/record/state';
import { isRefusal, type Refusal } from '@/core/words/refusal';
import { ScriptedRun } from '@/core/run/scripted';
import * as schema from '@/data/schema';
import { giveCommand, loadRun, placeTicket, recordRun, startRun } from '@/features/bench/server';
import { approveRun } from '@/features/certificates/server';
import { createAsset, INSPECTION_ITEMS, receive } from '@/features/counter/server';
import { chooseWay, listWays } from '@/features/office/server';
import { exchangeProbe, probeSheet, probesOnShelf } from '@/features/probes/server';
import { addReference, noteCheck, referenceSnapshot, referenceSnapshots } from '@/features/shelf/server';
import { MODELS } from '@/processes/seed/catalogue';
import { openedLiquids } from '@/processes/seed/liquids';
import { flyWater } from '@/processes/seed/water-pilot';
import { liquidChooser } from '@/processes/seed/water-history';
import { METER_MODELS } from '@/standins/meter/meter-models';
import { SimulatedMeter } from '@/standins/meter/simulated-meter';
import { openWorld, type World } from './world';

let world: World;
const models: Record<string, string> = {};
/** Noon: a visit that takes an hour ends on the day it began, whenever the test runs. */
const now = set(new Date(), { hours: 12, minutes: 0, seconds: 0, milliseconds: 0 });
const today = format(now, 'yyyy-MM-dd');
const day = (days: number) => format(addDays(now, days), 'yyyy-MM-dd');
type Tx = Parameters<Parameters<World['db']['transaction']>[0]>[0];
const inTx = <T>(work: (context: { tx: Tx; actor: World['technician']; now: Date }) => Promise<T>, at = new Date()) =>
  world.db.transaction((tx) => work({ tx, actor: world.technician, now: at }));

beforeAll(async () => {
  world = await openWorld();
  await world.db.transaction(async (tx) => {
    for (const name of ['PG-3P', 'PG-31', 'PG-70', 'PG-7C', 'PG-22']) {
      const { maker, kind, procedureId, traits, channels } = MODELS.find((one) => one.name === name)!;
      const [row] = await tx
        .insert(schema.instrumentModel)
        .values({ maker, name, kind, procedureId, traits, channels })
        .returning();
      models[name] = row!.id;
    }
    await tx.insert(schema.reference).values([
      ...openedLiquids(now).map((row) => ({
        ...row,
        createdAt: subMonths(now, 40),
        openedOn: row.lot.endsWith('-X') ? row.openedOn : today,
      })),
      {
        kind: 'tool',
        role: 'thermometer',
        name: 'Thermometer',
        lot: 'T-1',
        expires: '2099-01-31',
        components: [{ substance: 'temperature', value: '1', unit: '°C', expanded: '0.1', k: 2 }],
        certificate: 'T-1/1',
        traceability: 'traceable to the SI',
        accepted: { on: '2026-01-01', by: 'Tech', note: 'compared' },
        createdAt: subMonths(now, 40),
      },
    ]);
  });
});
afterAll(() => world.close());

const newOf = (model: string, serial = `${model}-${randomUUID().slice(0, 6)}`) =>
  inTx((context) =>
    createAsset(context, { customerId: world.customerId, modelId: models[model]!, serial, tag: '', channels: [] }),
  ).then((one) => one.id);

/** Received and put on a place. */
function placed(assetId: string, place: number, at = new Date()): Promise<string> {
  return inTx(async (context) => {
    const received = await receive(context, {
      customerId: world.customerId,
      contact: '',
      note: '',
      instruments: [
        {
          assetId,
          service: 'calibrate',
          rule: 'simple',
          promiseOn: null,
          dueAgreed: true,
          note: '',
          inspection: Object.fromEntries(INSPECTION_ITEMS.map((item) => [item.id, { result: 'pass' as const, note: '' }])),
        },
      ],
    });
    const id = received.tickets[0]!.id;
    await placeTicket(context, { ticketId: id, place });
    return id;
  }, at);
}

/** A visit from the counter to the certificate on a simulated meter. */
async function visit(
  assetId: string,
  model: string,
  at: Date,
  fault: object = {},
  dry = false,
): Promise<{ run: string; state: RunState }> {
  const ticketId = await placed(assetId, 1, at);
  const references = (await inTx(({ tx }) => referenceSnapshots(tx))).filter(
    (one) => (one.openedUntil ?? today) >= today && (one.expires ?? today) >= today && Number(one.leftMl ?? 99) >= 30,
  );
  let state: RunState | null = null;
  let end = at;
  const { run } = await inTx(
    (context) =>
      recordRun(context, ticketId, (id, procedure, started) => {
        const scripted = new ScriptedRun(procedure, { run: id, actor: world.technician, start: at, references });
        scripted.start(started);
        flyWater({
          run: scripted,
          meter: new SimulatedMeter(METER_MODELS[model]!, 'S', fault, 3),
          choose: liquidChooser(procedure, references),
          stepSeconds: 2,
          trace: [],
          refusals: [],
          dry,
        });
        state = scripted.state;
        end = scripted.now;
        return scripted.events;
      }),
    at,
  );
  await world.db.transaction(async (tx) => {
    await tx.execute(`update ticket set status = 'toApprove', place = null where id = '${ticketId}'`);
    await approveRun({ tx, actor: world.signatory, now: addDays(end, 0) }, { runId: run });
    await tx.execute(`update ticket set status = 'returned' where id = '${ticketId}'`);
  });
  return { run, state: state! };
}

describe('what each calibration says of a probe', () => {
  it('one row a run, oldest first; forecast from the fifth on; care begins a new series; the certificate states slope and offset', async () => {
    const probe = await newOf('PG-3P');
    for (let i = 0; i < 5; i += 1)
      await visit(probe, 'PG-3P', subMonths(now, 20 - 4 * i), { slope: 0.99 - 0.012 * i + (i % 2 ? 0.001 : -0.001) });
    const sheet = (await inTx(({ tx }) => probeSheet(tx, probe)))!;
    const [ph] = sheet.channels;
    expect(ph!.rows).toHaveLength(5);
    // What the simulated glass was given, visit by visit.
    const given = [98.9, 97.9, 96.5, 95.5, 94.1];
    ph!.rows.forEach((one, i) => expect(Math.abs(one.slopePercent! - given[i]!)).toBeLessThan(0.4));
    // 1.2 % in four months are 0.3 % a month.
    expect(ph!.words.forecast!.trend.perMonth).toBeCloseTo(-0.3, 1);
    expect(ph!.words.forecast!.sentence).toMatch(/^Falls 0\.3 % a month, reaches 90 % between /);
    const { rows } = await world.app.query(
      'select content from certificate where asset_id = $1 order by issued_at desc limit 1',
      [probe],
    );
    expect(rows[0].content.probes[0].lines.join('; ')).toMatch(/slope 94\.\d % .* between pH 4\.00 and 7\.0\d; offset/);
    await visit(probe, 'PG-3P', subDays(now, 1), { slope: 0.985, curedBy: 'soak' }, true);
    const after = (await inTx(({ tx }) => probeSheet(tx, probe)))!.channels[0]!;
    expect(after.rows.at(-1)!.care).toEqual(['Soaked in storage solution (it came dry)']);
    expect(after.words).toMatchObject({
      forecast: null,
      noForecast: 'No forecast yet: 1 calibration since the last care, it takes five.',
    });
  });
  it('the application can’t take a row of a calibration away', async () => {
    await expect(world.app.query('delete from probe_calibration')).rejects.toMatchObject({ code: '42501' });
  });
});

describe('digital probes move between meters, and their history with them', () => {
  it('calibrated: ready until a day; put into a meter; exchanged: the old one comes out; both stay on record', async () => {
    const [first, second, meter] = [await newOf('PG-3P'), await newOf('PG-3P'), await newOf('PG-31')];
    const put = (probeId: string, rest: object = {}) =>
      inTx((context) => exchangeProbe(context, { probeId, hostId: meter, place: 'pond 3', on: today, note: '', ...rest }));
    await expect(put(first)).rejects.toMatchObject({ fields: { probeId: 'Not calibrated.' } });
    await visit(first, 'PG-3P', subDays(now, 2));
    await visit(second, 'PG-3P', subDays(now, 2));
    const shelf = await inTx(({ tx }) => probesOnShelf(tx));
    expect(shelf.find((one) => one.id === first)).toMatchObject({ part: 'probe', readyUntil: day(118), host: null });
    await put(first);
    await expect(put(first)).rejects.toMatchObject({ fields: { hostId: 'It is in it.' } });
    await expect(put(second, { on: day(3) })).rejects.toMatchObject({ fields: { on: 'Not in the future.' } });
    expect(await put(second)).toEqual({ out: first, pair: false });
    const places = (await inTx(({ tx }) => probeSheet(tx, meter)))!.places;
    expect(places.map((one) => [one.otherId, one.untilAt === null])).toEqual(
      expect.arrayContaining([
        [first, false],
        [second, true],
      ]),
    );
    await put(second, { hostId: null });
    expect((await inTx(({ tx }) => probesOnShelf(tx))).find((one) => one.id === second)!.host).toBeNull();
  });
  it('one whose days are over is not put into a meter; one out of tolerance is not ready', async () => {
    const [old, bad, worn, meter] = [await newOf('PG-3P'), await newOf('PG-3P'), await newOf('PG-3P'), await newOf('PG-31')];
    await visit(old, 'PG-3P', subDays(now, 150));
    const put = (probeId: string) =>
      inTx((context) => exchangeProbe(context, { probeId, hostId: meter, place: '', on: today, note: '' }));
    await expect(put(old)).rejects.toMatchObject({ fields: { probeId: 'No longer ready.' } });
    await visit(bad, 'PG-3P', subDays(now, 2), { slope: 0.015, offsetMv: 3 });
    await expect(put(bad)).rejects.toMatchObject({ fields: { probeId: 'Out of service.' } });
    // In tolerance after its calibration, but with 86 % of slope: past its limits.
    const { run } = await visit(worn, 'PG-3P', subDays(now, 2), { slope: 0.86 });
    expect((await world.app.query('select as_left from run_summary where run_id = $1', [run])).rows[0].as_left).toBe('within');
    await expect(put(worn)).rejects.toMatchObject({ fields: { probeId: 'Not calibrated.' } });
  });
  it('a new pair of analogue cell and meter asks for a calibration: the meter is due that day', async () => {
    const [cell, meter, digital] = [await newOf('PG-7C'), await newOf('PG-70'), await newOf('PG-31')];
    const put = (hostId: string) =>
      inTx((context) => exchangeProbe(context, { probeId: cell, hostId, place: '', on: today, note: '' }));
    await expect(put(digital)).rejects.toMatchObject({ fields: { hostId: 'Takes digital probes.' } });
    expect(await put(meter)).toEqual({ out: null, pair: true });
    const { rows } = await world.app.query('select next_due::text, due_basis from asset where id = $1', [meter]);
    expect(rows[0]).toMatchObject({ next_due: today, due_basis: { reason: expect.stringContaining('new pairing with cell') } });
  });
});

describe('liquids on the shelf', () => {
  const liquid = (rest: object = {}) => ({
    kind: 'buffer',
    role: '',
    name: 'Buffer 7.00',
    maker: '',
    lot: `B-${randomUUID().slice(0, 6)}`,
    partNumber: '',
    fitting: '',
    expires: '2099-02',
    waterVolumeL: '',
    pressureBar: '',
    price: '',
    balance: '',
    certificate: 'B/1',
    issuer: '',
    traceability: 'traceable to primary buffers',
    stabilityIncluded: false,
    flowLPerMin: '',
    demand: false,
    set: 'technical',
    nominal: '7.00',
    openedOn: '',
    lifeDays: '184',
    volumeMl: '100',
    doseMl: '30',
    singleDose: false,
    components: [{ substance: 'technical-7.00', value: '7.00', unit: 'pH', expanded: '0.02', k: 2, table: '20;7,01\n24;6,99' }],
    ...rest,
  });
  const put = (rest: object = {}) =>
    inTx(async (context) => {
      const made = await addReference(context, liquid(rest) as Parameters<typeof addReference>[1]);
      await noteCheck(context, {
        id: made.id,
        what: 'accepted',
        value: '',
        result: '',
        note: 'compared with the lot in use',
        nextDue: '',
      });
      return made;
    });
  it('keeps its own table as rows; opened, it is good for its days; the doses count down', async () => {
    const { id } = await put();
    await inTx((context) => noteCheck(context, { id, what: 'opened', value: '', result: '', note: '', nextDue: '' }));
    const snapshot = (await inTx(({ tx }) => referenceSnapshot(tx, id)))!;
    expect(snapshot).toMatchObject({
      openedUntil: day(184),
      leftMl: '100',
      components: [
        {
          table: [
            [20, 7.01],
            [24, 6.99],
          ],
        },
      ],
    });
    await expect(
      inTx((context) => noteCheck(context, { id, what: 'opened', value: '', result: '', note: '', nextDue: '' })),
    ).rejects.toMatchObject({ status: 409 });
  });
  it('past its life after opening, used up, or not the one in order: refused by the server, each with its reason', async () => {
    const assetId = await newOf('PG-22');
    const ticketId = await placed(assetId, 2);
    const { run } = await inTx((context) => startRun(context, { ticketId }));
    const bind = (reference: string) =>
      inTx((context) =>
        giveCommand(context, { run, commandId: randomUUID(), command: { type: 'bindReference', slot: 'seven', reference } }),
      );
    const code = async (given: Promise<unknown>) => ((await given) as Refusal).code;
    const old = await put({ openedOn: day(-185) });
    expect(await code(bind(old.id))).toBe('opened');
    const small = await put({ volumeMl: '20' });
    expect(await code(bind(small.id))).toBe('empty');
    const expired = await put({ expires: '2020-01' });
    expect(await code(bind(expired.id))).toBe('expired');
    const four = await put({
      name: 'Buffer 4.01',
      components: [{ substance: 'technical-4.01', value: '4.01', unit: 'pH', expanded: '0.02', k: 2, table: '' }],
    });
    expect(await bind(four.id)).toMatchObject({
      code: 'otherPoint',
      sentence: expect.stringContaining('next in order is buffer 7.00'),
    });
    const good = await put();
    expect(isRefusal(await bind(good.id))).toBe(false);
    // A dose is booked at the first dip, and the bottle is shown with what is left.
    const { state } = (await inTx(({ tx }) => loadRun(tx, run)))!;
    expect(state.bindings.at(-1)!.reference.leftMl).toBe('100');
    const flown = await visit(await newOf('PG-22'), 'PG-22', subDays(now, 1));
    const { rows } = await world.app.query(
      'select count(*)::int as n, sum(litres)::float as litres from reference_booking where run_id = $1',
      [flown.run],
    );
    expect(rows[0]).toEqual({ n: 2, litres: 0.06 });
  });
});

describe('ways of working', () => {
  it('one chosen for a model holds for runs begun from then on, not for those begun; what is no answer is refused', async () => {
    const begin = async (place: number) => {
      const ticketId = await placed(await newOf('PG-22'), place);
      const { run } = await inTx((context) => startRun(context, { ticketId }));
      return run;
    };
    const schools = async (run: string) => (await inTx(({ tx }) => loadRun(tx, run)))!.state.started!.schools!.points;
    const before = await begin(7);
    const choose = (option: string) =>
      inTx((context) =>
        chooseWay(
          { ...context, actor: { ...context.actor, role: 'administrator' } },
          { modelId: models['PG-22']!, school: 'points', option },
        ),
      );
    await choose('one');
    const after = await begin(8);
    expect([await schools(before), await schools(after)]).toEqual(['two', 'one']);
    const shown = (await inTx(({ tx }) => listWays(tx))).find((one) => one.modelId === models['PG-22'])!;
    expect(shown.questions.find((one) => one.school.id === 'points')!.chosen).toBe('one');
    await expect(choose('seven')).rejects.toMatchObject({ status: 400 });
    await expect(
      inTx((context) =>
        chooseWay(
          { ...context, actor: { ...context.actor, role: 'administrator' } },
          { modelId: models['PG-22']!, school: 'moon', option: 'one' },
        ),
      ),
    ).rejects.toMatchObject({ status: 404 });
    await choose('two');
    expect(
      (await world.app.query('select traits from instrument_model where id = $1', [models['PG-22']])).rows[0].traits,
    ).toEqual(MODELS.find((one) => one.name === 'PG-22')!.traits);
  });
});
