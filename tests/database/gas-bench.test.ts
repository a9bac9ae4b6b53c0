import type { ServiceId } from '@/core/instrument/service';
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Command } from '@/core/run/command';
import { isRefusal, type Refusal } from '@/core/words/refusal';
import { giveCommand, loadRun, placeTicket, startRun } from '@/features/bench/server';
import { approveRun, noticeFor } from '@/features/certificates/server';
import { addReference, noteCheck, referencePage, referenceSnapshot } from '@/features/shelf/server';
import { openWorld, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());
type Context = { tx: Parameters<Parameters<World['db']['transaction']>[0]>[0]; actor: World['technician']; now: Date };
const inTx = <T>(work: (context: Context) => Promise<T>, at = new Date()) =>
  world.db.transaction((tx) => work({ tx, actor: world.technician, now: at }));
const give = (run: string, command: Command, at?: Date) =>
  inTx((context) => giveCommand(context, { run, commandId: randomUUID(), command }), at);
const must = async (run: string, command: Command, at?: Date) => {
  const given = await give(run, command, at);
  if (isRefusal(given)) throw new Error(given.sentence);
  return given.loaded.state;
};
const code = async (given: Promise<unknown>) => ((await given) as Refusal).code;

const bottle = (rest: object = {}) => ({
  kind: 'gas',
  role: '',
  name: 'Carbon monoxide in air',
  maker: '',
  lot: `L-${randomUUID().slice(0, 6)}`,
  partNumber: '',
  fitting: 'C10',
  expires: '2099-02',
  waterVolumeL: '0.5',
  pressureBar: '69',
  price: '85',
  balance: 'air',
  certificate: 'VG/1',
  issuer: '',
  traceability: 'traceable to the SI',
  stabilityIncluded: false,
  flowLPerMin: '',
  demand: false,
  components: [{ substance: 'CO', value: '100', unit: 'ppm', expanded: '2', k: 2 }],
  ...rest,
});
const regulator = (rest: object = {}) =>
  bottle({
    kind: 'tool',
    role: 'regulator',
    name: 'Regulator',
    expires: '2099-01-31',
    waterVolumeL: '',
    pressureBar: '',
    components: [],
    flowLPerMin: '0.5',
    ...rest,
  });
const put = (input: ReturnType<typeof bottle>) =>
  inTx(async (context) => {
    const made = await addReference(context, input as Parameters<typeof addReference>[1]);
    if (input.kind === 'gas')
      await noteCheck(context, { id: made.id, what: 'accepted', value: '', result: '', note: 'seal and label', nextDue: '' });
    return made;
  });

describe('the shelf', () => {
  it('month and year on a bottle mean the last day of that month; price and content give the price of a litre', async () => {
    const { id } = await put(bottle({ expires: '2027-02' }));
    const snapshot = (await inTx(({ tx }) => referenceSnapshot(tx, id)))!;
    expect(snapshot.expires).toBe('2027-02-28');
    // 0.5 L × 69 bar ÷ 1.01325 bar = 34.0 L (arithmetic): 85 ÷ 34.05 = 2.50 a litre.
    expect(Number(snapshot.availableL)).toBeCloseTo(34.0, 1);
    expect(Number(snapshot.pricePerL)).toBeCloseTo(2.5, 1);
  });
  it('a reading of the gauge starts the count anew: what was drawn before it is in it', async () => {
    const { id } = await put(bottle());
    await world.app.query(
      "insert into reference_booking (reference_id, run_id, seq, litres, at, by) values ($1, $2, 1, 10, now() - interval '1 hour', $3)",
      [id, randomUUID(), 'Tech'],
    );
    const left = async () => Number((await inTx(({ tx }) => referenceSnapshot(tx, id)))!.availableL);
    expect(await left()).toBeCloseTo(24, 0);
    await inTx((context) => noteCheck(context, { id, what: 'pressure', value: '40', result: '', note: '', nextDue: '' }));
    expect(await left()).toBeCloseTo(19.7, 1);
    await world.app.query(
      "insert into reference_booking (reference_id, run_id, seq, litres, at, by) values ($1, $2, 2, 5, now() + interval '1 second', $3)",
      [id, randomUUID(), 'Tech'],
    );
    expect(await left()).toBeCloseTo(14.7, 1);
    expect((await inTx(({ tx }) => referencePage(tx, id)))!.checks.map((check) => check.what)).toEqual([
      'pressure',
      'accepted',
      'made',
    ]);
  });
  it('a check that failed takes equipment out of use, one that passed sets the next date; the same lot stands there once', async () => {
    const made = regulator({ flowLPerMin: '1.0' });
    const { id } = await put(made);
    await expect(put(made)).rejects.toThrow(/on the shelf already/);
    await expect(
      inTx((context) => noteCheck(context, { id, what: 'check', value: '', result: 'fault', note: '', nextDue: '' })),
    ).rejects.toThrow(/what is wrong/i);
    await inTx((context) => noteCheck(context, { id, what: 'check', value: '', result: 'fault', note: 'leaks', nextDue: '' }));
    expect((await inTx(({ tx }) => referenceSnapshot(tx, id)))!.unusable).toBe('out of use');
    await inTx((context) =>
      noteCheck(context, { id, what: 'check', value: '', result: 'pass', note: '', nextDue: '2098-05-01' }),
    );
    expect(await inTx(({ tx }) => referenceSnapshot(tx, id))).toMatchObject({ expires: '2098-05-01' });
  });
});

