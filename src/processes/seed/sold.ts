import { and, asc, eq, max, notInArray, sql } from 'drizzle-orm';
import { subDays } from 'date-fns';
import type { Actor } from '@/core/record/event';
import type { Transaction } from '@/data/connection';
import { asset, certificate, ticket } from '@/data/schema';
import { retireAsset } from '@/features/assets/server';

/** The customer who sold it: the instrument that was here longest ago, and is nowhere in the house, is retired; nobody is reminded of it any more. */
export async function soldByItsCustomer(tx: Transaction, actor: Actor, now: Date): Promise<void> {
  const inHouse = tx
    .select({ id: ticket.assetId })
    .from(ticket)
    .where(sql`${ticket.status} <> 'returned'`);
  const [oldest] = await tx
    .select({ id: asset.id, last: max(certificate.issuedAt) })
    .from(asset)
    .innerJoin(certificate, eq(certificate.assetId, asset.id))
    .where(and(eq(asset.status, 'inUse'), eq(asset.part, 'body'), notInArray(asset.id, inHouse)))
    .groupBy(asset.id)
    .orderBy(asc(max(certificate.issuedAt)))
    .limit(1);
  if (oldest)
    await retireAsset(
      { tx, actor, now: subDays(now, 3) },
      { assetId: oldest.id, why: 'sold with the old pump house; told by telephone' },
    );
}
