import { eq } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { customer, run } from '@/data/schema';
import { readSettings } from '@/platform/settings';

/** The annexes that the document of a run gets unless its signatory says otherwise: what the workshop adds to every one, and what its customer wishes. */
export async function annexesWanted(tx: Transaction, runId: string): Promise<{ budgets: boolean; traces: boolean }> {
  const { annexBudgets, annexTraces } = await readSettings(tx);
  const [wish] = await tx
    .select({ budgets: customer.annexBudgets, traces: customer.annexTraces })
    .from(run)
    .innerJoin(customer, eq(customer.id, run.customerId))
    .where(eq(run.id, runId));
  return { budgets: annexBudgets || Boolean(wish?.budgets), traces: annexTraces || Boolean(wish?.traces) };
}
