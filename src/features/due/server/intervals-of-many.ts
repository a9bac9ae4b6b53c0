import { asc, eq, inArray } from 'drizzle-orm';
import type { Every } from '@/core/interval/next-due';
import type { Transaction } from '@/data/connection';
import { asset, customer, instrumentModel, intervalPolicy } from '@/data/schema';
import { need } from '@/platform/need';
import { chosenIds } from '@/platform/shape';
import type { UseCaseContext } from '@/platform/use-case';
import { changePolicy } from './change-policy';

/** Instruments of one act. */
export const MOST_AT_ONCE = 2000;

/** The chosen instruments with the interval that is their own by now, by serial. */
export async function intervalsOfMany(tx: Transaction, ids: readonly string[]) {
  const wanted = chosenIds(ids, MOST_AT_ONCE);
  if (wanted.length === 0) return [];
  const rows = await tx
    .select({
      id: asset.id,
      serial: asset.serial,
      maker: asset.maker,
      modelId: asset.modelId,
      nextDue: asset.nextDue,
      customer: customer.name,
    })
    .from(asset)
    .innerJoin(customer, eq(asset.customerId, customer.id))
    .where(inArray(asset.id, wanted))
    .orderBy(asc(asset.serial), asc(asset.id));
  const own = await tx.select().from(intervalPolicy).where(inArray(intervalPolicy.assetId, wanted));
  const models = await tx.select({ id: instrumentModel.id, name: instrumentModel.name }).from(instrumentModel);
  return rows.map(({ modelId, ...row }) => ({
    ...row,
    model: models.find((one) => one.id === modelId)?.name ?? '',
    every: own.find((one) => one.assetId === row.id)?.every ?? null,
  }));
}

/** One interval for several instruments, all or none: each has its line in the audit. Errors: Problem (403) for who doesn't work at the bench. */
export async function changeMany(
  context: UseCaseContext,
  { assetIds, every, reason }: { assetIds: string[]; every: Every; reason: string },
): Promise<{ count: number; moved: number }> {
  need(context.actor, 'bench');
  const found = await intervalsOfMany(context.tx, assetIds);
  let moved = 0;
  for (const one of found) moved += (await changePolicy(context, { scope: 'asset', assetId: one.id, every, reason })).moved;
  return { count: found.length, moved };
}
