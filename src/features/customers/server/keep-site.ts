import { and, asc, count, eq, isNull, sql } from 'drizzle-orm';
import { say } from '@/core/words/say';
import { violatedUnique } from '@/data/database-problem';
import type { Transaction } from '@/data/connection';
import { asset, customerSite } from '@/data/schema';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import type { SiteInput } from '../customer-schema';
import { heldCustomer, requireKeeper } from './keep-customer';
import '@/core/words/en/customers';

/** Sites of a customer with how many instruments each has; ended ones have none and are left out. */
export function sitesOf(tx: Transaction, customerId: string) {
  return tx
    .select({ id: customerSite.id, name: customerSite.name, address: customerSite.address, instruments: count(asset.id) })
    .from(customerSite)
    .leftJoin(asset, eq(asset.siteId, customerSite.id))
    .where(and(eq(customerSite.customerId, customerId), isNull(customerSite.endedAt)))
    .groupBy(customerSite.id)
    .orderBy(asc(sql`lower(${customerSite.name})`), asc(customerSite.id));
}

/** Makes or corrects a site of a customer. Errors: Problem (403), (404); (409) for a name that the customer has twice then. */
export async function keepSite(context: UseCaseContext, { siteId, ...input }: SiteInput): Promise<{ id: string }> {
  requireKeeper(context);
  await heldCustomer(context, input.customerId);
  const { tx, now } = context;
  try {
    // Of its own, so that what the refusal says can still be audited.
    return await tx.transaction(async (inner) => {
      const [row] = siteId
        ? await inner
            .update(customerSite)
            .set({ name: input.name, address: input.address })
            .where(and(eq(customerSite.id, siteId), eq(customerSite.customerId, input.customerId), isNull(customerSite.endedAt)))
            .returning({ id: customerSite.id })
        : await inner
            .insert(customerSite)
            .values({ ...input, createdAt: now })
            .returning({ id: customerSite.id });
      if (!row) throw new Problem(say({ code: 'site.unknown' }), {}, 404);
      return row;
    });
  } catch (error) {
    if (violatedUnique(error) !== 'customer_site_name') throw error;
    const sentence = say({ code: 'site.taken' });
    throw new Problem(sentence, { name: sentence }, 409);
  }
}

/** Ends a site: its instruments stay with the customer, at no site. Errors: Problem (403), (404). */
export async function endSite(context: UseCaseContext, { siteId }: { siteId: string }): Promise<{ instruments: number }> {
  requireKeeper(context);
  const { tx, now } = context;
  const rows = await tx
    .update(customerSite)
    .set({ endedAt: now })
    .where(and(eq(customerSite.id, siteId), isNull(customerSite.endedAt)))
    .returning({ id: customerSite.id });
  if (rows.length === 0) throw new Problem(say({ code: 'site.unknown' }), {}, 404);
  const moved = await tx.update(asset).set({ siteId: null }).where(eq(asset.siteId, siteId)).returning({ id: asset.id });
  return { instruments: moved.length };
}
