import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  budgetCsv,
  endScope,
  listScope,
  stateScope,
  listStudies,
  recordStudy,
  setStanding,
  standingTable,
  standingValues,
  withdrawStudy,
} from '@/features/budgets/server';
import {
  scopeSchema,
  standingSchema,
  studySchema,
  type ScopeInput,
  type StandingChange,
  type StudyInput,
} from '@/features/budgets/schemas';
import { loadRun } from '@/features/bench/server';
import { listAudit } from '@/features/office/server';
import { results } from '@/core/results/results';
import type { Transaction } from '@/data/connection';
import { openWorld, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());

let clock = Date.now();
/** Each at an instant of its own, as people are. */
const inTx = <T>(work: (context: { tx: Transaction; actor: World['technician']; now: Date }) => Promise<T>) =>
  world.db.transaction((tx) => work({ tx, actor: world.signatory, now: new Date((clock += 1000)) }));

const place = { measurand: 'carbon monoxide', procedure: 'four-gas-leak-monitor', point: 'span' };
const change = (rest: Partial<StandingChange>): StandingChange => ({
  standing: 'flow',
  measurand: 'carbon monoxide',
  procedure: '',
  point: '',
  value: 2,
  form: 'percent',
  unit: '',
  sourceKind: 'confirmed',
  sourceText: 'Trial of the flow, 2026-11-02',
  sourceOn: '2026-11-02',
  ...rest,
});
const study = (readings: string): StudyInput => ({
  ...place,
  unit: 'ppm',
  instrument: 'OF-410 S-1',
  studiedOn: '2026-11-03',
  note: '',
  readings,
});
const lastAudit = () =>
  inTx(async ({ tx }) => (await listAudit(tx, {})).rows[0] as { action: string; detail: Record<string, unknown> });
const flow = async () =>
  (await standingValues(world.db as never)).find((one) => one.id === 'flow' && one.measurand === place.measurand);
const repeatability = async () =>
  (await standingTable(world.db as never)).find((one) => one.id === 'repeatability' && one.point === 'span');

describe('standing values of budgets', () => {
  it('what is set counts from then on, is frozen into runs begun before, and the audit says from what to what', async () => {
    const before = await world.finishedRun();
    const frozen = async (run: string) =>
      (await inTx(({ tx }) => loadRun(tx, run)))!.state.started!.standing!.find(
        (one) => one.id === 'flow' && one.measurand === place.measurand,
      );
    const shippedThen = await frozen(before.run);
    await inTx((context) => setStanding(context, change({ value: 2 })));
    expect((await lastAudit()).detail).toMatchObject({ from: { value: 1 }, to: { value: 2 } });
    await inTx((context) => setStanding(context, change({ value: 0.7 })));
    expect((await lastAudit()).detail).toMatchObject({ from: { value: 2 }, to: { value: 0.7, source: { by: 'Sign' } } });
    expect(await flow()).toMatchObject({ value: 0.7, source: { kind: 'confirmed', text: 'Trial of the flow, 2026-11-02' } });
    expect(await frozen(before.run)).toEqual(shippedThen);
    expect(await frozen((await world.finishedRun()).run)).toMatchObject({ value: 0.7 });
  });
  it('bad input is said beside its field and changes nothing', async () => {
    const told = (value: object, schema: typeof standingSchema | typeof studySchema) =>
      schema.validate(value, { abortEarly: false }).then(
        () => null,
        (error: { inner: { path: string; message: string }[] }) => error.inner.map((one) => `${one.path}: ${one.message}`),
      );
    expect(await told(change({ value: -1 }), standingSchema)).toEqual(['value: An uncertainty is never negative.']);
    expect(await told(change({ sourceText: '' }), standingSchema)).toContain(
      'sourceText: Which paper, certificate or study says so?',
    );
    expect(await told(change({ sourceOn: '2026-02-30' }), standingSchema)).toEqual(['sourceOn: A date such as 2026-11-26.']);
    expect(await told(study('98 99 100'), studySchema)).toEqual(['readings: 3 readings are too few: at least five.']);
    expect(await told(study('98 99 100 101\n99'), studySchema)).toEqual([
      'readings: A series of one reading says nothing of its spread: at least two a line.',
    ]);
    expect(await told(study('98 99 1OO 101 99'), studySchema)).toEqual([
      'readings: “1OO” is no figure: readings as displayed, with a point.',
    ]);
    await expect(inTx((context) => setStanding(context, change({ measurand: 'phlogiston' })))).rejects.toMatchObject({
      fields: { measurand: 'Choose one of the list.' },
    });
    await expect(
      inTx((context) => recordStudy(context, { ...study('98 99 100 101 99'), measurand: 'phlogiston' })),
    ).rejects.toMatchObject({ fields: { measurand: 'Choose one of the list.' } });
    await expect(inTx((context) => recordStudy(context, study('98 98 98 98 98')))).rejects.toThrow(/alike/);
    expect(await flow()).toMatchObject({ value: 0.7 });
    expect(await inTx(({ tx }) => listStudies(tx))).toEqual([]);
  });
});

