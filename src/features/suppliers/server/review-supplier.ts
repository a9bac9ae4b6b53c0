import { supplierReview } from '@/data/schema';
import { need } from '@/platform/need';
import type { UseCaseContext } from '@/platform/use-case';
import type { ReviewInput } from '../review-schema';

/** Evaluates a supplier: from then on this holds, and what was said before stays on record. Errors: Problem (403). Source: ISO/IEC 17025:2017, 6.6.2. */
export async function reviewSupplier({ tx, now, actor }: UseCaseContext, { reviewBy, ...review }: ReviewInput): Promise<void> {
  need(actor, 'approve');
  await tx.insert(supplierReview).values({ ...review, reviewBy: reviewBy || null, madeAt: now, madeBy: actor.name });
}
