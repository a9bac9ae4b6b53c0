import { and, eq, sql } from 'drizzle-orm';
import type { Chain } from '@/core/conductor/chore';
import type { Procedure } from '@/core/procedure/procedure';
import { chainOfRun } from '@/core/run/chain-of-run';
import { say } from '@/core/words/say';
import type { Transaction } from '@/data/connection';
import { asset, instrumentModel, runSummary, ticket } from '@/data/schema';
import { loadRuns } from './load-runs';
import '@/core/words/en/conductor';

/** What is left to do at each place, and what stands there. */
export interface PlaceChain extends Chain {
  /** The run, or the ticket whose run has not begun. */
  run: string;
  href: string;
  /** Flow of its gas, L/min. */
  flow: number;
  item: string;
  serial: string;
}
/** So many of a procedure's newest runs say how long its steps take, and as many are wanted. */
const NEWEST = 40;
const ENOUGH = 5;

/** Runs as they stood at their last event: a look at the bench replays only those that went on since. */
const known = new Map<string, { seq: number; loaded: Loaded }>();
/** So many are remembered: some benches full. */
const REMEMBERED = 64;
type Loaded = Awaited<ReturnType<typeof loadRuns>>[number];

async function asTheyStand(tx: Transaction, runs: readonly { run: string; seq: number }[]): Promise<Loaded[]> {
  const changed = runs.filter(({ run, seq }) => known.get(run)?.seq !== seq);
  const loaded = await loadRuns(
    tx,
    changed.map((one) => one.run),
    new Map<string, Procedure>(),
  );
  for (const one of loaded) {
    known.delete(one.row.id);
    known.set(one.row.id, { seq: changed.find((each) => each.run === one.row.id)!.seq, loaded: one });
  }
  for (const oldest of known.keys()) {
    if (known.size <= REMEMBERED) break;
    known.delete(oldest);
  }
  return runs.flatMap(({ run }) => known.get(run)?.loaded ?? []);
}

/** Flow of a gas where nobody chose a regulator yet, L/min; and how long a hand takes to begin a run, s (common practice). */
const USUAL_FLOW = '0.5';
const BEGIN_SECONDS = 20;

/** What stands there and was not begun: that is the first thing to do; what follows is known once it is. */
const notBegun = (one: { ticket: string; place: number | null; item: string; serial: string }): PlaceChain => ({
  place: one.place!,
  chores: [{ id: 'begin', label: say({ code: 'conductor.begin' }), hand: BEGIN_SECONDS, then: 0 }],
  ready: 0,
  holds: [],
  gasOpen: false,
  run: one.ticket,
  href: `/tickets/${one.ticket}`,
  flow: Number(USUAL_FLOW),
  item: one.item,
  serial: one.serial,
});

/** What is left to do on the bench, place by place, as the conductor takes it. */
export async function benchChains(tx: Transaction, now: Date): Promise<PlaceChain[]> {
  const rows = await tx
    .select({
      run: runSummary.runId,
      ticket: ticket.id,
      traits: instrumentModel.traits,
      seq: runSummary.lastSeq,
      place: ticket.place,
      serial: asset.serial,
      item: sql<string>`${asset.maker} || ' ' || ${instrumentModel.name}`,
    })
    .from(ticket)
    .leftJoin(runSummary, eq(runSummary.runId, ticket.runId))
    .innerJoin(asset, eq(asset.id, ticket.assetId))
    .innerJoin(instrumentModel, eq(instrumentModel.id, asset.modelId))
    .where(and(eq(ticket.status, 'onBench'), sql`${ticket.place} is not null`))
    .orderBy(ticket.place);
  // One place has no order to be conducted in.
  if (rows.length < 2) return [];
  const chains: PlaceChain[] = rows.filter((one) => one.run === null).map(notBegun);
  const begun = rows.flatMap(({ run, seq }) => (run !== null && seq !== null ? [{ run, seq }] : []));
  for (const { row, procedure, state } of await asTheyStand(tx, begun)) {
    const here = rows.find((one) => one.run === row.id)!;
    const seconds = await secondsOf(tx, row.procedureId, now);
    const chain = chainOfRun({ place: here.place!, procedure, state, now: now.toISOString(), seconds });
    const flow = Number(
      state.bindings.findLast((one) => !one.struck && one.flowLPerMin)?.flowLPerMin ?? here.traits.drawsLPerMin ?? USUAL_FLOW,
    );
    if (chain.chores.length)
      chains.push({ ...chain, run: row.id, href: `/runs/${row.id}`, flow, item: here.item, serial: here.serial });
  }
  return chains.sort((a, b) => a.place - b.place);
}

/** How long steps take changes slowly: it is asked again after so long, ms. */
const FRESH_MS = 600_000;
const learnt = new Map<string, { at: number; seconds: Record<string, number> }>();

/** What a step of a procedure usually takes from the one before it, s: the median of its newest runs that were worked at the bench. */
async function secondsOf(tx: Transaction, procedureId: string, now: Date): Promise<Record<string, number>> {
  const before = learnt.get(procedureId);
  if (before && Math.abs(now.getTime() - before.at) < FRESH_MS) return before.seconds;
  const { rows } = await tx.execute<{ step: string; seconds: number }>(sql`
    with newest as (select r.id from run r join run_summary s on s.run_id = r.id where r.procedure_id = ${procedureId} and s.status = 'approved' and not s.practice order by r.created_at desc limit ${NEWEST}),
    steps as (select e.run_id, regexp_replace(regexp_replace(e.step, '^.*/', ''), '[#@].*$', '') as step, min(e.seq) as first, max(e.occurred_at) as done from run_event e join newest n on n.id = e.run_id where e.step is not null group by 1, 2),
    gaps as (select step, extract(epoch from done - lag(done) over (partition by run_id order by first)) as seconds from steps)
    select step, percentile_cont(0.5) within group (order by seconds)::float8 as seconds from gaps where seconds > 0 group by 1 having count(*) >= ${ENOUGH}`);
  const seconds = Object.fromEntries(rows.map((row) => [row.step, row.seconds]));
  learnt.set(procedureId, { at: now.getTime(), seconds });
  return seconds;
}
