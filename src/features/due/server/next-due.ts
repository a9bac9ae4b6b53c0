import { and, eq, inArray, or } from 'drizzle-orm';
import { dueByUse, type DueByUse } from '@/core/interval/due-by-use';
import { nextDue } from '@/core/interval/next-due';
import { effectivePolicy } from '@/core/interval/policy';
import { say } from '@/core/words/say';
import { asset, assetUse, intervalPolicy, type DueBasis } from '@/data/schema';
import type { Transaction } from '@/data/connection';
import type { UseCaseContext } from '@/platform/use-case';
import '@/core/words/en/due';

export interface Due {
  date: string;
  basis: DueBasis;
}

/** The policies that could count for an asset. */
async function policiesFor(tx: Transaction, row: { id: string; customerId: string; modelId: string }) {
  return tx
    .select()
    .from(intervalPolicy)
    .where(
      or(
        and(eq(intervalPolicy.scope, 'asset'), eq(intervalPolicy.assetId, row.id)),
        and(
          eq(intervalPolicy.scope, 'customerModel'),
          eq(intervalPolicy.customerId, row.customerId),
          eq(intervalPolicy.modelId, row.modelId),
        ),
        and(eq(intervalPolicy.scope, 'customer'), eq(intervalPolicy.customerId, row.customerId)),
        and(eq(intervalPolicy.scope, 'model'), eq(intervalPolicy.modelId, row.modelId)),
      ),
    );
}

/** Next due after a calibration. Counts only from an in-tolerance as-left, and only where somebody set a policy; else null. */
export async function dueAfter(
  { tx }: Pick<UseCaseContext, 'tx'>,
  { assetId, from, inTolerance }: { assetId: string; from: string; inTolerance: boolean },
): Promise<Due | null> {
  if (!inTolerance) return null;
  const [row] = await tx.select().from(asset).where(eq(asset.id, assetId));
  const chosen = row && effectivePolicy({ policies: await policiesFor(tx, row) });
  if (!chosen) return null;
  const { every } = chosen.policy;
  const date = nextDue({ from, every });
  const byUse = every.uses ? await usesOf(tx, assetId, every.uses, from) : null;
  // Whichever comes first; a limit that was reached is due on that day.
  return byUse?.due && byUse.due < date
    ? {
        date: byUse.due,
        basis: {
          from,
          reason: `${chosen.reason}; ${say({ code: byUse.reached ? 'uses.reached' : 'uses.pace', numbers: { used: byUse.used } })}`,
        },
      }
    : { date, basis: { from, reason: chosen.reason } };
}

async function usesOf(tx: Transaction, assetId: string, limit: number, from: string): Promise<DueByUse> {
  const rows = await tx.select().from(assetUse).where(eq(assetUse.assetId, assetId));
  return dueByUse({ limit, from, counts: rows.map(({ readOn, count }) => ({ on: readOn, count })) });
}

/** Counts a stored due date anew from the calibration that it rests on. Returns whether it moved. */
export async function countAnew({ tx }: Pick<UseCaseContext, 'tx'>, assetId: string): Promise<boolean> {
  const [row] = await tx.select().from(asset).where(eq(asset.id, assetId));
  if (!row?.dueBasis?.from) return false;
  const due = await dueAfter({ tx }, { assetId, from: row.dueBasis.from, inTolerance: true });
  if (!due || (due.date === row.nextDue && due.basis.reason === row.dueBasis.reason)) return false;
  await keepDue({ tx }, { assetId, due: { ...due, basis: { ...row.dueBasis, ...due.basis } } });
  return true;
}

/** Stores the due date with what it rests on. Without a new one the old one stays: an instrument that failed is still due. */
export async function keepDue(
  { tx }: Pick<UseCaseContext, 'tx'>,
  { assetId, due }: { assetId: string; due: Due | null },
): Promise<void> {
  if (due) await tx.update(asset).set({ nextDue: due.date, dueBasis: due.basis }).where(eq(asset.id, assetId));
}

/** The policy that counts for each of many instruments; none where nobody set one. */
export async function policiesOfMany(
  tx: Transaction,
  rows: readonly { id: string; customerId: string; modelId: string }[],
): Promise<Map<string, typeof intervalPolicy.$inferSelect>> {
  if (rows.length === 0) return new Map();
  const of = (key: 'id' | 'customerId' | 'modelId') => [...new Set(rows.map((row) => row[key]))];
  const policies = await tx
    .select()
    .from(intervalPolicy)
    .where(
      or(
        inArray(intervalPolicy.assetId, of('id')),
        inArray(intervalPolicy.customerId, of('customerId')),
        and(eq(intervalPolicy.scope, 'model'), inArray(intervalPolicy.modelId, of('modelId'))),
      ),
    );
  const chosen = rows.flatMap((row) => {
    const own = policies.filter(
      (one) =>
        (one.assetId === null || one.assetId === row.id) &&
        (one.customerId === null || one.customerId === row.customerId) &&
        (one.modelId === null || one.modelId === row.modelId),
    );
    const found = effectivePolicy({ policies: own });
    return found ? [[row.id, own.find((one) => one.id === found.policy.id)!] as const] : [];
  });
  return new Map(chosen);
}
