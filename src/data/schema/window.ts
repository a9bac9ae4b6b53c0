import { bigint, boolean, jsonb, pgTable, text, uuid } from 'drizzle-orm/pg-core';
import { instant } from './columns';
import { asset, customer, customerContact } from './instruments';

/** A link that opens a customer's window once. */
export const windowLink = pgTable('window_link', {
  digest: text('digest').primaryKey(),
  contactId: uuid('contact_id')
    .notNull()
    .references(() => customerContact.id, { onDelete: 'cascade' }),
  madeAt: instant('made_at').notNull(),
  until: instant('until').notNull(),
  usedAt: instant('used_at'),
});

/** Somebody who stands at a window. */
export const windowSession = pgTable('window_session', {
  digest: text('digest').primaryKey(),
  contactId: uuid('contact_id')
    .notNull()
    .references(() => customerContact.id, { onDelete: 'cascade' }),
  madeAt: instant('made_at').notNull(),
  until: instant('until').notNull(),
  endedAt: instant('ended_at'),
});

export type WindowRequestKind = 'book' | 'changeBooking' | 'cancelBooking' | 'bump' | 'stationLog' | 'fault' | 'gone';
export interface WindowAnswer {
  message?: string;
  fields?: Record<string, string>;
  id?: string;
}

/** What somebody at the window asked of the house. */
export const windowRequest = pgTable('window_request', {
  id: uuid('id').primaryKey().defaultRandom(),
  customerId: uuid('customer_id')
    .notNull()
    .references(() => customer.id),
  contactId: uuid('contact_id').references(() => customerContact.id, { onDelete: 'set null' }),
  byName: text('by_name').notNull(),
  kind: text('kind').$type<WindowRequestKind>().notNull(),
  what: jsonb('what').$type<unknown>().notNull(),
  assetId: uuid('asset_id').references(() => asset.id),
  state: text('state').$type<'waiting' | 'done' | 'refused'>().notNull().default('waiting'),
  answer: jsonb('answer').$type<WindowAnswer>(),
  madeAt: instant('made_at').notNull(),
  doneAt: instant('done_at'),
  seenAt: instant('seen_at'),
  seenBy: text('seen_by'),
});

/** A bump that a customer did. */
export const customerBump = pgTable('customer_bump', {
  id: bigint('id', { mode: 'number' }).primaryKey().generatedAlwaysAsIdentity(),
  assetId: uuid('asset_id')
    .notNull()
    .references(() => asset.id),
  customerId: uuid('customer_id')
    .notNull()
    .references(() => customer.id),
  at: instant('at').notNull(),
  byName: text('by_name').notNull(),
  passed: boolean('passed').notNull(),
  outputs: text('outputs').array().$type<string[]>().notNull(),
  note: text('note').notNull().default(''),
});
