import { format, subDays } from 'date-fns';
import { and, asc, eq, isNotNull } from 'drizzle-orm';
import type { Actor } from '@/core/record/event';
import type { Transaction } from '@/data/connection';
import { asset, instrumentModel } from '@/data/schema';
import { keepUse } from '@/features/due/server';

/** A breath tester that is blown into every day: what its counter showed, told by its owner now and then. Its interval counts uses too. */
export async function usedOften(tx: Transaction, actor: Actor, now: Date): Promise<void> {
  const [tester] = await tx
    .select({ id: asset.id })
    .from(asset)
    .innerJoin(instrumentModel, and(eq(instrumentModel.id, asset.modelId), eq(instrumentModel.name, 'BN-A')))
    .where(isNotNull(asset.dueBasis))
    .orderBy(asc(asset.serial))
    .limit(1);
  if (!tester) return;
  for (const [ago, count] of [
    [70, 1180],
    [41, 1302],
    [6, 1466],
  ] as const)
    await keepUse({ tx, actor, now }, { assetId: tester.id, readOn: format(subDays(now, ago), 'yyyy-MM-dd'), count });
}
