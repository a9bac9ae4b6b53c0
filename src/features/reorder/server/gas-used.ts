import { sql } from 'drizzle-orm';
import { gasOfRun } from '@/core/run/gas-of-run';
import type { Procedure } from '@/core/procedure/procedure';
import type { Transaction } from '@/data/connection';
import { loadRuns } from '@/features/bench/server';

/** So many of the newest runs of each mixture say how much gas was used, and how much would have done. */
const NEWEST = 15;

export interface GasUsed {
  runs: number;
  used: number;
  shortest: number;
}

/** Gas that the newest approved runs used of each mixture, against the shortest that their own readings would have taken. */
export async function gasUsed(tx: Transaction): Promise<Map<string, GasUsed>> {
  const { rows } = await tx.execute<{ run: string }>(sql`
    with mixtures as (select distinct name from reference where kind = 'gas')
    select distinct n.run_id as run from mixtures g cross join lateral (
      select b.run_id, max(b.at) as at from reference f join reference_booking b on b.reference_id = f.id join run_summary s on s.run_id = b.run_id and s.status = 'approved' and not s.practice
      where f.name = g.name and f.kind = 'gas' and b.at > now() - interval '1 year' group by b.run_id order by at desc limit ${NEWEST}) n`);
  const sums = new Map<string, GasUsed>();
  const loaded = await loadRuns(
    tx,
    rows.map((one) => one.run),
    new Map<string, Procedure>(),
  );
  for (const { procedure, state } of loaded)
    for (const { name, used, shortest } of gasOfRun(procedure, state)) {
      const sum = sums.get(name) ?? { runs: 0, used: 0, shortest: 0 };
      sums.set(name, { runs: sum.runs + 1, used: sum.used + used, shortest: sum.shortest + shortest });
    }
  return sums;
}
