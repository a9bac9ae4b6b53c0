import { integer, numeric, pgTable, text } from 'drizzle-orm/pg-core';
import { instant } from './columns';

/** How what stands on the shelf under a name is bought again. */
export const supplyTerms = pgTable('supply_terms', {
  name: text('name').primaryKey(),
  supplier: text('supplier').notNull().default(''),
  partNumber: text('part_number').notNull().default(''),
  leadDays: integer('lead_days').notNull(),
  /** What one holds, L. */
  holds: numeric('holds'),
  price: numeric('price'),
  changedAt: instant('changed_at').notNull(),
  changedBy: text('changed_by').notNull(),
});
