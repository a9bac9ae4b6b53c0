import { eq } from 'drizzle-orm';
import Papa from 'papaparse';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Actor } from '@/core/record/event';
import { controlPoint, nonconformity, reference } from '@/data/schema';
import {
  chartCsv,
  chartPage,
  checksAhead,
  comparisonsCsv,
  correctChart,
  endChart,
  explainPoint,
  keepComparison,
  keepPoint,
  listCharts,
  listComparisons,
  makeChart,
  strikeComparison,
  strikePoint,
} from '@/features/control/server';
import { listChanges, verifyRecords } from '@/features/office/server';
import { noteCheck, referencePage } from '@/features/shelf/server';
import { asActor } from '@/platform/as-actor';
import type { UseCaseContext } from '@/platform/use-case';
import { refused } from './refused';
import { openWorld, type World } from './world';

let world: World;
const as = <T>(work: (context: UseCaseContext) => Promise<T>, actor: Actor = world.technician) =>
  world.db.transaction(async (tx) => {
    await asActor(tx, actor, 'test');
    return work({ tx, actor, now: new Date() });
  });
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());

const BUFFER = { name: 'Buffer 7.00', kind: 'checkStandard', unit: 'pH', resolution: '0.01', how: 'each Monday' } as const;
const STEADY = ['7.01', '7.00', '7.01', '7.02', '7.00', '7.01', '7.01', '7.02', '7.00', '7.01', '7.02', '7.01'];
const stateOf = async () => (await world.db.select().from(reference).where(eq(reference.id, world.bottleId)))[0]!.state;
const entries = () => world.db.select().from(nonconformity);

describe('a control chart', () => {
  let chartId: string;
  const keep = (value: string, actor?: Actor) => as((context) => keepPoint(context, { chartId, value, note: '' }), actor);
  it('is begun by who works at the bench; a name stands once; from few values nothing is said', async () => {
    const counter: Actor = { id: 'c', name: 'Counter', role: 'counter' };
    expect(await refused(as((context) => makeChart(context, { ...BUFFER, referenceId: null }), counter))).toMatchObject({
      status: 403,
    });
    ({ id: chartId } = await as((context) => makeChart(context, { ...BUFFER, referenceId: world.bottleId })));
    expect(
      await refused(as((context) => makeChart(context, { ...BUFFER, name: 'BUFFER 7.00', referenceId: null }))),
    ).toMatchObject({
      status: 409,
      fields: { name: expect.any(String) },
    });
    for (const value of STEADY) expect((await keep(value)).rule).toBeNull();
    const page = (await as(({ tx }) => chartPage(tx, chartId)))!;
    expect(page.limits).toMatchObject({ n: 12 });
    expect(await as(({ tx }) => listCharts(tx))).toMatchObject([{ id: chartId, points: 12, open: 0 }]);
  });
  it('out of control takes what it watches out of use, at once and once, until a signatory has explained it', async () => {
    expect(await stateOf()).toBe('good');
    const { id, rule } = await keep('7.30');
    expect(rule).toBe('beyond');
    expect(await stateOf()).toBe('outOfUse');
    const [entry] = await entries();
    expect(entry).toMatchObject({ kind: 'failedCheck', referenceId: world.bottleId, what: expect.stringContaining('7.30 pH') });
    // A second value that is out changes nothing more.
    const second = await keep('7.31');
    expect(await entries()).toHaveLength(1);
    const why = 'The bottle stood open.';
    expect(await refused(as((context) => explainPoint(context, { pointId: id, explained: why, anew: false })))).toMatchObject({
      status: 403,
    });
    // Struck by who made it would be a way round.
    expect(await refused(as((context) => strikePoint(context, { pointId: id, why })))).toMatchObject({ status: 403 });
    expect(await refused(as((context) => endChart(context, { chartId, why })))).toMatchObject({ status: 409 });
    const explain = (pointId: number) =>
      as((context) => explainPoint(context, { pointId, explained: why, anew: false }), world.signatory);
    expect(await explain(id)).toEqual({ back: false });
    expect(await stateOf()).toBe('outOfUse');
    expect(await explain(second.id)).toEqual({ back: true });
    expect(await stateOf()).toBe('good');
    expect(await refused(explain(id))).toMatchObject({ status: 409 });
    const page = (await as(({ tx }) => referencePage(tx, world.bottleId)))!;
    expect(page.checks.map((one) => one.note).join(' ')).toContain(
      'Control chart “Buffer 7.00” explained: The bottle stood open.',
    );
  });
  it('what is out of use for another reason as well stays so when the chart is explained', async () => {
    const { id } = await keep('7.40');
    const check = (what: 'check' | 'state', result: 'fault' | 'good') =>
      as((context) => noteCheck(context, { id: world.bottleId, what, value: '', result, note: 'The valve leaks.', nextDue: '' }));
    await check('check', 'fault');
    const explain = (pointId: number) =>
      as((context) => explainPoint(context, { pointId, explained: 'Stirred.', anew: false }), world.signatory);
    expect(await explain(id)).toEqual({ back: false });
    expect(await stateOf()).toBe('outOfUse');
    // Found out of control while it is out of use: the register says so, the reason before it stays the reason.
    expect(await explain((await keep('7.50')).id)).toEqual({ back: false });
    expect(await stateOf()).toBe('outOfUse');
    await check('state', 'good');
  });
  it('limits can be drawn anew from a value; a wrong value is struck and stays to be read; ended it takes no more', async () => {
    const { id } = await keep('7.20');
    await as((context) => explainPoint(context, { pointId: id, explained: 'A new lot.', anew: true }), world.signatory);
    const typed = await keep('72.0');
    expect(typed.rule).toBeNull();
    await as((context) => strikePoint(context, { pointId: typed.id, why: 'typed wrong' }));
    expect(await refused(as((context) => strikePoint(context, { pointId: typed.id, why: 'again' })))).toMatchObject({
      status: 409,
    });
    const page = (await as(({ tx }) => chartPage(tx, chartId)))!;
    expect(page.limits).toBeNull();
    expect(page.points.find((one) => one.id === typed.id)).toMatchObject({ struckWhy: 'typed wrong', counts: false });
    await as((context) => correctChart(context, { chartId, name: 'Buffer 7.00, new lot', how: '', referenceId: null }));
    await as((context) => endChart(context, { chartId, why: 'no buffer any more' }));
    expect(await refused(keep('7.2'))).toMatchObject({ status: 409 });
    const { data } = Papa.parse<Record<string, string>>((await as(({ tx }) => chartCsv(tx, chartId)))!, { header: true });
    expect(data).toHaveLength(18);
    expect(data[12]).toMatchObject({ value: '7.30', rule: 'beyond', explained: 'The bottle stood open.' });
    const changes = await as(({ tx }) => listChanges(tx, { table: 'control_chart' } as never));
    expect(JSON.stringify(changes)).toContain('new lot');
  });
  it('two who keep a value at once come one after the other: what the second broke is judged with the first', async () => {
    ({ id: chartId } = await as((context) => makeChart(context, { ...BUFFER, name: 'At once', referenceId: null })));
    for (const value of STEADY) await keep(value);
    await Promise.all(Array.from({ length: 8 }, () => keep('7.02')));
    const points = await world.db.select().from(controlPoint).where(eq(controlPoint.chartId, chartId));
    expect(points).toHaveLength(20);
    expect(points.filter((one) => one.rule === 'run' || one.rule === 'creep').length).toBeGreaterThan(0);
  });
});

