import { and, eq, sql } from 'drizzle-orm';
import type { Chain } from '@/core/conductor/chore';
import type { Procedure } from '@/core/procedure/procedure';
import { chainOfRun } from '@/core/run/chain-of-run';
import type { Transaction } from '@/data/connection';
import { asset, instrumentModel, ticket } from '@/data/schema';
import { loadRuns } from './load-runs';

/** What is left to do at each place, and what stands there. */
export interface PlaceChain extends Chain {
  run: string;
  item: string;
  serial: string;
}
/** So many of a procedure's newest runs say how long its steps take, and as many are wanted. */
const NEWEST = 40;
const ENOUGH = 5;

/** What is left to do on the bench, place by place, as the conductor takes it. */
export async function benchChains(tx: Transaction, now: Date): Promise<PlaceChain[]> {
  const rows = await tx
    .select({
      run: ticket.runId,
      place: ticket.place,
      serial: asset.serial,
      item: sql<string>`${asset.maker} || ' ' || ${instrumentModel.name}`,
    })
    .from(ticket)
    .innerJoin(asset, eq(asset.id, ticket.assetId))
    .innerJoin(instrumentModel, eq(instrumentModel.id, asset.modelId))
    .where(and(eq(ticket.status, 'onBench'), sql`${ticket.runId} is not null and ${ticket.place} is not null`))
    .orderBy(ticket.place);
  if (rows.length === 0) return [];
  const loaded = await loadRuns(
    tx,
    rows.map((row) => row.run!),
    new Map<string, Procedure>(),
  );
  const chains: PlaceChain[] = [];
  for (const { row, procedure, state } of loaded) {
    const here = rows.find((one) => one.run === row.id)!;
    const seconds = await secondsOf(tx, row.procedureId);
    const chain = chainOfRun({ place: here.place!, procedure, state, now: now.toISOString(), seconds });
    if (chain.chores.length) chains.push({ ...chain, run: row.id, item: here.item, serial: here.serial });
  }
  return chains;
}

/** What a step of a procedure usually takes from the one before it, s: the median of its newest runs that were worked at the bench. */
async function secondsOf(tx: Transaction, procedureId: string): Promise<Record<string, number>> {
  const { rows } = await tx.execute<{ step: string; seconds: number }>(sql`
    with newest as (select r.id from run r join run_summary s on s.run_id = r.id where r.procedure_id = ${procedureId} and s.status = 'approved' and not s.practice order by r.created_at desc limit ${NEWEST}),
    steps as (select e.run_id, regexp_replace(regexp_replace(e.step, '^.*/', ''), '[#@].*$', '') as step, min(e.seq) as first, max(e.occurred_at) as done from run_event e join newest n on n.id = e.run_id where e.step is not null group by 1, 2),
    gaps as (select step, extract(epoch from done - lag(done) over (partition by run_id order by first)) as seconds from steps)
    select step, percentile_cont(0.5) within group (order by seconds)::float8 as seconds from gaps where seconds > 0 group by 1 having count(*) >= ${ENOUGH}`);
  return Object.fromEntries(rows.map((row) => [row.step, row.seconds]));
}
