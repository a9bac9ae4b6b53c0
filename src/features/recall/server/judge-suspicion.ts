import { and, eq, isNull, sql } from 'drizzle-orm';
import type { Procedure } from '@/core/procedure/procedure';
import type { VerdictState } from '@/core/record/judgement';
import { judgeAnew, type RunJudgedAnew } from '@/core/results/judge-anew';
import type { Database, Transaction } from '@/data/connection';
import { suspicion, suspicionResult, type RecallDecision } from '@/data/schema';
import { loadRuns } from '@/features/bench/server';
import { asActor } from '@/platform/as-actor';
import { BY_ITSELF } from '@/platform/by-itself';
import { readSettings } from '@/platform/settings';
import { whereUsed } from './where-used';

/** Runs of one transaction: some megabytes of events, and a figure of progress each second or two. */
const PAGE = 50;

/** What is proposed for a document: taken back where as left would no longer be within, told where any other verdict changes. */
export function proposed({ results, asFound, asLeft }: RunJudgedAnew): RecallDecision {
  const worse = (side: { was: VerdictState; would: VerdictState }) => side.was === 'within' && side.would !== 'within';
  if (worse(asLeft)) return 'withdraw';
  const changed = asFound.was !== asFound.would || asLeft.was !== asLeft.would;
  return changed || results.some((one) => one.was.verdict !== (one.would?.verdict ?? 'notJudged')) ? 'tell' : 'keep';
}

/**
 * Judges anew all that rests on a suspected reference, page by page, each in a transaction of its own: killed half-way it goes on where it was. Does nothing where it was judged or ended.
 * Errors: what the database says; it stands with the suspicion until the next try.
 */
export async function judgeSuspicion(
  db: Database,
  suspicionId: string,
  now: Date,
  { pageSize = PAGE, signal }: { pageSize?: number; signal?: AbortSignal | undefined } = {},
): Promise<void> {
  const procedures = new Map<string, Procedure>();
  try {
    while (await db.transaction((tx) => judgePage(tx, suspicionId, { procedures, now, pageSize }))) signal?.throwIfAborted();
  } catch (error) {
    await db
      .update(suspicion)
      .set({ problem: (error as Error).message.slice(0, 300) })
      .where(eq(suspicion.id, suspicionId));
    throw error;
  }
}

/** One page; whether there is another. */
async function judgePage(
  tx: Transaction,
  id: string,
  { procedures, now, pageSize }: { procedures: Map<string, Procedure>; now: Date; pageSize: number },
): Promise<boolean> {
  await asActor(tx, BY_ITSELF, 'job');
  const [row] = await tx
    .select()
    .from(suspicion)
    .where(and(eq(suspicion.id, id), isNull(suspicion.judgedAt), isNull(suspicion.endedAt)))
    .for('update');
  if (!row) return false;
  const { zone } = await readSettings(tx);
  const { rows, next } = await whereUsed(tx, {
    what: 'reference',
    of: row.referenceId,
    from: row.fromDay ?? undefined,
    to: row.toDay ?? undefined,
    down: false,
    zone,
    after: row.reached ?? undefined,
    pageSize,
  });
  const loaded = await loadRuns(
    tx,
    rows.map((one) => one.runId),
    procedures,
  );
  const judged = loaded.flatMap(({ row: { id: runId }, procedure, state }) => {
    if (!state.started) return [];
    const anew = judgeAnew(procedure, state, { reference: row.referenceId, doubts: row.doubts });
    if (anew.results.length === 0) return [];
    const { results, asFound, asLeft } = anew;
    const verdicts = { foundWas: asFound.was, foundWould: asFound.would, leftWas: asLeft.was, leftWould: asLeft.would };
    return [{ suspicionId: id, runId, results, ...verdicts, decision: proposed(anew) }];
  });
  if (judged.length) await tx.insert(suspicionResult).values(judged);
  await tx
    .update(suspicion)
    .set(
      next
        ? { judged: sql`least(${suspicion.runs}, ${suspicion.judged} + ${rows.length})`, reached: next, problem: null }
        : { judged: row.runs, judgedAt: now, problem: null },
    )
    .where(eq(suspicion.id, id));
  return next !== null;
}
