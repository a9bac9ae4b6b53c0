import { bigint, date, pgTable, text, uuid } from 'drizzle-orm/pg-core';
import type { NonconformityKind, NonconformityStep } from '@/core/record/nonconformity';
import { instant } from './columns';
import { asset, customer } from './instruments';
import { reference, run } from './work';

/** Something that was wrong with work or with what it rests on. */
export const nonconformity = pgTable('nonconformity', {
  id: uuid('id').primaryKey().defaultRandom(),
  number: text('number').notNull(),
  kind: text('kind').$type<NonconformityKind>().notNull(),
  what: text('what').notNull(),
  openedAt: instant('opened_at').notNull(),
  openedBy: text('opened_by').notNull(),
  assetId: uuid('asset_id').references(() => asset.id),
  customerId: uuid('customer_id').references(() => customer.id),
  runId: uuid('run_id').references(() => run.id),
  referenceId: uuid('reference_id').references(() => reference.id),
  /** When its effect is looked at. */
  lookAgainOn: date('look_again_on'),
  closedAt: instant('closed_at'),
  closedBy: text('closed_by'),
});

/** What was done about one. */
export const nonconformityStep = pgTable('nonconformity_step', {
  id: bigint('id', { mode: 'number' }).primaryKey().generatedAlwaysAsIdentity(),
  nonconformityId: uuid('nonconformity_id')
    .notNull()
    .references(() => nonconformity.id),
  step: text('step').$type<NonconformityStep | 'reopened'>().notNull(),
  choice: text('choice').notNull().default(''),
  text: text('text').notNull(),
  by: text('by').notNull(),
  at: instant('at').notNull(),
});
