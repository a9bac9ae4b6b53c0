import { desc, sql } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { supplierReview } from '@/data/schema';

/** The newest evaluation of a supplier; null where nobody evaluated it. */
export async function supplierStands(tx: Transaction, supplier: string) {
  if (!supplier.trim()) return null;
  const [row] = await tx
    .select()
    .from(supplierReview)
    .where(sql`lower(${supplierReview.supplier}) = lower(${supplier.trim()})`)
    .orderBy(desc(supplierReview.madeAt), desc(supplierReview.id))
    .limit(1);
  return row ?? null;
}
