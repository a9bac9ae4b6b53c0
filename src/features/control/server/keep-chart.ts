import { and, asc, desc, eq, isNull, sql } from 'drizzle-orm';
import type { InferType } from 'yup';
import { judgeChart } from '@/core/control/judge-chart';
import { say } from '@/core/words/say';
import type { Transaction } from '@/data/connection';
import { controlChart, controlPoint, reference, referenceCheck } from '@/data/schema';
import { openNonconformity } from '@/features/register/server';
import { noteCheck } from '@/features/shelf/server';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import type { chartSchema, correctChartSchema, endSchema, explainSchema, pointSchema, strikeSchema } from '../control-schema';
import '@/core/words/en/control';

const isTaken = (error: unknown) => (error as { cause?: { code?: string } }).cause?.code === '23505';
const taken = () => new Problem(say({ code: 'control.taken' }), { name: say({ code: 'control.taken' }) }, 409);

/** Begins a chart. Errors: Problem (403), (404) for a reference that is none, (409) beside a name that is in use. */
export async function makeChart(
  { tx, actor, now }: UseCaseContext,
  given: InferType<typeof chartSchema>,
): Promise<{ id: string }> {
  need(actor, 'bench');
  await known(tx, given.referenceId);
  try {
    const [row] = await tx
      .insert(controlChart)
      .values({ ...given, madeAt: now, madeBy: actor.name })
      .returning({ id: controlChart.id });
    return row!;
  } catch (error) {
    if (isTaken(error)) throw taken();
    throw error;
  }
}

async function known(tx: Transaction, referenceId: string | null): Promise<void> {
  if (!referenceId) return;
  const [row] = await tx.select({ id: reference.id }).from(reference).where(eq(reference.id, referenceId));
  if (!row) throw new Problem(say({ code: 'control.noReference' }), { referenceId: say({ code: 'control.noReference' }) }, 404);
}

/** A chart, held until the transaction ends: two who read at once come one after the other. */
async function held(tx: Transaction, chartId: string) {
  const [row] = await tx.select().from(controlChart).where(eq(controlChart.id, chartId)).for('update');
  if (!row) throw new Problem(say({ code: 'control.unknown' }), {}, 404);
  return row;
}
async function heldOpen(tx: Transaction, chartId: string) {
  const row = await held(tx, chartId);
  if (row.endedAt) throw new Problem(say({ code: 'control.ended' }), {}, 409);
  return row;
}

/** Corrects name, way and what is watched. Errors: Problem (403), (404), (409) for one that has ended or a name in use. */
export async function correctChart(
  { tx, actor }: UseCaseContext,
  { chartId, ...given }: InferType<typeof correctChartSchema>,
): Promise<void> {
  need(actor, 'bench');
  await heldOpen(tx, chartId);
  await known(tx, given.referenceId);
  try {
    await tx.update(controlChart).set(given).where(eq(controlChart.id, chartId));
  } catch (error) {
    if (isTaken(error)) throw taken();
    throw error;
  }
}

/** Values of a chart that later ones are held against, in their order, from where its limits are counted: one that was explained drags no average after it. */
export const countingPoints = (
  tx: Transaction,
  { id, limitsFrom }: Pick<typeof controlChart.$inferSelect, 'id' | 'limitsFrom'>,
) =>
  tx
    .select()
    .from(controlPoint)
    .where(
      and(
        eq(controlPoint.chartId, id),
        isNull(controlPoint.struckAt),
        sql`(${controlPoint.explainedAt} is null or ${controlPoint.id} = ${limitsFrom})`,
        limitsFrom === null ? undefined : sql`${controlPoint.id} >= ${limitsFrom}`,
      ),
    )
    .orderBy(asc(controlPoint.id));

/**
 * Keeps a value, held against the chart's limits as they are. Out of control it binds: what the chart watches is out of use until a signatory has explained it, and an entry of the register says so.
 * Errors: Problem (403), (404), (409) for a chart that has ended or whose last finding nobody explained yet.
 */
export async function keepPoint(
  context: UseCaseContext,
  { chartId, value, note }: InferType<typeof pointSchema>,
): Promise<{ id: number; rule: string | null }> {
  const { tx, actor, now } = context;
  need(actor, 'bench');
  const chart = await heldOpen(tx, chartId);
  const before = await countingPoints(tx, chart);
  const values = [...before.map((one) => Number(one.value)), Number(value)];
  const rule = judgeChart({ values, resolution: Number(chart.resolution) }).rules.at(-1) ?? null;
  const [row] = await tx
    .insert(controlPoint)
    .values({ chartId, at: now, value, text: value, by: actor.name, note, rule })
    .returning({ id: controlPoint.id });
  const open = before.some((one) => one.rule !== null && one.explainedAt === null);
  if (rule && !open)
    await bind(
      context,
      chart,
      say({
        code: 'control.finding',
        numbers: { name: chart.name, value, unit: chart.unit, why: say({ code: `control.rule.${rule}` }) },
      }),
    );
  return { id: row!.id, rule };
}

async function bind(context: UseCaseContext, chart: typeof controlChart.$inferSelect, what: string): Promise<void> {
  const [row] = chart.referenceId
    ? await context.tx.select({ state: reference.state }).from(reference).where(eq(reference.id, chart.referenceId)).for('update')
    : [];
  // Out of use for another reason already: that reason has to go first, so the finding stands in the register alone.
  if (!chart.referenceId || row?.state !== 'good') {
    const { referenceId } = chart;
    await openNonconformity(context, { kind: 'failedCheck', what, ...(referenceId ? { referenceId } : {}) });
    return;
  }
  // A check that failed: out of use at once, and in the register.
  await noteCheck(context, { id: chart.referenceId, what: 'check', value: '', result: 'fault', note: what, nextDue: '' });
}

