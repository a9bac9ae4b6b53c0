import type { StatusId } from '@/core/results/instrument-status';
import type { ServiceId } from '@/core/instrument/service';
import { and, eq, inArray, ne, sql } from 'drizzle-orm';
import { matchChannels } from '@/core/live/match-channels';
import type { ChannelInfo } from '@/core/live/said';
import type { RunChannel } from '@/core/record/event';
import type { Transaction } from '@/data/connection';
import {
  asset,
  customer,
  deviceLine,
  instrumentModel,
  runSummary,
  ticket,
  type ModelChannel,
  type TicketStatus,
} from '@/data/schema';
import { readSettings } from '@/platform/settings';
import { nextAction, type NextAction } from '../places/next-action';
import { loadRun } from './run-store';
import { proceduresFor } from './start-run';

export interface BoardTicket {
  id: string;
  code: string;
  status: TicketStatus;
  customer: string;
  maker: string;
  model: string;
  kind: string;
  serial: string;
  tag: string;
  service: ServiceId;
  promiseOn: string | null;
  place: number | null;
  placedAt: string | null;
  runId: string | null;
  warmUpSeconds: number | null;
  sentBack: boolean;
  /** A tag that stands, and why. */
  instrument: { status: StatusId; why: string };
  /** What to do next at this place, and until when it waits. */
  next: NextAction | null;
  /** The line of this instrument, if it is on one. */
  line: string | null;
  /** What each of its slots is called on the sheet. */
  names: Record<number, string>;
}

export interface Board {
  places: number;
  /** A second place of work: its name, and its first bench place. */
  second: { name: string; from: number } | null;
  tickets: BoardTicket[];
}

/** Everything that is in the house, in four columns' worth. In the tray: by promise, then by what shares a set-up. */
export async function board(
  tx: Transaction,
  only: TicketStatus[] = ['inTray', 'onBench', 'toApprove', 'toReturn'],
): Promise<Board> {
  const { places, secondPlace, secondFrom } = await readSettings(tx);
  const rows = await tx
    .select({
      ticket,
      customer: customer.name,
      maker: asset.maker,
      model: instrumentModel.name,
      kind: instrumentModel.kind,
      procedureId: instrumentModel.procedureId,
      serial: asset.serial,
      tag: asset.tag,
      instrument: { status: asset.status, why: asset.statusWhy },
      runStatus: runSummary.status,
      next: runSummary.next,
      line: deviceLine.id,
      hello: deviceLine.hello,
      channels: instrumentModel.channels,
    })
    .from(ticket)
    .innerJoin(asset, eq(ticket.assetId, asset.id))
    .innerJoin(instrumentModel, eq(asset.modelId, instrumentModel.id))
    .innerJoin(customer, eq(ticket.customerId, customer.id))
    .leftJoin(
      deviceLine,
      sql`${deviceLine.kind} = 'instrument' and lower(${deviceLine.maker}) = lower(${asset.maker}) and upper(${deviceLine.serial}) = upper(${asset.serial})`,
    )
    .leftJoin(runSummary, eq(runSummary.runId, ticket.runId))
    .where(and(ne(ticket.status, 'returned'), inArray(ticket.status, only)))
    .orderBy(sql`${ticket.promiseOn} nulls last`, instrumentModel.procedureId, ticket.code)
    .limit(200);
  const procedureFor = await proceduresFor(tx);
  const tickets = await Promise.all(
    rows.map(async (row): Promise<BoardTicket> => {
      const procedure = procedureFor(row.procedureId, row.ticket.service);
      return {
        id: row.ticket.id,
        code: row.ticket.code,
        status: row.ticket.status,
        customer: row.customer,
        maker: row.maker,
        model: row.model,
        kind: row.kind,
        serial: row.serial,
        tag: row.tag,
        instrument: row.instrument,
        service: row.ticket.service,
        promiseOn: row.ticket.promiseOn,
        place: row.ticket.place,
        placedAt: row.ticket.placedAt?.toISOString() ?? null,
        runId: row.ticket.runId,
        warmUpSeconds: procedure?.warmUpSeconds ?? null,
        sentBack: row.ticket.status === 'inTray' && row.ticket.runId !== null,
        next: row.ticket.status === 'onBench' && row.ticket.runId ? (row.next ?? (await nextOf(tx, row.ticket.runId))) : null,
        line: row.line,
        names: namesOf(row.hello?.channels ?? [], row.channels),
      };
    }),
  );
  return { places, second: secondPlace && secondFrom ? { name: secondPlace, from: secondFrom } : null, tickets };
}

function namesOf(infos: readonly ChannelInfo[], channels: readonly ModelChannel[]): Record<number, string> {
  const known = channels.map((one): RunChannel => ({ ...one, id: one.label, item: 'body', status: 'fitted' }));
  return Object.fromEntries(
    Object.entries(matchChannels(infos, known)).flatMap(([label, match]) => ('slot' in match ? [[match.slot, label]] : [])),
  );
}

/** For a run that was begun before its summary said what comes next. */
async function nextOf(tx: Transaction, runId: string): Promise<NextAction | null> {
  const loaded = await loadRun(tx, runId);
  return loaded ? nextAction(loaded.procedure, loaded.state) : null;
}
