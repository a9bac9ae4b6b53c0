import type { StatusId } from '@/core/results/instrument-status';
import type { ServiceId } from '@/core/instrument/service';
import { and, desc, eq, ne, sql } from 'drizzle-orm';
import type { ReferenceSnapshot } from '@/core/record/reference-snapshot';
import type { Role } from '@/core/record/event';
import type { RunState } from '@/core/record/state';
import type { Procedure } from '@/core/procedure/procedure';
import type { Transaction } from '@/data/connection';
import { asset, channelResult, customer, instrumentModel, runSummary, ticket } from '@/data/schema';
import { matchChannels, type ChannelMatch } from '@/core/live/match-channels';
import { benchLines, lineOf, type LineView } from '@/features/lines/server';
import { shelfFor } from '@/features/shelf/server';
import { dateIn } from '@/platform/clock';
import { readSettings } from '@/platform/settings';
import { may } from '@/platform/permission';
import { watchNeeded, type WatchNeeded } from '@/platform/works-watched';
import { board, type BoardTicket } from './board';
import type { ResponseCard } from '@/core/stability/response-card';
import { keysOfModel, type ModelKeys } from './model-keys';
import { rawHistory, type RawHistory } from './raw-history';
import { loadRun } from './run-store';

export interface RunView {
  state: RunState;
  procedure: Procedure;
  today: string;
  ticket: {
    id: string;
    code: string;
    place: number | null;
    service: ServiceId;
    promiseOn: string | null;
    dueAgreed: boolean;
  } | null;
  asset: {
    id: string;
    maker: string;
    model: string;
    modelId: string;
    serial: string;
    tag: string;
    status: StatusId;
    why: string;
  };
  customer: string;
  shelf: ReferenceSnapshot[];
  /** As-found errors of earlier runs by label and point, newest first: the faint trend on the rulers. */
  earlier: Record<string, { error: string; at: string }[]>;
  /** The instrument's line, and which of its slots feeds which channel. */
  line: LineView | null;
  match: Record<string, ChannelMatch>;
  benchLines: LineView[];
  /** All places of the bench, so that one key goes to the next. */
  places: BoardTicket[];
  /** Raw sensor output at earlier spans, oldest first, by channel; and since when the sensor is in. */
  raw: RawHistory;
  currency: string;
  /** How each step goes on this model, by the step's path. */
  keys: ModelKeys;
  mayWriteKeys: boolean;
  /** How the model's sensors come to their readings, by channel role, where it is known. */
  responses: Record<string, ResponseCard>;
  /** Work that has to be watched, and whether it was. */
  watch?: WatchNeeded;
  /** Tried on a model by itself: nothing of it is kept. */
  practice?: 'try' | 'exercise';
  /** Who looks at it. */
  me: { id: string; name: string };
}

/** All that a run sheet shows. */
export async function runView(
  tx: Transaction,
  id: string,
  me: { id: string; name: string; role: Role },
): Promise<RunView | null> {
  const loaded = await loadRun(tx, id);
  if (!loaded) return null;
  const [row] = await tx
    .select({ asset, model: instrumentModel.name, channels: instrumentModel.channels, customer: customer.name })
    .from(asset)
    .innerJoin(instrumentModel, eq(asset.modelId, instrumentModel.id))
    .innerJoin(customer, eq(asset.customerId, customer.id))
    .where(eq(asset.id, loaded.row.assetId));
  const [ticketRow] = loaded.row.ticketId ? await tx.select().from(ticket).where(eq(ticket.id, loaded.row.ticketId)) : [];
  const settings = await readSettings(tx);
  const today = dateIn(settings.zone, new Date());
  const shelf = await shelfFor(tx, {
    kinds: loaded.procedure.slots.map((slot) => slot.kind),
    bound: loaded.state.bindings.map((one) => one.reference.id),
    today,
  });
  const line = await lineOf(tx, row!.asset.maker, row!.asset.serial);
  // Who may work at the bench and looks at an open run would work it next.
  const works = loaded.state.status === 'open' && may(me.role, 'bench') && !may(me.role, 'approve');
  const watch = await watchNeeded(tx, { run: id, ...(works ? { me } : {}) });
  return {
    state: loaded.state,
    procedure: loaded.procedure,
    today,
    ticket: ticketRow
      ? {
          id: ticketRow.id,
          code: ticketRow.code,
          place: ticketRow.place,
          service: ticketRow.service,
          promiseOn: ticketRow.promiseOn,
          dueAgreed: ticketRow.dueAgreed,
        }
      : null,
    asset: {
      id: row!.asset.id,
      maker: row!.asset.maker,
      model: row!.model,
      modelId: row!.asset.modelId,
      serial: row!.asset.serial,
      tag: row!.asset.tag,
      status: row!.asset.status,
      why: row!.asset.statusWhy,
    },
    customer: row!.customer,
    shelf,
    earlier: await earlierErrors(tx, loaded.row.assetId, id),
    line,
    match: line?.hello ? matchChannels(line.hello.channels, loaded.state.channels) : {},
    benchLines: await benchLines(tx),
    places: (await board(tx, ['onBench'])).tickets.filter((one) => one.place !== null),
    currency: settings.currency,
    keys: await keysOfModel(tx, {
      modelId: row!.asset.modelId,
      procedureId: loaded.procedure.id,
      atBench: may(me.role, 'bench'),
    }),
    mayWriteKeys: may(me.role, 'bench'),
    responses: Object.fromEntries(row!.channels.flatMap(({ role, response }) => (response ? [[role, response]] : []))),
    me: { id: me.id, name: me.name },
    raw: await rawHistory(tx, loaded.row.assetId, id),
    ...(watch ? { watch } : {}),
  };
}

async function earlierErrors(tx: Transaction, assetId: string, notThis: string): Promise<RunView['earlier']> {
  const rows = await tx
    .select({
      channel: channelResult.channel,
      point: channelResult.point,
      error: channelResult.foundDeviation,
      at: channelResult.at,
    })
    .from(channelResult)
    .innerJoin(runSummary, eq(channelResult.runId, runSummary.runId))
    .where(
      and(eq(channelResult.assetId, assetId), ne(channelResult.runId, notThis), sql`${channelResult.foundDeviation} is not null`),
    )
    .orderBy(desc(channelResult.at))
    .limit(60);
  const grouped: RunView['earlier'] = {};
  for (const row of rows) (grouped[`${row.channel}/${row.point}`] ??= []).push({ error: row.error!, at: row.at.toISOString() });
  return grouped;
}
