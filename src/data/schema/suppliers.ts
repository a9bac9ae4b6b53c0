import { date, pgTable, text, uuid } from 'drizzle-orm/pg-core';
import type { SupplierVerdict } from '@/core/stored/supplier-verdict';
import { instant } from './columns';

/** An evaluation of a supplier; the newest of each holds. */
export const supplierReview = pgTable('supplier_review', {
  id: uuid('id').primaryKey().defaultRandom(),
  supplier: text('supplier').notNull(),
  verdict: text('verdict').$type<SupplierVerdict>().notNull(),
  why: text('why').notNull(),
  reviewBy: date('review_by'),
  madeAt: instant('made_at').notNull(),
  madeBy: text('made_by').notNull(),
});
