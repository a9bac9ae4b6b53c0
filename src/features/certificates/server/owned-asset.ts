import { eq } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { asset, customer, instrumentModel } from '@/data/schema';

/** An instrument with its model's name and whose it is. */
export async function ownedAsset(tx: Transaction, id: string) {
  const [found] = await tx
    .select({ asset, model: instrumentModel.name, customer })
    .from(asset)
    .innerJoin(instrumentModel, eq(asset.modelId, instrumentModel.id))
    .innerJoin(customer, eq(asset.customerId, customer.id))
    .where(eq(asset.id, id));
  return found!;
}