async function pointOf(tx: Transaction, pointId: number) {
  const [point] = await tx.select().from(controlPoint).where(eq(controlPoint.id, pointId));
  if (!point) throw new Problem(say({ code: 'control.noPoint' }), {}, 404);
  return { chart: await held(tx, point.chartId), point };
}

/**
 * A signatory's word on a value that was out of control: why, and whether the limits are drawn anew from there. When nothing of the chart is left unexplained, what it watches may be used again.
 * Errors: Problem (403), (404); (409) for a value that broke no rule, was explained or struck.
 */
export async function explainPoint(
  context: UseCaseContext,
  { pointId, explained, anew }: InferType<typeof explainSchema>,
): Promise<{ back: boolean }> {
  const { tx, actor, now } = context;
  need(actor, 'approve');
  const { chart, point } = await pointOf(tx, pointId);
  if (!point.rule || point.explainedAt || point.struckAt) throw new Problem(say({ code: 'control.notOpen' }), {}, 409);
  await tx.update(controlPoint).set({ explained, explainedAt: now, explainedBy: actor.name }).where(eq(controlPoint.id, pointId));
  if (anew) await tx.update(controlChart).set({ limitsFrom: pointId }).where(eq(controlChart.id, chart.id));
  return { back: await giveBack(context, chart, explained) };
}

/** Back into use when nothing is left to explain, in any chart that watches it. What was taken out of use for another reason since, or before, stays so. */
async function giveBack(context: UseCaseContext, chart: typeof controlChart.$inferSelect, why: string): Promise<boolean> {
  const { tx } = context;
  if (!chart.referenceId) return false;
  const [row] = await tx
    .select({ state: reference.state })
    .from(reference)
    .where(eq(reference.id, chart.referenceId))
    .for('update');
  const [open] = await tx
    .select({ id: controlPoint.id })
    .from(controlPoint)
    .innerJoin(controlChart, eq(controlChart.id, controlPoint.chartId))
    .where(
      and(
        eq(controlChart.referenceId, chart.referenceId),
        sql`${controlPoint.rule} is not null`,
        isNull(controlPoint.explainedAt),
        isNull(controlPoint.struckAt),
      ),
    )
    .limit(1);
  if (open || row?.state !== 'outOfUse' || !(await takenByCharts(tx, chart.referenceId))) return false;
  const note = say({ code: 'control.back', numbers: { name: chart.name, why } });
  await noteCheck(context, { id: chart.referenceId, what: 'state', value: '', result: 'good', note, nextDue: '' });
  return true;
}

/** Whether the last thing that took a reference out of use was a value of a chart: the two were kept in one transaction, at one instant. */
async function takenByCharts(tx: Transaction, referenceId: string): Promise<boolean> {
  const [last] = await tx
    .select({ at: referenceCheck.at })
    .from(referenceCheck)
    .where(
      and(
        eq(referenceCheck.referenceId, referenceId),
        sql`(${referenceCheck.what} = 'check' and ${referenceCheck.result} = 'fault' or ${referenceCheck.what} = 'state' and ${referenceCheck.result} = 'outOfUse')`,
      ),
    )
    .orderBy(desc(referenceCheck.id))
    .limit(1);
  if (!last) return false;
  const [point] = await tx
    .select({ id: controlPoint.id })
    .from(controlPoint)
    .innerJoin(controlChart, eq(controlChart.id, controlPoint.chartId))
    .where(and(eq(controlChart.referenceId, referenceId), eq(controlPoint.at, last.at), sql`${controlPoint.rule} is not null`))
    .limit(1);
  return point !== undefined;
}

/** A value that was read or typed wrong is struck, with why; it stays to be read. Errors: Problem (403), (404); (409) for one that is struck. */
export async function strikePoint(context: UseCaseContext, { pointId, why }: InferType<typeof strikeSchema>): Promise<void> {
  const { tx, actor, now } = context;
  need(actor, 'bench');
  const { chart, point } = await pointOf(tx, pointId);
  if (point.struckAt) throw new Problem(say({ code: 'control.struck' }), {}, 409);
  // What bound something is explained by a signatory: a strike would be a way round.
  if (point.rule && !point.explainedAt) need(actor, 'approve');
  await tx.update(controlPoint).set({ struckAt: now, struckBy: actor.name, struckWhy: why }).where(eq(controlPoint.id, pointId));
  if (point.rule && !point.explainedAt) await giveBack(context, chart, why);
}

/** Ends a chart. Errors: Problem (403), (404); (409) for one that has ended, or has something to explain. */
export async function endChart({ tx, actor, now }: UseCaseContext, { chartId, why }: InferType<typeof endSchema>): Promise<void> {
  need(actor, 'bench');
  const chart = await heldOpen(tx, chartId);
  const open = (await countingPoints(tx, chart)).some((one) => one.rule !== null && one.explainedAt === null);
  if (open) throw new Problem(say({ code: 'control.explainFirst' }), {}, 409);
  await tx.update(controlChart).set({ endedAt: now, endedBy: actor.name, endedWhy: why }).where(eq(controlChart.id, chartId));
}
