import { and, eq, inArray, isNull, ne, notExists, sql } from 'drizzle-orm';
import { alias } from 'drizzle-orm/pg-core';
import { say } from '@/core/words/say';
import { violatedUnique } from '@/data/database-problem';
import { asset, customer, customerContact, customerMerge, customerSite, customerTolerance, intervalPolicy } from '@/data/schema';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import { openWork } from './end-customer';
import { heldCustomer, requireKeeper } from './keep-customer';
import '@/core/words/en/customers';

/** Hours in which a merging may be undone. */
export const UNDO_HOURS = 24;

const ids = (rows: { id: string }[]): string[] => rows.map((row) => row.id);

/**
 * Merges a customer that was entered twice into another: its instruments, contacts and intervals go over, where the other has no interval of its own. Receipts, runs and documents keep the name that they were made under.
 * Errors: Problem (403), (404); (409) for the same one, one that was merged, or work of it in the house.
 */
export async function mergeCustomers(
  context: UseCaseContext,
  { stays, gone, why }: { stays: string; gone: string; why: string },
): Promise<{ instruments: number }> {
  requireKeeper(context);
  if (stays === gone) throw new Problem(say({ code: 'merge.self' }), {}, 409);
  // In the order of their ids, so that two who merge the same pair wait for each other and not both.
  const [first, second] = [stays, gone].sort();
  const rows = [await heldCustomer(context, first!), await heldCustomer(context, second!)];
  const away = rows.find((row) => row.id === gone)!;
  const codes = await openWork(context, gone);
  if (codes.length)
    throw new Problem(say({ code: 'merge.inHouse', numbers: { name: away.name, codes: codes.join(', ') } }), {}, 409);
  const { tx, now, actor } = context;
  const to = { customerId: stays };
  const assets = ids(await tx.update(asset).set(to).where(eq(asset.customerId, gone)).returning({ id: asset.id }));
  const contacts = ids(
    await tx.update(customerContact).set(to).where(eq(customerContact.customerId, gone)).returning({ id: customerContact.id }),
  );
  const theirs = alias(intervalPolicy, 'theirs');
  const policies = ids(
    await tx
      .update(intervalPolicy)
      .set(to)
      .where(
        and(
          eq(intervalPolicy.customerId, gone),
          notExists(
            tx
              .select({ one: sql`1` })
              .from(theirs)
              .where(
                and(
                  eq(theirs.customerId, stays),
                  eq(theirs.scope, intervalPolicy.scope),
                  sql`${theirs.modelId} is not distinct from ${intervalPolicy.modelId}`,
                ),
              ),
          ),
        ),
      )
      .returning({ id: intervalPolicy.id }),
  );
  const sites = ids(
    await tx
      .update(customerSite)
      .set({
        ...to,
        // Two plants of one name stay two.
        name: sql`case when exists (select from customer_site theirs where theirs.customer_id = ${stays} and theirs.ended_at is null and lower(theirs.name) = lower(customer_site.name))
          then left(customer_site.name || ' (' || ${away.name} || ')', 80) else customer_site.name end`,
      })
      .where(eq(customerSite.customerId, gone))
      .returning({ id: customerSite.id }),
  );
  const held = alias(customerTolerance, 'held');
  // What the other has agreed for the same channel holds on.
  const tolerances = ids(
    await tx
      .update(customerTolerance)
      .set(to)
      .where(
        and(
          eq(customerTolerance.customerId, gone),
          isNull(customerTolerance.endedAt),
          notExists(
            tx
              .select({ one: sql`1` })
              .from(held)
              .where(
                and(
                  eq(held.customerId, stays),
                  eq(held.modelId, customerTolerance.modelId),
                  eq(held.role, customerTolerance.role),
                  isNull(held.endedAt),
                ),
              ),
          ),
        ),
      )
      .returning({ id: customerTolerance.id }),
  );
  await tx
    .update(customer)
    .set({ mergedInto: stays, version: away.version + 1 })
    .where(eq(customer.id, gone));
  await tx
    .insert(customerMerge)
    .values({ gone, stays, moved: { assets, contacts, policies, sites, tolerances }, mergedAt: now, mergedBy: actor.name, why });
  return { instruments: assets.length };
}

/** Undoes a merging within a day: what went over and is still there goes back. Errors: Problem (403), (404); (409) where it is too late, undone, or the name is another's by now. */
export async function undoMerge(context: UseCaseContext, { mergeId }: { mergeId: string }): Promise<void> {
  requireKeeper(context);
  const { tx, now, actor } = context;
  const [merge] = await tx.select().from(customerMerge).where(eq(customerMerge.id, mergeId)).for('update');
  if (!merge) throw new Problem(say({ code: 'merge.nothing' }), {}, 404);
  if (merge.undoneAt) throw new Problem(say({ code: 'merge.undone' }), {}, 409);
  if (now.getTime() - merge.mergedAt.getTime() > UNDO_HOURS * 3_600_000)
    throw new Problem(say({ code: 'merge.tooLate' }), {}, 409);
  const [away] = await tx.select().from(customer).where(eq(customer.id, merge.gone)).for('update');
  try {
    await tx
      .update(customer)
      .set({ mergedInto: null, version: away!.version + 1 })
      .where(eq(customer.id, merge.gone));
  } catch (error) {
    if (violatedUnique(error) !== 'customer_name') throw error;
    throw new Problem(say({ code: 'merge.nameTaken', numbers: { name: away!.name } }), {}, 409);
  }
  const back = { customerId: merge.gone };
  const { moved } = merge;
  for (const [table, list] of [
    [asset, moved.assets],
    [customerContact, moved.contacts],
    [intervalPolicy, moved.policies],
    [customerSite, moved.sites ?? []],
    [customerTolerance, moved.tolerances ?? []],
  ] as const)
    if (list.length)
      await tx
        .update(table)
        .set(back)
        .where(and(inArray(table.id, list), eq(table.customerId, merge.stays)));
  // What was put at a site that goes back, and doesn't go back itself, is at no site.
  if (moved.sites?.length)
    await tx
      .update(asset)
      .set({ siteId: null })
      .where(and(inArray(asset.siteId, moved.sites), ne(asset.customerId, merge.gone)));
  await tx.update(customerMerge).set({ undoneAt: now, undoneBy: actor.name }).where(eq(customerMerge.id, mergeId));
}
