import { desc } from 'drizzle-orm';
import { MEASURANDS } from '@/core/measurand';
import { type MeasurandId } from '@/core/quantity/unit';
import type { Measurand } from '@/core/measurand/measurand';
import type { StandingDefault, StandingId, StandingValue } from '@/core/uncertainty/standing';
import type { Transaction } from '@/data/connection';
import { standingValue } from '@/data/schema';

type Row = typeof standingValue.$inferSelect;
const place = (row: Pick<Row, 'standing' | 'measurand' | 'procedure' | 'point'>) =>
  [row.standing, row.measurand, row.procedure ?? '', row.point ?? ''].join('/');

/** Rows that count: the newest of each place. */
export async function standingRows(tx: Transaction): Promise<Row[]> {
  const rows = await tx
    .selectDistinctOn([standingValue.standing, standingValue.measurand, standingValue.procedure, standingValue.point])
    .from(standingValue)
    .orderBy(
      standingValue.standing,
      standingValue.measurand,
      standingValue.procedure,
      standingValue.point,
      desc(standingValue.id),
    );
  return rows.filter((row) => !row.ended);
}

/** What counts at a place by itself: the workshop's own, else what ships; null where there is neither. */
export async function standingNow(
  tx: Transaction,
  asked: { standing: StandingId; measurand: MeasurandId; procedure?: string; point?: string },
): Promise<Pick<StandingDefault, 'value' | 'form' | 'source'> | null> {
  const key = place({ ...asked, procedure: asked.procedure || null, point: asked.point || null });
  const own = (await standingRows(tx)).find((row) => place(row) === key);
  if (own) return { value: Number(own.value), form: own.form, source: own.source };
  const shipped = key.endsWith('//')
    ? (MEASURANDS[asked.measurand].standing as Measurand['standing'])[asked.standing]
    : undefined;
  return shipped ? { value: shipped.value, form: shipped.form, source: shipped.source } : null;
}

/** The workshop's own standing values, ready to be frozen into a run; where it set none, the measurand's own count. */
export async function standingValues(tx: Transaction): Promise<StandingValue[]> {
  return (await standingRows(tx)).map(({ standing, measurand, procedure, point, value, form, unit, source }) => ({
    id: standing,
    measurand,
    value: Number(value),
    form,
    source,
    ...(unit ? { unit } : {}),
    ...(procedure ? { procedure } : {}),
    ...(point ? { point } : {}),
  }));
}

export interface StandingLine extends StandingDefault {
  id: StandingId;
  measurand: string;
  procedure: string | null;
  point: string | null;
  /** What it was before the workshop set it. */
  shipped: StandingDefault | null;
  at: string | null;
  by: string | null;
}

/** Every standing value as it counts now: what ships, what the workshop set for a measurand, a procedure, a point. */
export async function standingTable(tx: Transaction): Promise<StandingLine[]> {
  const rows = await standingRows(tx);
  const own = new Map(rows.map((row) => [place(row), row]));
  const lines: StandingLine[] = [];
  for (const measurand of Object.keys(MEASURANDS) as MeasurandId[])
    for (const [id, shipped] of Object.entries(MEASURANDS[measurand].standing) as [StandingId, StandingDefault][]) {
      const key = place({ standing: id, measurand, procedure: null, point: null });
      const row = own.get(key);
      own.delete(key);
      lines.push(
        row ? ofRow(row, shipped) : { ...shipped, id, measurand, procedure: null, point: null, shipped, at: null, by: null },
      );
    }
  // What is set for a procedure or a point stands beside the measurand's own.
  for (const row of own.values()) lines.push(ofRow(row, null));
  return lines.sort((a, b) => a.measurand.localeCompare(b.measurand) || a.id.localeCompare(b.id));
}

const ofRow = (row: Row, shipped: StandingDefault | null): StandingLine => ({
  id: row.standing,
  measurand: row.measurand,
  procedure: row.procedure,
  point: row.point,
  value: Number(row.value),
  form: row.form,
  ...(row.unit ? { unit: row.unit } : {}),
  source: row.source,
  shipped,
  at: row.at.toISOString(),
  by: row.by,
});