describe('bottle and regulator of a run', () => {
  const atBottle = async () => (await world.finishedRun({ stopAt: 'bottle' })).run;
  it('an overdue or out-of-use regulator, another thread, and demand flow without a pump are refused by the server', async () => {
    const run = await atBottle();
    const bind = (id: string) =>
      code(give(run, { type: 'bindReference', slot: 'mix', reference: world.bottleId, regulator: id }));
    expect(await bind((await put(regulator({ expires: '2020-01-01' }))).id)).toBe('overdue');
    expect(await bind((await put(regulator({ demand: true, flowLPerMin: '' }))).id)).toBe('demandWithoutPump');
    const broken = await put(regulator());
    await inTx((context) =>
      noteCheck(context, { id: broken.id, what: 'state', value: '', result: 'outOfUse', note: '', nextDue: '' }),
    );
    expect(await bind(broken.id)).toBe('unusable');
    expect(await bind(world.bottleId)).toBe('noRegulator');
    const good = await put(regulator({ flowLPerMin: '0.3' }));
    const state = await must(run, { type: 'bindReference', slot: 'mix', reference: world.bottleId, regulator: good.id });
    expect(state.bindings.at(-1)).toMatchObject({ flowLPerMin: '0.3', regulator: { name: 'Regulator' } });
  });
  it('a bottle that runs empty in the middle: closed, another chosen, gas on again; both stay on record and both are booked', async () => {
    const { run } = await world.finishedRun({ stopAt: 'found-gas' });
    const now = (seconds: number) => new Date(Date.now() + seconds * 1000);
    await must(run, { type: 'changeStimulus', step: 'found-gas', slot: 'mix', on: false }, now(1));
    const second = await put(
      bottle({
        components: [
          ['O2', '18', '%vol'],
          ['CH4', '2.5', '%vol'],
          ['H2S', '25', 'ppm'],
          ['CO', '100', 'ppm'],
        ].map(([substance, value, unit]) => ({ substance: substance!, value: value!, unit: unit!, expanded: '0.5', k: 2 })),
      }),
    );
    await must(run, { type: 'bindReference', slot: 'mix', reference: second.id, flowLPerMin: '0.5' }, now(2));
    const state = await must(run, { type: 'changeStimulus', step: 'found-gas', slot: 'mix', on: true }, now(3));
    expect(state.stimuli.at(-2)).toMatchObject({ closedEarly: true });
    await must(run, { type: 'changeStimulus', step: 'found-gas', slot: 'mix', on: false }, now(63));
    const { rows } = await world.app.query('select distinct reference_id from reference_booking where run_id = $1', [run]);
    expect(new Set(rows.map((row) => row.reference_id))).toEqual(new Set([world.bottleId, second.id]));
    // Without having been closed before its time gas can't be opened where no step asks for it.
    expect(
      await code(
        give((await world.finishedRun({ stopAt: 'left-zero' })).run, {
          type: 'changeStimulus',
          step: 'left-zero',
          slot: 'mix',
          on: true,
        }),
      ),
    ).toBe('notNow');
  });
});

