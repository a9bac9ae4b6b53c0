import { pgTable, text, uuid } from 'drizzle-orm/pg-core';
import { instant } from './columns';
import { customer } from './instruments';

/** A calendar that a program reads by a secret address. */
export const calendarFeed = pgTable('calendar_feed', {
  id: uuid('id').primaryKey().defaultRandom(),
  kind: text('kind').$type<'workshop' | 'technician' | 'customer'>().notNull(),
  customerId: uuid('customer_id').references(() => customer.id),
  person: text('person'),
  name: text('name').notNull(),
  digest: text('digest').notNull(),
  madeAt: instant('made_at').notNull(),
  madeBy: text('made_by').notNull(),
  readAt: instant('read_at'),
  endedAt: instant('ended_at'),
  endedBy: text('ended_by'),
});
