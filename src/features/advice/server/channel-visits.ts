import { sql } from 'drizzle-orm';
import { resultChannelId } from '@/data/channel-id';
import type { ChannelVisit } from '@/core/history/drift-steps';
import type { Transaction } from '@/data/connection';
import { notStruck } from '@/data/not-struck';

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
  at: string;
  found: number | null;
  left: number | null;
  newSensor: boolean;
}

/**
 * What was found and left of each channel at each approved visit, in per cent of the tolerance that it was judged by: at its gas, buffer or standard, the highest where there are several; zeros and clean air are another story.
 * What was not adjusted was left as it was found. Practice is left out; so is what came from elsewhere without a limit.
 */
export async function channelVisits(tx: Transaction, assetIds: readonly string[]): Promise<ChannelHistory[]> {
  if (assetIds.length === 0) return [];
  const { rows } = await tx.execute<Row>(sql`
    with fitted as materialized (
      select run_event.run_id, run_event.data ->> 'channel' as channel from run_event join run on run.id = run_event.run_id
      where run.asset_id in ${assetIds} and run_event.type = 'partReplaced' and ${notStruck}
    )
    select asset_id, channel, role, label, to_json(at)#>>'{}' as at, found::float8, "left"::float8,
      (run_id, channel) in (select f.run_id, f.channel from fitted f) as "newSensor" from (
      select distinct on (r.run_id, r.channel collate "C") r.asset_id, r.channel, h.role, h.label, h.position, r.run_id, r.at, r.found_deviation / nullif(r.found_limit, 0) * 100 as found,
        coalesce(r.left_deviation / nullif(r.left_limit, 0), case when not r.adjusted then r.found_deviation / nullif(r.found_limit, 0) end) * 100 as "left"
      from channel_result r join run_summary s on s.run_id = r.run_id and s.status = 'approved' and not s.practice join asset_channel h on h.id = ${resultChannelId}
      where r.asset_id in ${assetIds} and coalesce(r.found_reference, r.left_reference, 0) <> 0 and coalesce(r.found_reference, r.left_reference) is distinct from nullif(h.clean_air, '')::numeric
      order by r.run_id, r.channel collate "C", abs(coalesce(r.found_reference, r.left_reference)) desc
    ) v order by asset_id, position, channel collate "C", v.at, run_id`);
  const histories: ChannelHistory[] = [];
  for (const { asset_id: assetId, channel, role, label, at, found, left, newSensor } of rows) {
    let history = histories.at(-1);
    if (history?.assetId !== assetId || history.channel !== channel) {
      history = { assetId, channel, role, label, visits: [] };
      histories.push(history);
    }
    history.visits.push({ at, found, left, ...(newSensor ? { newSensor } : {}) });
  }
  return histories;
}
