import { sql } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';

/** Where a model was not yet worked on often enough: common practice for a portable instrument, h. */
export const USUAL_HOURS = 0.75;
/** Runs that say how long a model takes. */
const ENOUGH = 5;

/** How long an instrument of each model usually takes, h: the median of the workshop's own runs of the last year, where there are enough. */
export async function hoursOfModels(tx: Transaction, now: Date): Promise<Map<string, number>> {
  const { rows } = await tx.execute<{ model: string; hours: string }>(sql`
    select a.model_id as model, percentile_cont(0.5) within group (order by extract(epoch from s.finished_at - s.started_at) / 3600) as hours
    from run_summary s join asset a on a.id = s.asset_id
    where s.status = 'approved' and not s.practice and s.finished_at is not null and s.started_at > ${now.toISOString()}::timestamptz - interval '1 year' group by 1 having count(*) >= ${ENOUGH}`);
  return new Map(rows.map((row) => [row.model, Number(row.hours)]));
}
