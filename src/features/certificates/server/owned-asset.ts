import { eq, sql } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { asset, customer, instrumentModel } from '@/data/schema';

/** The instrument of a run with its model's name, and whose it was when the run was made: one that was sold since is nothing to the new owner. A customer that was merged stands under the one that stays. */
export async function ownedAsset(tx: Transaction, { assetId, customerId }: { assetId: string; customerId: string }) {
  const [found] = await tx
    .select({ asset, model: instrumentModel.name, customer })
    .from(asset)
    .innerJoin(instrumentModel, eq(asset.modelId, instrumentModel.id))
    .innerJoin(
      customer,
      sql`${customer.id} = (select coalesce(owner.merged_into, owner.id) from customer owner where owner.id = ${customerId})`,
    )
    .where(eq(asset.id, assetId));
  return found!;
}
