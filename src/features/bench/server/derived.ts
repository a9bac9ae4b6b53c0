import type { Procedure } from '@/core/procedure/procedure';
import type { RunEvent } from '@/core/record/event';
import type { RunState } from '@/core/record/state';
import type { Judged } from '@/core/results/judged';
import type { summarise } from '@/core/results/summary';
import { nextAction } from '../places/next-action';
import type { channelResult, referenceBooking, run, runSummary } from '@/data/schema';

/**
 * What lists and history show of a run, worked out from its events alone: the store keeps it with each command, and the verification works it out again and compares.
 */
type Row = Pick<typeof run.$inferSelect, 'id' | 'assetId' | 'customerId'>;
type Summary = ReturnType<typeof summarise>;

const instant = (text: string | null) => (text ? new Date(text) : null);

export function summaryRow(row: Row, procedure: Procedure, state: RunState, summary: Summary): typeof runSummary.$inferInsert {
  return {
    runId: row.id,
    assetId: row.assetId,
    customerId: row.customerId,
    lastSeq: state.seq,
    status: state.status,
    asFound: summary.asFound,
    asLeft: summary.asLeft,
    adjusted: summary.adjusted,
    practice: state.started?.practice ?? false,
    startedAt: instant(state.startedAt)!,
    finishedAt: instant(state.finishedAt),
    approvedAt: instant(state.approvedAt),
    technician: state.technician?.name ?? '',
    next: state.status === 'open' ? nextAction(procedure, state) : null,
  };
}

export function resultRows(row: Row, state: RunState, summary: Summary): (typeof channelResult.$inferInsert)[] {
  return summary.lines.map((line) => ({
    runId: row.id,
    channel: line.channel,
    point: line.point,
    assetId: row.assetId,
    label: line.label,
    measurand: line.measurand,
    unit: line.unit,
    ...side('found', line.found),
    ...side('left', line.left),
    adjusted: line.adjusted,
    at: instant(state.startedAt)!,
  }));
}

/** Gas off books its litres to the bottle that was open; the first dip books the dose that was poured. */
export function bookingOf(event: RunEvent, state: RunState, runId: string): (typeof referenceBooking.$inferInsert)[] {
  if (event.type !== 'stimulusChanged' || !event.data.litres || Number(event.data.litres) <= 0) return [];
  const binding = state.stimuli.find((span) => (event.data.on ? span.onSeq : span.offSeq) === event.seq)?.binding;
  const bottle = state.bindings.find((candidate) => candidate.seq === binding)?.reference.id;
  return bottle
    ? [
        {
          referenceId: bottle,
          runId,
          seq: event.seq,
          litres: event.data.litres,
          at: new Date(event.occurredAt),
          by: event.actor.name,
        },
      ]
    : [];
}

type Side = 'found' | 'left';
type Figure = 'Text' | 'Reference' | 'Deviation' | 'Limit' | 'Expanded' | 'K' | 'State';

/** One side of a result in the table's columns. */
function side<S extends Side>(which: S, judged: Judged | null): Pick<typeof channelResult.$inferInsert, `${S}${Figure}`> {
  const figures = {
    Text: judged?.reading.text ?? null,
    Reference: judged?.reference ?? null,
    Deviation: judged?.deviation ?? null,
    Limit: judged?.limits?.upper ?? null,
    Expanded: judged?.expanded ?? null,
    K: typeof judged?.k === 'number' ? String(judged.k) : null,
    State: judged?.verdict ?? null,
  };
  return Object.fromEntries(Object.entries(figures).map(([name, value]) => [which + name, value])) as Pick<
    typeof channelResult.$inferInsert,
    `${S}${Figure}`
  >;
}