describe('repeat studies', () => {
  it('series pooled by their degrees of freedom feed the repeatability of that point (JCGM 100:2008, 4.2.4 note and H.3.6)', async () => {
    // Two series: s² = 1 with 2 degrees of freedom, s² = 2.5 with 4: pooled (2·1 + 4·2.5)/6 = 2.
    await inTx((context) => recordStudy(context, study('9 10 11\n8 9 10 11 12')));
    expect(await repeatability()).toMatchObject({
      value: expect.closeTo(Math.SQRT2, 5),
      source: { kind: 'study', n: 8, dof: 6 },
    });
    expect((await lastAudit()).detail).toMatchObject({ from: null, to: { dof: 6, n: 8 } });
  });
  it('one found wrong is withdrawn; a later study of the same point stands, and ends only by its own withdrawal', async () => {
    const first = (await inTx(({ tx }) => listStudies(tx)))[0]!;
    const { id } = await inTx((context) => recordStudy(context, study('99 100 101 99 101')));
    await inTx((context) => withdrawStudy(context, { id: first.id, reason: 'the regulator leaked' }));
    expect(await repeatability()).toMatchObject({ value: 1, source: { kind: 'study', n: 5 } });
    await expect(inTx((context) => withdrawStudy(context, { id: first.id, reason: 'once more' }))).rejects.toThrow(/already/);
    await inTx((context) => withdrawStudy(context, { id, reason: 'wrong bottle' }));
    expect(await repeatability()).toBeUndefined();
    expect((await inTx(({ tx }) => listStudies(tx))).map((one) => one.withdrawn)).toEqual(
      expect.arrayContaining(['the regulator leaked', 'wrong bottle']),
    );
  });
});

describe('the scope that a workshop states', () => {
  const line = (rest: Partial<ScopeInput>): ScopeInput => ({
    replaces: null,
    measurand: 'carbon monoxide',
    unit: 'ppm',
    lowest: '10',
    highest: '200',
    smallest: '9',
    form: 'absolute',
    ...rest,
  });
  const state = (rest: Partial<ScopeInput> = {}) =>
    inTx(async (context) => stateScope(context, (await scopeSchema.validate(line(rest))) as ScopeInput));
  const standing = () => listScope(world.db as never);

  it('refuses a range that ends before it begins, a U of nothing, a foreign unit, a range claimed already; nothing half-written', async () => {
    await expect(scopeSchema.validate(line({ highest: '5' }))).rejects.toThrow('The range ends above where it begins.');
    await expect(scopeSchema.validate(line({ smallest: '0' }))).rejects.toThrow('more than nothing');
    await expect(state({ unit: 'pH' })).rejects.toThrow('pH is no unit of carbon monoxide.');
    await state();
    await expect(state({ lowest: '150', highest: '500' })).rejects.toThrow('claimed already');
    expect(await standing()).toHaveLength(1);
  });
  it('is frozen into a run: U is never below it, what lies beyond is marked; a line is corrected and ended, and the audit says from what to what', async () => {
    const { run } = await world.finishedRun();
    const { procedure, state: worked } = (await world.db.transaction((tx) => loadRun(tx, run)))!;
    const lines = results({ procedure, state: worked }).filter((one) => one.left?.expanded);
    const co = lines.filter((one) => one.measurand === 'carbon monoxide' && Number(one.left!.reference) >= 10);
    expect(co.length).toBeGreaterThan(0);
    for (const { left, notes } of co) {
      expect(Number(left!.expanded)).toBeGreaterThanOrEqual(9);
      expect(left!.budget.map((one) => one.id)).toContain('scope');
      expect(notes.map((one) => one.code)).not.toContain('note.outsideScope');
    }
    const others = lines.filter((one) => one.measurand !== 'carbon monoxide');
    expect(others.length).toBeGreaterThan(0);
    expect(others.every((one) => one.notes.some((note) => note.code === 'note.outsideScope'))).toBe(true);

    const [before] = await standing();
    await state({ smallest: '4', replaces: before!.id });
    expect((await lastAudit()).detail).toMatchObject({
      from: 'carbon monoxide, 10 to 200 ppm: U from 9 ppm',
      to: 'carbon monoxide, 10 to 200 ppm: U from 4 ppm',
    });
    await expect(state({ smallest: '3', replaces: before!.id })).rejects.toThrow('somebody was quicker');
    const [now] = await standing();
    await inTx((context) => endScope(context, { id: now!.id, reason: 'given back' }));
    expect(await standing()).toEqual([]);
    expect(await listScope(world.db as never, { ended: true })).toHaveLength(2);
    const csv = await inTx(({ tx }) => budgetCsv(tx, 'scope'));
    expect(csv.split(/\r?\n/)).toHaveLength(3);
    expect(csv).toContain('given back');
  });
});

describe('what the budgets room exports', () => {
  it('studies with every reading and why they were withdrawn; standing values with source, day and who', async () => {
    await inTx((context) => recordStudy(context, study('98 99 100 101 99')));
    const [studies, standing] = await Promise.all(
      (['studies', 'standing'] as const).map((table) => inTx(({ tx }) => budgetCsv(tx, table))),
    );
    expect(studies).toContain('9 10 11; 8 9 10 11 12');
    expect(studies).toContain('the regulator leaked');
    expect(studies).toContain('98 99 100 101 99');
    const rows = standing!.split(/\r?\n/);
    expect(rows[0]).toBe('measurand,influence,procedure,point,value,form,unit,source,set,by');
    expect(rows.length).toBeGreaterThan(10);
    expect(rows.find((one) => one.includes('repeat study'))).toContain('carbon monoxide');
  });
});
