import { and, asc, eq, ne } from 'drizzle-orm';
import { say } from '@/core/words/say';
import { asset, customer, ticket } from '@/data/schema';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import { heldCustomer, requireKeeper } from './keep-customer';
import '@/core/words/en/customers';

/** Codes of a customer's open tickets, of their instruments' as well. */
export async function openWork({ tx }: Pick<UseCaseContext, 'tx'>, customerId: string): Promise<string[]> {
  const rows = await tx
    .selectDistinct({ code: ticket.code })
    .from(ticket)
    .leftJoin(asset, eq(asset.id, ticket.assetId))
    .where(and(ne(ticket.status, 'returned'), eq(ticket.customerId, customerId)))
    .orderBy(asc(ticket.code));
  return rows.map((row) => row.code);
}

interface End {
  customerId: string;
  why: string;
}

/** Ends a customer: reminded no more, offered no more. Instruments and documents stay. Errors: Problem (403), (404), (409) where it is ended already or has work in the house. */
export async function retireCustomer(context: UseCaseContext, { customerId, why }: End): Promise<void> {
  requireKeeper(context);
  const row = await heldCustomer(context, customerId);
  if (row.retiredAt) throw new Problem(say({ code: 'customer.alreadyRetired' }), {}, 409);
  const codes = await openWork(context, customerId);
  if (codes.length)
    throw new Problem(
      say({ code: 'customer.retireInHouse', numbers: { count: codes.length, codes: codes.join(', ') } }),
      {},
      409,
    );
  await context.tx
    .update(customer)
    .set({ retiredAt: context.now, retiredWhy: why, version: row.version + 1 })
    .where(eq(customer.id, customerId));
}

/** Takes an ended customer back. Errors: Problem (403), (404), (409) for one that is not ended. */
export async function takeBackCustomer(context: UseCaseContext, { customerId }: End): Promise<void> {
  requireKeeper(context);
  const row = await heldCustomer(context, customerId);
  if (!row.retiredAt) throw new Problem(say({ code: 'customer.notRetired' }), {}, 409);
  await context.tx
    .update(customer)
    .set({ retiredAt: null, retiredWhy: '', version: row.version + 1 })
    .where(eq(customer.id, customerId));
}
