import { boolean, date, integer, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import { instant } from './columns';
import { asset, customer } from './instruments';
import { receipt } from './work';

export type BookingState = 'announced' | 'arrived' | 'cancelled';

/** Instruments that a customer announces for a day, or for the week that begins on it. */
export const booking = pgTable('booking', {
  id: uuid('id').primaryKey().defaultRandom(),
  customerId: uuid('customer_id')
    .notNull()
    .references(() => customer.id),
  arrivesOn: date('arrives_on').notNull(),
  wholeWeek: boolean('whole_week').notNull().default(false),
  contact: text('contact').notNull().default(''),
  note: text('note').notNull().default(''),
  state: text('state').$type<BookingState>().notNull().default('announced'),
  receiptId: uuid('receipt_id').references(() => receipt.id),
  /** Taken although its week was full. */
  overCeiling: boolean('over_ceiling').notNull().default(false),
  changes: integer('changes').notNull().default(0),
  madeAt: instant('made_at').notNull(),
  madeBy: text('made_by').notNull(),
  changedAt: instant('changed_at').notNull(),
  endedAt: instant('ended_at'),
  endedBy: text('ended_by'),
  endedWhy: text('ended_why').notNull().default(''),
});

export const bookingItem = pgTable(
  'booking_item',
  {
    bookingId: uuid('booking_id')
      .notNull()
      .references(() => booking.id),
    assetId: uuid('asset_id')
      .notNull()
      .references(() => asset.id),
    open: boolean('open').notNull().default(true),
  },
  (table) => [primaryKey({ columns: [table.bookingId, table.assetId] })],
);
