import { and, eq, ne, sql } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { customer, customerContact } from '@/data/schema';

/** The contact that is there for reminders, the first of several; a lateral join, and where there is none the customer's own counts. */
export const toldContact = (tx: Transaction) =>
  tx
    .select({ name: customerContact.name, email: customerContact.email })
    .from(customerContact)
    .where(
      and(
        eq(customerContact.customerId, customer.id),
        sql`'reminders' = any(${customerContact.purposes})`,
        ne(customerContact.email, ''),
      ),
    )
    .orderBy(customerContact.createdAt, customerContact.id)
    .limit(1)
    .as('told');
