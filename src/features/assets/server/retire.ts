import { and, eq, ne } from 'drizzle-orm';
import { say } from '@/core/words/say';
import { asset, ticket } from '@/data/schema';
import { auditStatus } from '@/features/bench/server';
import { may } from '@/platform/permission';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import '@/core/words/en/retire';

interface Act {
  assetId: string;
  why: string;
}

/**
 * Retires an instrument: sold, scrapped, lost. Nobody is reminded of it any more; its documents stay. What failed stays with it.
 * Errors: Problem (403) for who does not receive, (404), (409) while it is in the house or retired already.
 */
export async function retireAsset(context: UseCaseContext, { assetId, why }: Act): Promise<void> {
  const { tx, actor, now } = context;
  if (!may(actor.role, 'receive')) throw new Problem(say({ code: 'retire.forbidden' }), {}, 403);
  const [row] = await tx.select().from(asset).where(eq(asset.id, assetId)).for('update');
  if (!row) throw new Problem(say({ code: 'retire.unknown' }), {}, 404);
  if (row.status === 'retired') throw new Problem(say({ code: 'retire.already' }), {}, 409);
  const [open] = await tx
    .select({ code: ticket.code })
    .from(ticket)
    .where(and(eq(ticket.assetId, assetId), ne(ticket.status, 'returned')));
  if (open) throw new Problem(say({ code: 'retire.inHouse', numbers: { code: open.code } }), {}, 409);
  await tx
    .update(asset)
    .set({ status: 'retired', statusSince: now, statusWhy: why, statusBy: actor.name })
    .where(eq(asset.id, assetId));
  await auditStatus(context, assetId, row.status, 'retired', why);
}

/**
 * Takes a retired instrument back: into use, or out of service where something had failed before and nothing covers it yet.
 * Errors: Problem (403) for who may not sign, (404), (409) for one that is not retired.
 */
export async function takeBackAsset(context: UseCaseContext, { assetId, why }: Act): Promise<void> {
  const { tx, actor, now } = context;
  if (!may(actor.role, 'approve')) throw new Problem(say({ code: 'retire.signatory' }), {}, 403);
  const [row] = await tx.select().from(asset).where(eq(asset.id, assetId)).for('update');
  if (!row) throw new Problem(say({ code: 'retire.unknown' }), {}, 404);
  if (row.status !== 'retired') throw new Problem(say({ code: 'retire.notRetired' }), {}, 409);
  const after = row.statusFailed ? 'outOfService' : 'inUse';
  await tx
    .update(asset)
    .set({ status: after, statusSince: now, statusWhy: why, statusBy: actor.name })
    .where(eq(asset.id, assetId));
  await auditStatus(context, assetId, 'retired', after, why);
}
