import { and, asc, eq } from 'drizzle-orm';
import { say } from '@/core/words/say';
import { asset, assetUse } from '@/data/schema';
import type { Transaction } from '@/data/connection';
import { recordAudit } from '@/platform/audit';
import { dateIn } from '@/platform/clock';
import { may } from '@/platform/permission';
import { Problem } from '@/platform/problem';
import { readSettings } from '@/platform/settings';
import type { UseCaseContext } from '@/platform/use-case';
import { countAnew } from './next-due';
import '@/core/words/en/due';
import '@/core/words/en/retire';

export interface UseRow {
  readOn: string;
  count: number;
  readBy: string;
}

/** What an instrument's counter showed, oldest first. */
export const usesOfAsset = (tx: Transaction, assetId: string): Promise<UseRow[]> =>
  tx
    .select({ readOn: assetUse.readOn, count: assetUse.count, readBy: assetUse.readBy })
    .from(assetUse)
    .where(eq(assetUse.assetId, assetId))
    .orderBy(asc(assetUse.readOn));

/**
 * Keeps what the counter showed on a day: a second figure for a day corrects the first, an empty one takes it away. The due date is counted anew.
 * Errors: Problem (403) for who neither receives nor works at the bench, (404), beside `readOn` for a day that lies ahead.
 */
export async function keepUse(
  context: UseCaseContext,
  { assetId, readOn, count }: { assetId: string; readOn: string; count: number | null },
): Promise<{ moved: boolean }> {
  const { tx, actor, now } = context;
  if (!may(actor.role, 'receive') && !may(actor.role, 'bench')) throw new Problem(say({ code: 'uses.forbidden' }), {}, 403);
  const [row] = await tx.select({ id: asset.id }).from(asset).where(eq(asset.id, assetId)).for('update');
  if (!row) throw new Problem(say({ code: 'retire.unknown' }), {}, 404);
  const { zone } = await readSettings(tx);
  if (readOn > dateIn(zone, now)) throw new Problem(say({ code: 'uses.ahead' }), { readOn: say({ code: 'uses.ahead' }) });
  const here = and(eq(assetUse.assetId, assetId), eq(assetUse.readOn, readOn));
  const [before] = await tx.select({ count: assetUse.count, readBy: assetUse.readBy }).from(assetUse).where(here);
  if (count === (before?.count ?? null)) return { moved: false };
  if (count === null) await tx.delete(assetUse).where(here);
  else
    await tx
      .insert(assetUse)
      .values({ assetId, readOn, count, readBy: actor.name, notedAt: now })
      .onConflictDoUpdate({ target: [assetUse.assetId, assetUse.readOn], set: { count, readBy: actor.name, notedAt: now } });
  await recordAudit(context, 'instrumentUses', assetId, { readOn, before: before ?? null, after: count });
  return { moved: await countAnew(context, assetId) };
}
