import { and, asc, eq, gte, inArray, sql } from 'drizzle-orm';
import { contentHash } from '@/core/certificate/canonical';
import type { Procedure } from '@/core/procedure/procedure';
import { EVENT_VERSION, type EventDraft, type RunEvent } from '@/core/record/event';
import { toEvents } from '@/core/run/handle';
import { lift } from '@/core/run/lift';
import { apply, reduce } from '@/core/run/reduce';
import type { RunState } from '@/core/record/state';
import { summarise } from '@/core/results/summary';
import type { Transaction } from '@/data/connection';
import { asset, channelResult, procedureVersion, referenceBooking, run, runCommand, runEvent, runSummary } from '@/data/schema';
import type { UseCaseContext } from '@/platform/use-case';
import { isId } from '@/platform/shape';
import { bookingOf, resultRows, summaryRow } from './derived';
import { keepProbes } from './keep-probes';

const FIRST_HASH = '0'.repeat(64);
type EventRow = typeof runEvent.$inferSelect;

/** What an event's hash covers: the whole envelope and the event before. */
export function eventHash(event: RunEvent | Record<string, unknown>, previousHash: string): string {
  return contentHash({ ...event, previousHash });
}

/** An event as today's code reads it. */
export const toEvent = (row: EventRow): RunEvent => lift(storedEvent(row));

/** … and as it was stored, in the form of its own version: what its hash covers. */
export function storedEvent(row: EventRow): Record<string, unknown> {
  return {
    run: row.runId,
    seq: row.seq,
    version: row.version,
    type: row.type,
    command: row.command,
    occurredAt: row.occurredAt.toISOString(),
    recordedAt: row.recordedAt.toISOString(),
    actor: row.actor,
    source: row.source,
    ...(row.step === null ? {} : { step: row.step }),
    ...(row.iteration === null ? {} : { iteration: row.iteration }),
    data: row.data,
  };
}

export interface LoadedRun {
  procedure: Procedure;
  state: RunState;
  events: RunEvent[];
  row: typeof run.$inferSelect;
  lastHash: string;
  /** Rows of results as they were written last, by their key: what did not change is not written again. */
  written?: Map<string, string>;
}

/** A run by its events. Null for an id that is no run. */
export async function loadRun(tx: Transaction, id: string): Promise<LoadedRun | null> {
  if (!isId(id)) return null;
  const [row] = await tx.select().from(run).where(eq(run.id, id));
  if (!row) return null;
  const rows = await tx.select().from(runEvent).where(eq(runEvent.runId, id)).orderBy(asc(runEvent.seq));
  const [document] = await tx
    .select()
    .from(procedureVersion)
    .where(and(eq(procedureVersion.id, row.procedureId), eq(procedureVersion.version, row.procedureVersion)));
  const events = rows.map(toEvent);
  return { procedure: document!.document, state: reduce(id, events), events, row, lastHash: rows.at(-1)?.hash ?? FIRST_HASH };
}

/** Runs that commands were given to lately, as they stood then. A run of a day is not read anew for each press. */
const KEPT_RUNS = 200;
const lately = new Map<string, LoadedRun>();

/**
 * A run for the one who holds its lock: as it was kept after the last command, with the events since. Whether what was kept is what stands in the database is seen by the hash of its last event: after a rollback, or where
 * another process went on, it is read anew or gone on from. While it is in hand nobody else has it.
 */
export async function loadForCommand(tx: Transaction, id: string): Promise<LoadedRun | null> {
  const kept = lately.get(id);
  lately.delete(id);
  if (!kept) return loadRun(tx, id);
  const rows = await tx
    .select()
    .from(runEvent)
    .where(and(eq(runEvent.runId, id), gte(runEvent.seq, kept.state.seq)))
    .orderBy(asc(runEvent.seq));
  if (rows[0]?.seq !== kept.state.seq || rows[0].hash !== kept.lastHash) return loadRun(tx, id);
  const since = rows.slice(1).map(toEvent);
  since.forEach((event) => apply(kept.state, event));
  kept.events.push(...since);
  kept.lastHash = rows.at(-1)!.hash;
  if (since.length) delete kept.written;
  return kept;
}

/** Keeps a run for the next command to it. */
export function keepLoaded(loaded: LoadedRun): void {
  lately.delete(loaded.row.id);
  lately.set(loaded.row.id, loaded);
  if (lately.size > KEPT_RUNS) lately.delete(lately.keys().next().value!);
}

/** One writer a run: the lock ends with the transaction. Unique (run, seq) stands behind it. */
export async function lockRun(tx: Transaction, id: string): Promise<void> {
  await tx.execute(sql`select pg_advisory_xact_lock(hashtextextended(${id}, 7203))`);
}

export interface Reply {
  firstSeq: number;
  lastSeq: number;
}

/** Appends what a command amounted to. */
export async function append(context: UseCaseContext, loaded: LoadedRun, command: string, drafts: EventDraft[]): Promise<Reply> {
  const { actor, now } = context;
  const events = toEvents(drafts, {
    run: loaded.row.id,
    after: loaded.state.seq,
    command,
    recordedAt: now.toISOString(),
    actor,
    version: EVENT_VERSION,
  });
  const [reply] = await appendEvents(context, loaded, events);
  return reply ?? appendCommandWithoutEvents(context, loaded, command);
}

