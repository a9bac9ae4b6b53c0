import { asc, eq, sql } from 'drizzle-orm';
import Papa from 'papaparse';
import { judgeChart } from '@/core/control/judge-chart';
import type { Transaction } from '@/data/connection';
import { controlChart, controlPoint, reference } from '@/data/schema';
import { isId } from '@/platform/shape';

/** Charts: what is out of control first, those that ended last. */
export async function listCharts(tx: Transaction) {
  return tx
    .select({
      id: controlChart.id,
      name: controlChart.name,
      kind: controlChart.kind,
      unit: controlChart.unit,
      endedAt: controlChart.endedAt,
      referenceId: controlChart.referenceId,
      reference: sql<string | null>`${reference.name} || ', ' || ${reference.lot}`,
      points: sql<number>`(select count(*)::int from control_point p where p.chart_id = ${controlChart.id} and p.struck_at is null)`,
      lastAt: sql<
        string | null
      >`(select to_json(max(p.at))#>>'{}' from control_point p where p.chart_id = ${controlChart.id} and p.struck_at is null)`,
      open: sql<number>`(select count(*)::int from control_point p where p.chart_id = ${controlChart.id} and p.rule is not null and p.explained_at is null and p.struck_at is null)`,
    })
    .from(controlChart)
    .leftJoin(reference, eq(reference.id, controlChart.referenceId))
    .orderBy(sql`${controlChart.endedAt} is not null`, sql`10 desc`, asc(sql`lower(${controlChart.name})`))
    .limit(200);
}
export type ChartLine = Awaited<ReturnType<typeof listCharts>>[number];

/** One chart with all its values and what they say. Null where there is none. */
export async function chartPage(tx: Transaction, id: string) {
  if (!isId(id)) return null;
  const [row] = await tx
    .select({ chart: controlChart, reference: sql<string | null>`${reference.name} || ', ' || ${reference.lot}` })
    .from(controlChart)
    .leftJoin(reference, eq(reference.id, controlChart.referenceId))
    .where(eq(controlChart.id, id));
  if (!row) return null;
  const points = await tx.select().from(controlPoint).where(eq(controlPoint.chartId, id)).orderBy(asc(controlPoint.id));
  const { limitsFrom } = row.chart;
  const drawn = points.filter((one) => !one.struckAt && (limitsFrom === null || one.id >= limitsFrom));
  const counting = drawn.filter((one) => !one.explainedAt || one.id === limitsFrom);
  const judged = judgeChart({ values: counting.map((one) => Number(one.value)), resolution: Number(row.chart.resolution) });
  const meanOf = new Map(counting.map((one, index) => [one.id, judged.means[index] ?? null]));
  return {
    ...row,
    limits: judged.limits,
    meanLimits: judged.meanLimits,
    baseline: judged.baseline,
    points: points.map((one) => ({ ...one, mean: meanOf.get(one.id) ?? null, counts: drawn.includes(one) })),
  };
}
export type ChartPage = NonNullable<Awaited<ReturnType<typeof chartPage>>>;

export async function chartCsv(tx: Transaction, id: string): Promise<string | null> {
  const page = await chartPage(tx, id);
  if (!page) return null;
  return Papa.unparse(
    {
      fields: ['at', 'value', 'unit', 'by', 'note', 'moving_average', 'rule', 'explained', 'explained_by', 'struck'],
      data: page.points.map((one) => [
        one.at.toISOString(),
        one.text,
        page.chart.unit,
        one.by,
        one.note,
        one.mean?.toPrecision(6) ?? '',
        one.rule ?? '',
        one.explained ?? '',
        one.explainedBy ?? '',
        one.struckWhy ?? '',
      ]),
    },
    { escapeFormulae: true },
  );
}

/** What a chart may watch: what stands on the shelf and is used. */
export const watchable = (tx: Transaction) =>
  tx
    .select({ id: reference.id, name: sql<string>`${reference.name} || ', ' || ${reference.lot}` })
    .from(reference)
    .where(
      sql`${reference.state} <> 'spent' and (${reference.expires} is null or ${reference.expires} >= (now() at time zone public_zone())::date)`,
    )
    .orderBy(asc(reference.kind), asc(reference.name), asc(reference.lot))
    .limit(400);

/** Equipment whose own check comes up within so many days, the earliest first: intermediate checks are planned as calibrations are. */
export async function checksAhead(tx: Transaction, today: string, days = 60) {
  return tx
    .select({ id: reference.id, name: reference.name, lot: reference.lot, due: reference.expires })
    .from(reference)
    .where(
      sql`${reference.kind} = 'tool' and ${reference.state} <> 'spent' and ${reference.expires} is not null and ${reference.expires} <= ${today}::date + ${days}::int`,
    )
    .orderBy(asc(reference.expires))
    .limit(50);
}
export type CheckAhead = Awaited<ReturnType<typeof checksAhead>>[number];
