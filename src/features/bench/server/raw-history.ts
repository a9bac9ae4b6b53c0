import { and, asc, eq, ne, sql } from 'drizzle-orm';
import type { EventData } from '@/core/record/event';
import type { Transaction } from '@/data/connection';
import { assetChannel, run, runEvent } from '@/data/schema';
import { notStruck } from '@/data/not-struck';

/** By channel: raw outputs read back at spans of earlier runs, oldest first. */
type RawOutputs = Record<string, { at: string; raw: string }[]>;

export interface RawHistory {
  outputs: RawOutputs;
  installedOn: Record<string, string>;
}

/** Raw sensor output over the visits: now against new is the health of a sensor. A new sensor begins a new series. */
export async function rawOutputs(tx: Transaction, assetId: string, notThis?: string): Promise<RawOutputs> {
  const rows = await tx
    .select({ type: runEvent.type, data: runEvent.data, at: runEvent.occurredAt })
    .from(runEvent)
    .innerJoin(run, eq(run.id, runEvent.runId))
    .where(
      and(
        eq(run.assetId, assetId),
        notThis ? ne(run.id, notThis) : undefined,
        notStruck,
        sql`${runEvent.type} in ('adjusted', 'partReplaced')`,
      ),
    )
    .orderBy(asc(runEvent.occurredAt), asc(runEvent.seq));
  const outputs: RawOutputs = {};
  for (const row of rows) {
    if (row.type === 'partReplaced') outputs[(row.data as EventData['partReplaced']).channel] = [];
    if (row.type !== 'adjusted') continue;
    const { readBack } = row.data as EventData['adjusted'];
    for (const [key, raw] of Object.entries(readBack))
      if (key.startsWith('raw:')) (outputs[key.slice(4)] ??= []).push({ at: row.at.toISOString(), raw });
  }
  return outputs;
}

/** The same beside when each sensor that is fitted came, for the bench. */
export async function rawHistory(tx: Transaction, assetId: string, notThis: string): Promise<RawHistory> {
  const channels = await tx.select().from(assetChannel).where(eq(assetChannel.assetId, assetId));
  return {
    outputs: await rawOutputs(tx, assetId, notThis),
    installedOn: Object.fromEntries(channels.flatMap((one) => (one.installedOn ? [[one.id, one.installedOn]] : []))),
  };
}
