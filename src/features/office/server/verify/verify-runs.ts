import { and, asc, eq, exists, getTableName, gt, inArray, sql } from 'drizzle-orm';
import { contentHash } from '@/core/certificate/canonical';
import type { Procedure } from '@/core/procedure/procedure';
import { summarise } from '@/core/results/summary';
import { apply, reduce } from '@/core/run/reduce';
import type { Transaction } from '@/data/connection';
import {
  channelResult,
  probeCalibration,
  procedureVersion,
  referenceBooking,
  run,
  runCommand,
  runEvent,
  runReference,
  runSummary,
} from '@/data/schema';
import { bookingOf, eventHash, probeRows, resultRows, storedEvent, summaryRow, toEvent } from '@/features/bench/server';
import type { RunEvent } from '@/core/record/event';
import { isId } from '@/platform/shape';
import { FIRST_HASH } from '@/platform/audit';
import { differences } from './differences';
import { addFault, type VerifyReport } from './report';

const PAGE = 50;
type RunRow = typeof run.$inferSelect;
type EventRow = typeof runEvent.$inferSelect;

/** Every run's chain of events, and what is derived from it: summary, results, probes, gas booked, commands. `after`: only runs with an event behind that place in the order of all events. */
export async function verifyRuns(tx: Transaction, report: VerifyReport, after: number): Promise<void> {
  const procedures = await verifyProcedures(tx, report);
  await verifyOrphans(tx, report);
  let last = '00000000-0000-0000-0000-000000000000';
  for (;;) {
    const later = exists(
      tx
        .select({ one: sql`1` })
        .from(runEvent)
        .where(and(eq(runEvent.runId, run.id), gt(runEvent.ord, after))),
    );
    const rows = await tx
      .select()
      .from(run)
      .where(and(gt(run.id, last), after ? later : undefined))
      .orderBy(asc(run.id))
      .limit(PAGE);
    if (rows.length === 0) return;
    last = rows.at(-1)!.id;
    const page = await pageOf(
      tx,
      rows.map((row) => row.id),
    );
    for (const row of rows) {
      report.runs += 1;
      const events = page.events.get(row.id) ?? [];
      const whole = verifyChain(report, row.id, events);
      const procedure = procedures.get(`${row.procedureId}/${row.procedureVersion}`);
      // What is derived from a broken chain would be broken for the same reason, once more.
      if (whole && procedure) verifyDerived(report, row, procedure, events, page);
    }
  }
}

/** Rows of a run that is not there: the walk by runs would pass them by. */
async function verifyOrphans(tx: Transaction, report: VerifyReport): Promise<void> {
  for (const table of [runEvent, runCommand, runSummary, channelResult, probeCalibration, referenceBooking, runReference]) {
    const { rows } = await tx.execute<{ run: string }>(
      sql`select distinct t.run_id::text as run from ${table} t where not exists (select from run r where r.id = t.run_id) order by 1 limit 1000`,
    );
    for (const { run: id } of rows) addFault(report, `run ${id}, ${getTableName(table)}`, 'it belongs to no run that is there');
  }
}

async function verifyProcedures(tx: Transaction, report: VerifyReport): Promise<Map<string, Procedure>> {
  const procedures = new Map<string, Procedure>();
  for (const row of await tx.select().from(procedureVersion)) {
    if (contentHash(row.document) !== row.hash)
      addFault(report, `procedure ${row.id} version ${row.version}`, 'the document does not match its hash');
    procedures.set(`${row.id}/${row.version}`, row.document);
  }
  return procedures;
}

async function pageOf(tx: Transaction, ids: string[]) {
  const group = <T extends { runId: string }>(rows: T[]) => {
    const groups = new Map<string, T[]>();
    for (const row of rows) {
      const group = groups.get(row.runId);
      if (group) group.push(row);
      else groups.set(row.runId, [row]);
    }
    return groups;
  };
  return {
    events: group(
      await tx.select().from(runEvent).where(inArray(runEvent.runId, ids)).orderBy(asc(runEvent.runId), asc(runEvent.seq)),
    ),
    summaries: group(await tx.select().from(runSummary).where(inArray(runSummary.runId, ids))),
    results: group(await tx.select().from(channelResult).where(inArray(channelResult.runId, ids))),
    probes: group(await tx.select().from(probeCalibration).where(inArray(probeCalibration.runId, ids))),
    used: group(await tx.select().from(runReference).where(inArray(runReference.runId, ids))),
    bookings: group(await tx.select().from(referenceBooking).where(inArray(referenceBooking.runId, ids))),
    commands: group(await tx.select().from(runCommand).where(inArray(runCommand.runId, ids))),
  };
}

