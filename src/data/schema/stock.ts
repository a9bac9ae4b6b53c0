import { date, integer, pgTable, text, uuid } from 'drizzle-orm/pg-core';
import type { SpareKind } from '@/core/supply/spare';
import { instant } from './columns';
import { asset, customer } from './instruments';
import { ticket } from './work';

/** A spare: so many of a kind, or one with its serial. */
export const stockItem = pgTable('stock_item', {
  id: uuid('id').primaryKey().defaultRandom(),
  kind: text('kind').$type<SpareKind>().notNull(),
  name: text('name').notNull(),
  partNumber: text('part_number').notNull().default(''),
  serial: text('serial').notNull().default(''),
  shelfUntil: date('shelf_until'),
  place: text('place').notNull().default(''),
  quantity: integer('quantity').notNull(),
  version: integer('version').notNull().default(1),
  madeBy: text('made_by').notNull(),
  madeAt: instant('made_at').notNull(),
  endedWhy: text('ended_why'),
  endedBy: text('ended_by'),
  endedAt: instant('ended_at'),
});

/** What of a spare went into the instrument of a ticket. */
export const stockUse = pgTable('stock_use', {
  id: uuid('id').primaryKey().defaultRandom(),
  itemId: uuid('item_id')
    .notNull()
    .references(() => stockItem.id),
  ticketId: uuid('ticket_id')
    .notNull()
    .references(() => ticket.id),
  quantity: integer('quantity').notNull(),
  usedBy: text('used_by').notNull(),
  usedAt: instant('used_at').notNull(),
  backWhy: text('back_why'),
  backBy: text('back_by'),
  backAt: instant('back_at'),
});

/** An instrument of the workshop's with a customer. */
export const loan = pgTable('loan', {
  id: uuid('id').primaryKey().defaultRandom(),
  assetId: uuid('asset_id')
    .notNull()
    .references(() => asset.id),
  customerId: uuid('customer_id')
    .notNull()
    .references(() => customer.id),
  ticketId: uuid('ticket_id').references(() => ticket.id),
  lentAt: instant('lent_at').notNull(),
  lentBy: text('lent_by').notNull(),
  dueBack: date('due_back').notNull(),
  contact: text('contact').notNull().default(''),
  note: text('note').notNull().default(''),
  backAt: instant('back_at'),
  backBy: text('back_by'),
  fault: text('fault').notNull().default(''),
});
