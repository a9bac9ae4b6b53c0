import { asc, inArray } from 'drizzle-orm';
import type { Procedure } from '@/core/procedure/procedure';
import { reduce } from '@/core/run/reduce';
import type { RunState } from '@/core/record/state';
import type { Transaction } from '@/data/connection';
import { procedureVersion, run, runEvent } from '@/data/schema';
import { toEvent } from './run-store';

/** Several runs as their events have them, in the order asked for, by two statements however many they are; `procedures` keeps what was read for the next page. One that isn't there is left out. */
export async function loadRuns(
  tx: Transaction,
  ids: readonly string[],
  procedures: Map<string, Procedure>,
): Promise<{ row: typeof run.$inferSelect; procedure: Procedure; state: RunState }[]> {
  if (ids.length === 0) return [];
  const rows = new Map(
    (
      await tx
        .select()
        .from(run)
        .where(inArray(run.id, [...ids]))
    ).map((row) => [row.id, row]),
  );
  const events = new Map<string, (typeof runEvent.$inferSelect)[]>();
  for (const event of await tx
    .select()
    .from(runEvent)
    .where(inArray(runEvent.runId, [...ids]))
    .orderBy(asc(runEvent.runId), asc(runEvent.seq))) {
    const of = events.get(event.runId);
    if (of) of.push(event);
    else events.set(event.runId, [event]);
  }
  const missing = [...rows.values()].filter((row) => !procedures.has(keyOf(row)));
  if (missing.length)
    for (const one of await tx
      .select()
      .from(procedureVersion)
      .where(inArray(procedureVersion.id, [...new Set(missing.map((row) => row.procedureId))])))
      procedures.set(`${one.id}/${one.version}`, one.document);
  return ids.flatMap((id) => {
    const row = rows.get(id);
    const procedure = row && procedures.get(keyOf(row));
    return row && procedure ? [{ row, procedure, state: reduce(id, (events.get(id) ?? []).map(toEvent)) }] : [];
  });
}

const keyOf = (row: { procedureId: string; procedureVersion: number }) => `${row.procedureId}/${row.procedureVersion}`;
