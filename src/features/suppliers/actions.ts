'use server';
import { action } from '@/platform/action';
import { reviewSchema } from './review-schema';
import { reviewSupplier } from './server/review-supplier';

export const reviewSupplierAction = action(
  {
    name: 'reviewSupplier',
    permission: 'approve',
    schema: reviewSchema,
    audit: ({ supplier, verdict, why }) => `${supplier}: ${verdict}, ${why}`,
  },
  reviewSupplier,
);