function verifyChain(report: VerifyReport, id: string, rows: EventRow[]): boolean {
  let previous = FIRST_HASH;
  const before = report.found;
  rows.forEach((row, index) => {
    report.events += 1;
    const record = `run ${id}, event ${row.seq}`;
    if (row.seq !== index + 1) addFault(report, record, `an event before it is missing (expected ${index + 1})`);
    if (row.previousHash !== previous) addFault(report, record, 'does not follow the event before it');
    if (eventHash(storedEvent(row), row.previousHash) !== row.hash)
      addFault(report, record, 'its content does not match its hash');
    previous = row.hash;
  });
  return report.found === before;
}

function verifyDerived(
  report: VerifyReport,
  row: RunRow,
  procedure: Procedure,
  rows: EventRow[],
  page: Awaited<ReturnType<typeof pageOf>>,
): void {
  const events = rows.map(toEvent);
  if (events.length === 0) return;
  const state = reduce(row.id, []);
  const bookings = events.flatMap((event) => {
    apply(state, event);
    return bookingOf(event, state, row.id);
  });
  const summary = summarise(procedure, state);
  const compare = (what: string, kept: object[] | undefined, ought: object[], key: string[]) =>
    differences(kept ?? [], ought, key).forEach((difference) => addFault(report, `run ${row.id}, ${what}`, difference));
  compare('its summary', page.summaries.get(row.id), [summaryRow(row, procedure, state, summary)], ['runId']);
  compare('its results', page.results.get(row.id), resultRows(row, state, summary), ['channel', 'point']);
  compare('its probes', page.probes.get(row.id), probeRows(row, state, procedure), ['channel']);
  compare(
    'its gas booked',
    page.bookings.get(row.id)?.map(({ id: _, ...one }) => one),
    bookings,
    ['seq'],
  );
  compare('what it used', page.used.get(row.id), usedOf(row.id, events), ['referenceId']);
  verifyCommands(report, row.id, rows, page.commands.get(row.id) ?? []);
}

/** References that were put to use, regulators included; what never stood on the shelf (air) is none. */
function usedOf(runId: string, events: RunEvent[]): (typeof runReference.$inferInsert)[] {
  const first = new Map<string, number>();
  for (const event of events) {
    if (event.type !== 'referenceBound') continue;
    const at = Date.parse(event.occurredAt);
    for (const id of [event.data.reference.id, event.data.regulator?.id])
      if (isId(id)) first.set(id, Math.min(at, first.get(id) ?? at));
  }
  return [...first].map(([referenceId, at]) => ({ referenceId, runId, at: new Date(at) }));
}

/** The answer that a command was given: from which event to which, and when. Of a command that changed nothing only that its answer fits in itself. */
function verifyCommands(
  report: VerifyReport,
  id: string,
  events: EventRow[],
  commands: (typeof runCommand.$inferSelect)[],
): void {
  const ought = new Map<string, { first: number; last: number; at: Date }>();
  for (const { command, seq, recordedAt } of events) {
    const known = ought.get(command);
    ought.set(command, { first: known?.first ?? seq, last: seq, at: known?.at ?? recordedAt });
  }
  for (const { command, firstSeq, lastSeq, reply, at } of commands) {
    const { first, last, at: when } = ought.get(command) ?? { first: lastSeq, last: lastSeq, at };
    const told = reply as { firstSeq?: number; lastSeq?: number };
    const fits = first === firstSeq && last === lastSeq && told.firstSeq === firstSeq && told.lastSeq === lastSeq;
    if (!fits || Object.keys(told).length !== 2 || when.getTime() !== at.getTime())
      addFault(report, `run ${id}, command ${command}`, 'what it was answered is not what its events say');
    ought.delete(command);
  }
  for (const command of ought.keys()) addFault(report, `run ${id}, command ${command}`, 'it has events and no answer on record');
}