describe('a comparison with another laboratory', () => {
  const given = {
    onDay: '2026-10-01',
    withWhom: 'Harbour laboratory',
    what: 'CO',
    unit: 'ppm',
    value: '98',
    expanded: '3',
    reference: '100',
    referenceExpanded: '2',
    note: '',
  };
  it('has its Eₙ score; one that does not agree opens an entry of the register; it is struck, listed and exported', async () => {
    const before = (await entries()).length;
    expect(await as((context) => keepComparison(context, given))).toMatchObject({
      agrees: true,
      score: expect.closeTo(-2 / Math.hypot(3, 2), 9),
    });
    expect((await entries()).length).toBe(before);
    const { id, agrees } = await as((context) => keepComparison(context, { ...given, what: 'H₂S', value: '90' }));
    expect(agrees).toBe(false);
    expect((await entries()).at(-1)).toMatchObject({ kind: 'other', what: expect.stringContaining('H₂S') });
    expect(await refused(as((context) => keepComparison(context, { ...given, onDay: '2199-01-01' })))).toMatchObject({
      fields: { onDay: expect.any(String) },
    });
    await as((context) => strikeComparison(context, { id, why: 'wrong sample' }));
    expect(await as(({ tx }) => listComparisons(tx))).toContainEqual(expect.objectContaining({ id, struckWhy: 'wrong sample' }));
    expect(await as(({ tx }) => comparisonsCsv(tx))).toContain('wrong sample');
  });
  it('equipment whose check comes up is listed, the earliest first', async () => {
    const soon = new Date(Date.now() + 20 * 864e5).toISOString().slice(0, 10);
    await world.superuser.query("update reference set expires = $1 where kind = 'tool' and role = 'barometer'", [soon]);
    const today = new Date().toISOString().slice(0, 10);
    expect(await as(({ tx }) => checksAhead(tx, today))).toMatchObject([{ name: 'barometer', due: soon }]);
    expect((await as(({ tx }) => verifyRecords(tx))).faults).toEqual([]);
  });
});
