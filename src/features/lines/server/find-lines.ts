import { and, asc, eq, gt, inArray, sql } from 'drizzle-orm';
import type { Facts, Hello } from '@/core/live/said';
import type { Transaction } from '@/data/connection';
import { deviceLine, liveFrame, type LineKind, type LiveSaid } from '@/data/schema';

export interface LineView {
  id: string;
  kind: LineKind;
  name: string;
  maker: string;
  serial: string;
  state: 'connected' | 'away';
  reason: string;
  dropped: number;
  droppedWhy: string;
  seenAt: string | null;
  hello: (Hello & { facts?: Facts }) | null;
  via: 'tcp' | 'browser';
  /** A hand at a simulated one. */
  panel: boolean;
}

const toView = (row: typeof deviceLine.$inferSelect): LineView => ({
  id: row.id,
  kind: row.kind,
  name: row.name,
  maker: row.maker,
  serial: row.serial,
  state: row.state,
  reason: row.reason,
  dropped: row.dropped,
  droppedWhy: row.droppedWhy,
  seenAt: row.seenAt?.toISOString() ?? null,
  hello: row.hello as LineView['hello'],
  via: row.via,
  panel: row.panelPort !== null,
});

/** A device as the list of devices has it: with where it is. */
export interface ListedLine extends LineView {
  host: string;
  port: number;
}

export async function allLines(tx: Transaction): Promise<ListedLine[]> {
  const rows = await tx.select().from(deviceLine).orderBy(asc(deviceLine.kind), asc(deviceLine.name));
  return rows.map((row) => ({ ...toView(row), host: row.host, port: row.port }));
}

/** The line of an instrument: by maker and serial, as it said itself. */
export async function lineOf(tx: Transaction, maker: string, serial: string): Promise<LineView | null> {
  const [row] = await tx
    .select()
    .from(deviceLine)
    .where(
      and(
        eq(deviceLine.kind, 'instrument'),
        sql`lower(${deviceLine.maker}) = lower(${maker})`,
        sql`upper(${deviceLine.serial}) = upper(${serial})`,
      ),
    );
  return row ? toView(row) : null;
}

/** Lines that measure for the bench itself: barometer, flow meter, tag reader. */
export async function benchLines(tx: Transaction): Promise<LineView[]> {
  return (
    await tx
      .select()
      .from(deviceLine)
      .where(inArray(deviceLine.kind, ['barometer', 'flowMeter', 'tagReader', 'thermometer', 'hygrometer']))
      .orderBy(asc(deviceLine.name))
  ).map(toView);
}

export interface LiveRow {
  id: number;
  line: string;
  at: string;
  said: LiveSaid[];
}

/** What lines said after a number, oldest first: how a browser catches up. */
export async function framesAfter(tx: Transaction, lines: string[], after: number, most = 2400): Promise<LiveRow[]> {
  if (lines.length === 0) return [];
  const rows = await tx
    .select()
    .from(liveFrame)
    .where(and(inArray(liveFrame.lineId, lines), gt(liveFrame.id, after)))
    .orderBy(asc(liveFrame.id))
    .limit(most);
  return rows.map((row) => ({ id: row.id, line: row.lineId, at: row.at.toISOString(), said: row.said }));
}