/** Stores events with their hash chain, books litres, keeps each command for its retry, and the figures that lists show; all in the caller's transaction. */
export async function appendEvents({ tx }: UseCaseContext, loaded: LoadedRun, events: RunEvent[]): Promise<Reply[]> {
  const { state, procedure, row } = loaded;
  const replies = new Map<string, Reply & { at: string }>();
  const rows = events.map((event) => {
    const hash = eventHash(event, loaded.lastHash);
    const stored = { event, previousHash: loaded.lastHash, hash };
    loaded.lastHash = hash;
    const before = replies.get(event.command);
    replies.set(event.command, { firstSeq: before?.firstSeq ?? event.seq, lastSeq: event.seq, at: event.recordedAt });
    return stored;
  });
  if (rows.length === 0) return [];
  await insertEvents(tx, rows);
  const bookings = events.flatMap((event) => {
    apply(state, event);
    return bookingOf(event, state, row.id);
  });
  if (bookings.length) await tx.insert(referenceBooking).values(bookings);
  loaded.events.push(...events);
  const commands = [...replies].map(([command, { at, firstSeq, lastSeq }]) => ({
    command,
    first_seq: firstSeq,
    last_seq: lastSeq,
    at,
  }));
  await tx.execute(sql`insert into run_command (run_id, command, first_seq, last_seq, reply, at)
    select ${row.id}::uuid, command, first_seq, last_seq, jsonb_build_object('firstSeq', first_seq, 'lastSeq', last_seq), at
    from jsonb_to_recordset(${JSON.stringify(commands)}::jsonb) as given (command text, first_seq integer, last_seq integer, at timestamptz)`);
  const next = await keepSummary(tx, loaded);
  await keepBump(tx, row.assetId, events);
  await keepProbes(tx, row, state, procedure);
  await tx.execute(
    sql`select pg_notify('run_changed', ${JSON.stringify({ run: row.id, seq: state.seq, status: state.status, next })})`,
  );
  return [...replies.values()].map(({ firstSeq, lastSeq }) => ({ firstSeq, lastSeq }));
}

async function appendCommandWithoutEvents(
  { tx, now }: UseCaseContext,
  { row, state }: LoadedRun,
  command: string,
): Promise<Reply> {
  const reply = { firstSeq: state.seq, lastSeq: state.seq };
  await tx.insert(runCommand).values({ runId: row.id, command, ...reply, reply, at: now });
  return reply;
}

interface StoredEvent {
  event: RunEvent;
  previousHash: string;
  hash: string;
}

/** All events as one parameter: a whole run goes in with one statement. */
async function insertEvents(tx: Transaction, rows: StoredEvent[]): Promise<void> {
  const given = JSON.stringify(
    rows.map(({ event, previousHash, hash }) => ({
      run_id: event.run,
      seq: event.seq,
      version: event.version,
      type: event.type,
      command: event.command,
      occurred_at: event.occurredAt,
      recorded_at: event.recordedAt,
      actor: event.actor,
      source: event.source,
      step: event.step ?? null,
      iteration: event.iteration ?? null,
      data: event.data,
      previous_hash: previousHash,
      hash,
    })),
  );
  await tx.execute(sql`insert into run_event (run_id, seq, version, type, command, occurred_at, recorded_at, actor, source, step, iteration, data, previous_hash, hash)
    select run_id, seq, version, type, command, occurred_at, recorded_at, actor, source, step, iteration, data, previous_hash, hash from jsonb_to_recordset(${given}::jsonb) as given
    (run_id uuid, seq integer, version smallint, type text, command text, occurred_at timestamptz, recorded_at timestamptz, actor jsonb, source text, step text, iteration smallint, data jsonb, previous_hash text, hash text)`);
}

/** A bump is a state of its own on the instrument's card, beside its calibration. */
async function keepBump(tx: Transaction, assetId: string, events: RunEvent[]): Promise<void> {
  const last = events.findLast((event) => event.type === 'bumped');
  if (last?.type !== 'bumped') return;
  await tx
    .update(asset)
    .set({ bumpedAt: new Date(last.occurredAt), bumpPassed: last.data.outcome === 'passed' })
    .where(and(eq(asset.id, assetId), sql`(${asset.bumpedAt} is null or ${asset.bumpedAt} <= ${last.occurredAt}::timestamptz)`));
}

async function keepSummary(tx: Transaction, loaded: LoadedRun): Promise<typeof runSummary.$inferInsert.next> {
  const { row, state, procedure } = loaded;
  const summary = summarise(procedure, state);
  const { runId, assetId, customerId, ...values } = summaryRow(row, procedure, state, summary);
  await tx
    .insert(runSummary)
    .values({ runId, assetId, customerId, ...values })
    .onConflictDoUpdate({ target: runSummary.runId, set: values });
  await keepResults(tx, loaded, resultRows(row, state, summary));
  return values.next;
}

/** Writes what changed since the last command; all of it where nobody knows what stands there. */
async function keepResults(tx: Transaction, loaded: LoadedRun, rows: (typeof channelResult.$inferInsert)[]): Promise<void> {
  const before = loaded.written;
  const now = new Map(rows.map((one) => [`${one.channel}/${one.point}`, JSON.stringify(one)]));
  loaded.written = now;
  const changed = rows.filter((one) => before?.get(`${one.channel}/${one.point}`) !== now.get(`${one.channel}/${one.point}`));
  const gone = before ? [...before.keys()].filter((key) => !now.has(key)) : [];
  if (!before) await tx.delete(channelResult).where(eq(channelResult.runId, loaded.row.id));
  else if (gone.length || changed.length) {
    const keys = [...gone, ...changed.map((one) => `${one.channel}/${one.point}`)];
    await tx
      .delete(channelResult)
      .where(
        and(
          eq(channelResult.runId, loaded.row.id),
          inArray(sql`${channelResult.channel} || '/' || ${channelResult.point}`, keys),
        ),
      );
  }
  if (changed.length) await tx.insert(channelResult).values(changed);
}
