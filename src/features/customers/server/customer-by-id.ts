import { and, eq, isNull } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { customer } from '@/data/schema';
import { isId } from '@/platform/shape';

/** A customer that is not ended. Null where there is none. */
export async function customerById(tx: Transaction, id: string) {
  if (!isId(id)) return null;
  const [row] = await tx
    .select()
    .from(customer)
    .where(and(eq(customer.id, id), isNull(customer.retiredAt)));
  return row ?? null;
}
