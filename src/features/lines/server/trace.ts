import { createHash, randomUUID } from 'node:crypto';
import { gunzipSync, gzipSync } from 'node:zlib';
import { and, asc, eq, gte, lte } from 'drizzle-orm';
import type { Frame } from '@/core/live/said';
import type { TraceKept } from '@/core/record/evidence';
import type { Transaction } from '@/data/connection';
import { deviceLine, liveFrame, runTrace } from '@/data/schema';
import { isId } from '@/platform/shape';

/** More frames than this are thinned evenly: ten minutes at ten a second. */
export const MOST_FRAMES = 6000;

export interface TraceDocument {
  schema: 'werkbank-trace/1';
  instrument: { maker: string; model: string; serial: string; firmware?: string };
  /** Every so many frames one was kept; 1 is all of them. */
  everyNth: number;
  frames: Frame[];
}

/** Keeps what a line said between two instants with the run, compressed. Null when it said nothing. */
export async function keepTrace(
  tx: Transaction,
  { run, step, line, from, to }: { run: string; step: string; line: string; from: Date; to: Date },
): Promise<TraceKept | null> {
  const rows = await tx
    .select({ said: liveFrame.said })
    .from(liveFrame)
    .where(and(eq(liveFrame.lineId, line), gte(liveFrame.at, from), lte(liveFrame.at, to)))
    .orderBy(asc(liveFrame.id));
  const all = rows.flatMap((row) => row.said.filter((said): said is Frame => said.type === 'frame'));
  if (all.length === 0) return null;
  const everyNth = Math.ceil(all.length / MOST_FRAMES);
  const frames = all.filter((_frame, index) => index % everyNth === 0);
  const [device] = await tx.select().from(deviceLine).where(eq(deviceLine.id, line));
  const { maker = '', model = '', serial = '', firmware = '' } = device?.hello ?? {};
  const document: TraceDocument = {
    schema: 'werkbank-trace/1',
    instrument: { maker, model, serial, firmware },
    everyNth,
    frames,
  };
  const text = JSON.stringify(document);
  const kept: TraceKept = {
    id: randomUUID(),
    hash: createHash('sha256').update(text).digest('hex'),
    frames: frames.length,
    fromAt: from.toISOString(),
    toAt: to.toISOString(),
  };
  await tx.insert(runTrace).values({
    id: kept.id,
    runId: run,
    step,
    lineId: line,
    fromAt: from,
    toAt: to,
    frames: frames.length,
    bytes: gzipSync(text),
    hash: kept.hash,
    firmware: firmware.slice(0, 80),
  });
  return kept;
}

/** A kept trace, or null. Errors: when the bytes no longer give the hash. */
export async function readTrace(tx: Transaction, run: string, id: string): Promise<TraceDocument | null> {
  if (!isId(id) || !isId(run)) return null;
  const [row] = await tx
    .select()
    .from(runTrace)
    .where(and(eq(runTrace.id, id), eq(runTrace.runId, run)));
  if (!row) return null;
  const text = gunzipSync(row.bytes).toString('utf8');
  if (createHash('sha256').update(text).digest('hex') !== row.hash) throw new Error(`trace ${id} was changed`);
  return JSON.parse(text) as TraceDocument;
}

/** Whether a line really showed this text for a channel within the last seconds: what is captured has to have been on the display. */
export async function wasShown(
  tx: Transaction,
  { line, slot, text, from, to }: { line: string; slot: number; text: string; from: Date; to: Date },
): Promise<boolean> {
  const rows = await tx
    .select({ said: liveFrame.said })
    .from(liveFrame)
    .where(and(eq(liveFrame.lineId, line), gte(liveFrame.at, from), lte(liveFrame.at, to)));
  return rows.some((row) =>
    row.said.some(
      (said) => said.type === 'frame' && said.readings.some((reading) => reading.slot === slot && reading.text === text),
    ),
  );
}
