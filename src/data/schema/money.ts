import { bigint, integer, numeric, pgTable, text, uuid } from 'drizzle-orm/pg-core';
import type { ServiceId } from '@/core/instrument/service';
import type { PositionKind } from '@/core/money/position';
import { readPositions } from '@/core/stored/positions';
import { checked, instant } from './columns';
import { mail } from './records';
import { ticket } from './work';

/** What a service or a part costs here. */
export const price = pgTable('price', {
  id: uuid('id').primaryKey().defaultRandom(),
  what: text('what').$type<PositionKind>().notNull(),
  service: text('service').$type<ServiceId>(),
  name: text('name').notNull(),
  partNumber: text('part_number').notNull().default(''),
  amount: numeric('amount', { precision: 12, scale: 2 }).notNull(),
  version: integer('version').notNull().default(1),
  endedAt: instant('ended_at'),
  endedWhy: text('ended_why').notNull().default(''),
});

export type OfferAnswer = 'accepted' | 'declined' | 'withdrawn';

/** What was found, what mending it costs, and what the customer said to it. */
export const offer = pgTable('offer', {
  id: uuid('id').primaryKey().defaultRandom(),
  ticketId: uuid('ticket_id')
    .notNull()
    .references(() => ticket.id),
  number: text('number').notNull(),
  finding: text('finding').notNull(),
  positions: checked('positions', readPositions).notNull(),
  currency: text('currency').notNull(),
  total: numeric('total', { precision: 12, scale: 2 }).notNull(),
  madeBy: text('made_by').notNull(),
  madeAt: instant('made_at').notNull(),
  answer: text('answer').$type<OfferAnswer>(),
  answeredBy: text('answered_by'),
  answeredHow: text('answered_how').notNull().default(''),
  notedBy: text('noted_by'),
  answeredAt: instant('answered_at'),
  /** The mail with which it went out last. */
  mailId: uuid('mail_id').references(() => mail.id),
});

/** A line of a job: what stands on the delivery note and goes to whoever writes the invoices. */
export const jobPosition = pgTable('job_position', {
  id: uuid('id').primaryKey().defaultRandom(),
  ticketId: uuid('ticket_id')
    .notNull()
    .references(() => ticket.id),
  what: text('what').$type<PositionKind>().notNull(),
  name: text('name').notNull(),
  partNumber: text('part_number').notNull().default(''),
  quantity: numeric('quantity', { precision: 9, scale: 2 }).notNull(),
  each: numeric('each', { precision: 12, scale: 2 }).notNull(),
  currency: text('currency').notNull(),
  offerId: uuid('offer_id').references(() => offer.id),
  notedBy: text('noted_by').notNull(),
  notedAt: instant('noted_at').notNull(),
  struckWhy: text('struck_why'),
  struckBy: text('struck_by'),
  struckAt: instant('struck_at'),
  ord: bigint('ord', { mode: 'number' }).notNull().generatedAlwaysAsIdentity(),
});
