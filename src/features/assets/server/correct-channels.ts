import { and, asc, eq, inArray } from 'drizzle-orm';
import { say } from '@/core/words/say';
import { asset, assetChannel, ticket } from '@/data/schema';
import { recordAudit } from '@/platform/audit';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import { pickChannel, stampOfChannels, type ChannelState } from '../channel-state';
import '@/core/words/en/assets';

interface Correction {
  assetId: string;
  channels: ChannelState[];
  why: string;
  /** What was on the screen. */
  seen: string;
}

/**
 * Sets which channels of an instrument are fitted, not fitted or not to be calibrated, and which sensor stands in each, since when and under warranty until when. Runs keep the channels that they began with.
 * Errors: Problem (403), (404); (409) where nothing differs, none would be left, it stands on the bench, or somebody else changed it since.
 */
export async function correctChannels(context: UseCaseContext, { assetId, channels, why, seen }: Correction): Promise<void> {
  need(context.actor, 'receive');
  const { tx } = context;
  const [row] = await tx.select({ id: asset.id }).from(asset).where(eq(asset.id, assetId)).for('update');
  if (!row) throw new Problem(say({ code: 'assetEdit.unknown' }), {}, 404);
  const rows = await tx.select().from(assetChannel).where(eq(assetChannel.assetId, assetId)).orderBy(asc(assetChannel.position));
  const before = rows.map(pickChannel);
  if (stampOfChannels(before) !== seen)
    throw new Problem(say({ code: 'assetEdit.meanwhile' }), {}, 409, { code: 'changedMeanwhile' });
  const after = before.map((one) => channels.find((given) => given.id === one.id) ?? one);
  if (stampOfChannels(after) === seen) throw new Problem(say({ code: 'assetEdit.nothing' }), {}, 409);
  if (after.every((one) => one.status !== 'fitted')) throw new Problem(say({ code: 'assetChannel.none' }), {}, 409);
  const [open] = await tx
    .select({ code: ticket.code })
    .from(ticket)
    .where(and(eq(ticket.assetId, assetId), inArray(ticket.status, ['onBench', 'toApprove'])));
  if (open) throw new Problem(say({ code: 'assetChannel.onBench', numbers: { code: open.code } }), {}, 409);
  for (const { id, ...values } of after) await tx.update(assetChannel).set(values).where(eq(assetChannel.id, id));
  const changed = before.flatMap((one, index) => (JSON.stringify(one) === JSON.stringify(after[index]) ? [] : [index]));
  const of = (channels: ChannelState[]) => changed.map((index) => channels[index]);
  await recordAudit(context, 'correctChannels', assetId, { why, before: of(before), after: of(after) });
}
