import { asc, eq, and, sql } from 'drizzle-orm';
import type { EventData } from '@/core/record/event';
import type { Transaction } from '@/data/connection';
import { run, runEvent } from '@/data/schema';
import { notStruck } from '@/data/not-struck';

/** How fast a channel came in one run: seconds to nine tenths, of its first gas there. */
export interface ResponseTime {
  at: string;
  run: string;
  seconds: number;
}
/** So many visits are shown. */
const MOST = 8;

/**
 * T90 of each channel over the visits, oldest first: of the first reading or bump of a run that told it. A new sensor begins anew.
 */
export async function responseTimes(tx: Transaction, assetId: string): Promise<Record<string, ResponseTime[]>> {
  const rows = await tx
    .select({ run: runEvent.runId, type: runEvent.type, data: runEvent.data, at: runEvent.occurredAt })
    .from(runEvent)
    .innerJoin(run, eq(run.id, runEvent.runId))
    .where(
      and(
        eq(run.assetId, assetId),
        notStruck,
        sql`(${runEvent.type} = 'partReplaced' or (${runEvent.type} = 'readingCaptured' and ${runEvent.data} -> 'capture' ? 't90Seconds') or (${runEvent.type} = 'bumped' and ${runEvent.data}::text like '%"t90Seconds"%'))`,
      ),
    )
    .orderBy(asc(runEvent.occurredAt), asc(runEvent.seq));
  const series: Record<string, ResponseTime[]> = {};
  const add = (row: (typeof rows)[number], channel: string, seconds: number | undefined) => {
    const own = (series[channel] ??= []);
    if (seconds !== undefined && own.at(-1)?.run !== row.run) own.push({ at: row.at.toISOString(), run: row.run, seconds });
  };
  for (const row of rows) {
    if (row.type === 'partReplaced') series[(row.data as EventData['partReplaced']).channel] = [];
    if (row.type === 'readingCaptured') {
      const { channel, capture } = row.data as EventData['readingCaptured'];
      add(row, channel, capture?.t90Seconds);
    }
    if (row.type === 'bumped')
      for (const [channel, seen] of Object.entries((row.data as EventData['bumped']).channels))
        add(row, channel, seen.t90Seconds);
  }
  return Object.fromEntries(
    Object.entries(series).flatMap(([channel, times]) => (times.length ? [[channel, times.slice(-MOST)]] : [])),
  );
}
