import { and, eq, inArray, sql } from 'drizzle-orm';
import type { ChannelVisit } from '@/core/history/drift-steps';
import type { EventData } from '@/core/record/event';
import type { Transaction } from '@/data/connection';
import { notStruck } from '@/data/not-struck';
import { run, runEvent } from '@/data/schema';

/** All visits of one channel, the oldest first. */
export interface ChannelHistory {
  assetId: string;
  channel: string;
  role: string;
  label: string;
  visits: (ChannelVisit & { at: string })[];
}

interface Row extends Record<string, unknown> {
  asset_id: string;
  channel: string;
  role: string;
  label: string;
  run_id: string;
  at: string;
  found: number | null;
  left: number | null;
}

/**
 * What was found and left of each channel at each approved visit, in per cent of the tolerance that it was judged by: at its gas, buffer or standard, the highest where there are several; zeros and clean air are another story.
 * What was not adjusted was left as it was found. Practice is left out; so is what came from elsewhere without a limit.
 */
export async function channelVisits(tx: Transaction, assetIds: readonly string[]): Promise<ChannelHistory[]> {
  if (assetIds.length === 0) return [];
  const { rows } = await tx.execute<Row>(sql`
    select asset_id, channel, role, label, run_id, to_json(at)#>>'{}' as at, found::float8, "left"::float8 from (
      select distinct on (r.run_id, r.channel) r.asset_id, r.channel, h.role, h.label, h.position, r.run_id, r.at, r.found_deviation / nullif(r.found_limit, 0) * 100 as found,
        coalesce(r.left_deviation / nullif(r.left_limit, 0), case when not r.adjusted then r.found_deviation / nullif(r.found_limit, 0) end) * 100 as "left"
      from channel_result r join run_summary s on s.run_id = r.run_id and s.status = 'approved' and not s.practice join asset_channel h on h.id = case when r.channel ~ '^[0-9a-f-]{36}$' then r.channel::uuid end
      where r.asset_id in ${assetIds} and coalesce(r.found_reference, r.left_reference, 0) <> 0 and coalesce(r.found_reference, r.left_reference) is distinct from nullif(h.clean_air, '')::numeric
      order by r.run_id, r.channel, abs(coalesce(r.found_reference, r.left_reference)) desc
    ) v order by asset_id, position, channel, at, run_id`);
  const fitted = await newSensors(tx, assetIds);
  const histories: ChannelHistory[] = [];
  for (const { asset_id: assetId, channel, role, label, run_id, at, found, left } of rows) {
    let history = histories.at(-1);
    if (history?.assetId !== assetId || history.channel !== channel) {
      history = { assetId, channel, role, label, visits: [] };
      histories.push(history);
    }
    history.visits.push({ at, found, left, ...(fitted.has(`${run_id}/${channel}`) ? { newSensor: true } : {}) });
  }
  return histories;
}

/** Runs that fitted a new sensor, with its channel. */
async function newSensors(tx: Transaction, assetIds: readonly string[]): Promise<Set<string>> {
  const rows = await tx
    .select({ run: runEvent.runId, data: runEvent.data })
    .from(runEvent)
    .innerJoin(run, eq(run.id, runEvent.runId))
    .where(and(inArray(run.assetId, [...assetIds]), eq(runEvent.type, 'partReplaced'), notStruck));
  return new Set(rows.map((row) => `${row.run}/${(row.data as EventData['partReplaced']).channel}`));
}