describe('what is told to the customer', () => {
  it('an as-found outside drafts a notice with size and period; released with the certificate it waits in the outbox once', async () => {
    const assetId = await world.newAsset();
    const good = await world.finishedRun({ assetId, at: new Date(Date.now() - 90 * 864e5) });
    await world.db.transaction((tx) =>
      approveRun({ tx, actor: world.signatory, now: new Date(Date.now() - 89 * 864e5) }, { runId: good.run }),
    );
    await world.app.query(`update ticket set status = 'returned' where asset_id = $1`, [assetId]);
    const channel = (await inTx(({ tx }) => loadRun(tx, good.run)))!.state.channels.find((one) => one.role === 'co')!;
    const { run } = await world.finishedRun({ assetId, behaviour: { foundError: { [channel.id]: -0.3 } } });
    const draft = (await inTx(({ tx }) => noticeFor(tx, run)))!;
    expect(draft.facts).toMatchObject([{ label: 'CO', target: '100.0' }]);
    expect(Number(draft.facts[0]!.error)).toBeLessThan(-20);
    expect(draft.body).toMatch(/too low \(tolerance ± 10 ppm/);
    expect(draft.body).toMatch(/last found and left in tolerance on \d{4}-\d{2}-\d{2}/);
    const approve = () =>
      world.db.transaction((tx) =>
        approveRun({ tx, actor: world.signatory, now: new Date() }, { runId: run, notice: `${draft.body}\nP.S.` }),
      );
    await approve();
    await approve();
    const { rows } = await world.app.query(
      'select n.body, n.released_by, m.recipient, m.state from customer_notice n join mail m on m.id = n.mail_id where n.run_id = $1',
      [run],
    );
    expect(rows).toMatchObject([{ released_by: 'Sign', recipient: 'yard@test.example', state: 'queued' }]);
    expect(rows[0].body).toContain('P.S.');
  });
  it('nothing outside, nothing to tell', async () => {
    const { run } = await world.finishedRun();
    expect(await inTx(({ tx }) => noticeFor(tx, run))).toBeNull();
  });
});

describe('a bump on its own', () => {
  const bumpRun = async (service: ServiceId) => {
    const ticket = await world.newTicket();
    await world.app.query('update ticket set service = $1 where id = $2', [service, ticket.id]);
    await inTx((context) => placeTicket(context, { ticketId: ticket.id, place: 5 }));
    const { run } = await inTx((context) => startRun(context, { ticketId: ticket.id }));
    return { run, ...ticket };
  };
  const through = async (run: string, moved: boolean) => {
    const later = new Date(Date.now() + 120_000);
    await must(run, { type: 'completeStep', step: 'warm-up' }, later);
    await must(run, { type: 'completeStep', step: 'alarm', answers: { clear: { value: 'yes' } } }, later);
    await must(run, { type: 'bindReference', slot: 'mix', reference: world.bottleId, flowLPerMin: '0.5' }, later);
    const state = await must(run, { type: 'changeStimulus', step: 'on', slot: 'mix', on: true }, later);
    const channels = Object.fromEntries(
      state.channels.map((one) => [one.id, { moved: moved || one.role !== 'ex', rightWay: true }]),
    );
    await must(run, { type: 'bump', step: 'watched', channels, outputs: { sound: true, light: true, vibration: true } }, later);
    return must(run, { type: 'changeStimulus', step: 'off', slot: 'mix', on: false }, new Date(later.getTime() + 10_000));
  };
  const ticketOf = async (id: string) =>
    (await world.app.query('select status, service, run_id, place from ticket where id = $1', [id])).rows[0];
  const bumpOf = async (assetId: string) =>
    (await world.app.query('select bump_passed, next_due from asset where id = $1', [assetId])).rows[0];
  it('passed: a record of its own, the ready mark, and no due date of a calibration', async () => {
    const { run, assetId, id } = await bumpRun('bumpOnly');
    await through(run, true);
    await must(run, { type: 'completeStep', step: 'purge' }, new Date(Date.now() + 600_000));
    await must(run, { type: 'finish' }, new Date(Date.now() + 600_000));
    const issued = await world.db.transaction((tx) =>
      approveRun({ tx, actor: world.signatory, now: new Date() }, { runId: run }),
    );
    const { rows } = await world.app.query(
      `select kind, content->>'title' as title, content->'bumps' as remarks from certificate where id = $1`,
      [issued.id],
    );
    expect(rows[0]).toMatchObject({ kind: 'bump', title: 'Record of a bump test' });
    expect(JSON.stringify(rows[0].remarks)).toContain('watched by a person');
    expect(await bumpOf(assetId)).toMatchObject({ bump_passed: true, next_due: null });
    expect(await ticketOf(id)).toMatchObject({ status: 'toReturn' });
  });
  it('failed: it ends in a decision; to be calibrated, the same ticket goes on at its place', async () => {
    const { run, assetId, id } = await bumpRun('bumpThenCalibrate');
    await through(run, false);
    expect(await bumpOf(assetId)).toMatchObject({ bump_passed: false });
    expect(await code(give(run, { type: 'finish' }))).toBe('stepsLeft');
    const later = new Date(Date.now() + 600_000);
    await must(run, { type: 'decide', step: 'watched!', option: 'calibrate' }, later);
    await must(run, { type: 'completeStep', step: 'purge' }, new Date(later.getTime() + 90_000));
    await must(run, { type: 'finish' }, later);
    expect(await ticketOf(id)).toMatchObject({ status: 'onBench', service: 'calibrate', run_id: null, place: 5 });
    const { run: next } = await inTx((context) => startRun(context, { ticketId: id }));
    expect((await inTx(({ tx }) => loadRun(tx, next)))!.procedure.id).toBe('four-gas-leak-monitor');
  });
});
