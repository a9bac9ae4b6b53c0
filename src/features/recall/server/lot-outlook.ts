import { sql } from 'drizzle-orm';
import { wilsonInterval } from '@/core/uncertainty/wilson';
import { resultChannelId } from '@/data/channel-id';
import type { Transaction } from '@/data/connection';

/** So many of a lot's newest runs are looked at. */
const NEWEST = 500;

export interface LotOutlook {
  runs: number;
  /** As found within, of all that was found against it, with its interval. */
  within: number;
  of: number;
  lower: number;
  upper: number;
  /** Channels that were found outside against it, the worst first. */
  fails: { label: string; outside: number; of: number }[];
}

/**
 * What was found against a lot, over all its bottles: the share as found within with its 95 % interval (Wilson), and what was outside most. A lot that finds more outside than others may itself be the fault.
 * Of approved runs; zeros and clean air are no finding against a gas. Null where nothing was found against it yet. Errors: none.
 */
export async function lotOutlook(tx: Transaction, referenceId: string): Promise<LotOutlook | null> {
  const { rows } = await tx.execute<{ label: string; outside: number; of: number; runs: number }>(sql`
    with lot as (
      select f.id, f.kind, c->>'substance' as substance, (c->>'value')::numeric as value from reference me join reference f on f.name = me.name and f.lot = me.lot cross join lateral jsonb_array_elements(f.components) c where me.id = ${referenceId} and f.kind <> 'tool'
    ), newest as (
      select distinct u.run_id, u.at from (select distinct id from lot) l join run_reference u on u.reference_id = l.id order by u.at desc limit ${NEWEST}
    ), found as (
      select r.run_id, r.label, r.found_state from newest n join run_summary s on s.run_id = n.run_id and s.status = 'approved' and not s.practice join channel_result r on r.run_id = n.run_id
      left join asset_channel h on h.id = ${resultChannelId}
      where r.found_state in ('within', 'outside') and coalesce(r.found_reference, 0) <> 0 and r.found_reference is distinct from nullif(h.clean_air, '')::numeric
        and exists (select from lot l where case when l.kind = 'gas' then h.calibration_gas = l.substance else l.value <> 0 and (r.found_reference / l.value between 0.95 and 1.05 or r.found_reference * 1000 / l.value between 0.95 and 1.05) end)
    )
    select label, (count(*) filter (where found_state = 'outside'))::int as outside, count(*)::int as "of", (select count(distinct run_id) from found)::int as runs from found group by label order by 2 desc, label`);
  const of = rows.reduce((sum, one) => sum + one.of, 0);
  if (of === 0) return null;
  const within = of - rows.reduce((sum, one) => sum + one.outside, 0);
  const { lower, upper } = wilsonInterval({ successes: within, trials: of, confidence: 0.95 });
  return {
    runs: rows[0]!.runs,
    within,
    of,
    lower,
    upper,
    fails: rows.filter((one) => one.outside > 0).map((one) => ({ label: one.label, outside: one.outside, of: one.of })),
  };
}
