import { eq } from 'drizzle-orm';
import type { InferType } from 'yup';
import { supplyTerms } from '@/data/schema';
import { need } from '@/platform/need';
import type { UseCaseContext } from '@/platform/use-case';
import type { termsSchema } from '../terms-schema';

/** How something is bought again. Errors: Problem (403). */
export async function keepTerms({ tx, actor, now }: UseCaseContext, given: InferType<typeof termsSchema>): Promise<void> {
  need(actor, 'bench', 'receive');
  const { name, ...rest } = given;
  const row = { ...rest, holds: rest.holds || null, price: rest.price || null, changedAt: now, changedBy: actor.name };
  await tx
    .insert(supplyTerms)
    .values({ name, ...row })
    .onConflictDoUpdate({ target: supplyTerms.name, set: row });
}

/** Back to what the newest lot says. Errors: Problem (403). */
export async function dropTerms({ tx, actor }: UseCaseContext, { name }: { name: string }): Promise<void> {
  need(actor, 'bench', 'receive');
  await tx.delete(supplyTerms).where(eq(supplyTerms.name, name));
}
