import type { Language } from '@/core/words/say';
import { sql } from 'drizzle-orm';
import { boolean, date, integer, pgTable, primaryKey, smallint, text, uuid } from 'drizzle-orm/pg-core';
import { readSamples } from '@/core/instrument/samples';
import type { StatusId } from '@/core/results/instrument-status';
import { readTraits } from '@/core/instrument/traits';
import type { PolicyScope } from '@/core/interval/policy';
import type { RunChannel, RunItem } from '@/core/record/event';
import { readAlarms, readModelChannels, readScale, readTolerance, readWaterTerms } from '@/core/stored/channel';
import { readEvery, readFailed, readMoved, type ContactPurpose } from '@/core/stored/house';
import { readDueBasis } from '@/core/stored/due-basis';
import type { DecisionRule } from '@/core/uncertainty/decide';
import { checked, instant } from './columns';

export const customer = pgTable('customer', {
  id: uuid('id').primaryKey().defaultRandom(),
  name: text('name').notNull(),
  address: text('address').notNull().default(''),
  contact: text('contact').notNull().default(''),
  email: text('email').notNull().default(''),
  wantsReminders: boolean('wants_reminders').notNull().default(true),
  agreesDue: boolean('agrees_due').notNull().default(false),
  /** With which its instruments are judged unless a receipt says otherwise. */
  rule: text('rule').$type<DecisionRule>().notNull().default('simple'),
  annexBudgets: boolean('annex_budgets').notNull().default(false),
  annexTraces: boolean('annex_traces').notNull().default(false),
  /** By mail, when they are approved. */
  /** Whoever has it may end the reminders. */
  unsubscribeToken: text('unsubscribe_token')
    .notNull()
    .default(sql`encode(gen_random_bytes(18), 'hex')`),
  wantsCertificates: boolean('wants_certificates').notNull().default(true),
  /** Reminded of a bump test so many days after the last; null where nobody wishes it. */
  bumpEveryDays: integer('bump_every_days'),
  /** Of documents, mails and letters. */
  language: text('language').$type<Language>().notNull().default('en'),
  phone: text('phone').notNull().default(''),
  notes: text('notes').notNull().default(''),
  /** Corrections so far and one. */
  version: integer('version').notNull().default(1),
  retiredAt: instant('retired_at'),
  retiredWhy: text('retired_why').notNull().default(''),
  mergedInto: uuid('merged_into'),
  createdAt: instant('created_at').notNull(),
});

export const customerContact = pgTable('customer_contact', {
  id: uuid('id').primaryKey().defaultRandom(),
  customerId: uuid('customer_id')
    .notNull()
    .references(() => customer.id),
  name: text('name').notNull(),
  email: text('email').notNull().default(''),
  phone: text('phone').notNull().default(''),
  purposes: text('purposes').array().$type<ContactPurpose[]>().notNull(),
  createdAt: instant('created_at').notNull(),
});

/** Where a customer has instruments. */
export const customerSite = pgTable('customer_site', {
  id: uuid('id').primaryKey().defaultRandom(),
  customerId: uuid('customer_id')
    .notNull()
    .references(() => customer.id),
  name: text('name').notNull(),
  address: text('address').notNull().default(''),
  endedAt: instant('ended_at'),
  createdAt: instant('created_at').notNull(),
});

export const customerMerge = pgTable('customer_merge', {
  id: uuid('id').primaryKey().defaultRandom(),
  gone: uuid('gone')
    .notNull()
    .references(() => customer.id),
  stays: uuid('stays')
    .notNull()
    .references(() => customer.id),
  moved: checked('moved', readMoved).notNull(),
  mergedAt: instant('merged_at').notNull(),
  mergedBy: text('merged_by').notNull(),
  why: text('why').notNull().default(''),
  undoneAt: instant('undone_at'),
  undoneBy: text('undone_by'),
});

export type { ModelChannel } from '@/core/stored/channel';

export const instrumentModel = pgTable('instrument_model', {
  id: uuid('id').primaryKey().defaultRandom(),
  maker: text('maker').notNull(),
  name: text('name').notNull(),
  kind: text('kind').notNull(),
  procedureId: text('procedure_id'),
  traits: checked('traits', readTraits).notNull().default({}),
  channels: checked('channels', readModelChannels).notNull().default([]),
  notes: text('notes').notNull().default(''),
  /** Changes so far and one. */
  version: integer('version').notNull().default(1),
  retiredAt: instant('retired_at'),
  retiredWhy: text('retired_why').notNull().default(''),
});

/** A tolerance of one channel of a model that was agreed with a customer: it stands before the model's and the instrument's own. */
export const customerTolerance = pgTable('customer_tolerance', {
  id: uuid('id').primaryKey().defaultRandom(),
  customerId: uuid('customer_id')
    .notNull()
    .references(() => customer.id),
  modelId: uuid('model_id')
    .notNull()
    .references(() => instrumentModel.id),
  role: text('role').notNull(),
  tolerance: checked('tolerance', readTolerance).notNull(),
  agreedOn: date('agreed_on').notNull(),
  agreedWith: text('agreed_with').notNull(),
  madeBy: text('made_by').notNull(),
  madeAt: instant('made_at').notNull(),
  endedAt: instant('ended_at'),
  endedBy: text('ended_by'),
});

export type { DueBasis } from '@/core/stored/due-basis';

export const asset = pgTable('asset', {
  id: uuid('id').primaryKey().defaultRandom(),
  customerId: uuid('customer_id')
    .notNull()
    .references(() => customer.id),
  modelId: uuid('model_id')
    .notNull()
    .references(() => instrumentModel.id),
  /** Where the customer has it. */
  siteId: uuid('site_id'),
  maker: text('maker').notNull(),
  serial: text('serial').notNull(),
  tag: text('tag').notNull().default(''),
  status: text('status').$type<StatusId>().notNull().default('inUse'),
  statusSince: instant('status_since'),
  statusWhy: text('status_why').notNull().default(''),
  statusBy: text('status_by').notNull().default(''),
  statusFailed: checked('status_failed', readFailed),
  nextDue: date('next_due'),
  dueBasis: checked('due_basis', readDueBasis),
  samples: checked('samples', readSamples),
  part: text('part').$type<RunItem['part']>().notNull().default('body'),
  readyUntil: date('ready_until'),
  bumpedAt: instant('bumped_at'),
  bumpPassed: boolean('bump_passed'),
  /** The workshop lends it to customers. */
  forLoan: boolean('for_loan').notNull().default(false),
  createdAt: instant('created_at').notNull(),
});

/** What an instrument's own counter of uses showed on a day. */
export const assetUse = pgTable(
  'asset_use',
  {
    assetId: uuid('asset_id')
      .notNull()
      .references(() => asset.id),
    readOn: date('read_on').notNull(),
    count: integer('count').notNull(),
    readBy: text('read_by').notNull(),
    notedAt: instant('noted_at').notNull(),
  },
  (table) => [primaryKey({ columns: [table.assetId, table.readOn] })],
);

export const assetChannel = pgTable('asset_channel', {
  id: uuid('id').primaryKey().defaultRandom(),
  assetId: uuid('asset_id')
    .notNull()
    .references(() => asset.id),
  position: smallint('position').notNull(),
  role: text('role').notNull(),
  label: text('label').notNull(),
  measurand: text('measurand').notNull(),
  unit: text('unit').notNull(),
  resolution: text('resolution').notNull(),
  lowest: text('lowest').notNull(),
  highest: text('highest').notNull(),
  tolerance: checked('tolerance', readTolerance).notNull(),
  calibrationGas: text('calibration_gas'),
  sensorSerial: text('sensor_serial'),
  installedOn: date('installed_on'),
  warrantyUntil: date('warranty_until'),
  principle: text('principle'),
  cleanAir: text('clean_air'),
  scale: checked('scale', readScale),
  water: checked('water', readWaterTerms),
  alarms: checked('alarms', readAlarms),
  status: text('status').$type<RunChannel['status']>().notNull().default('fitted'),
});

/** How a step goes on a model, every version of it; an empty text ends it. */
export const modelKey = pgTable('model_key', {
  id: uuid('id').primaryKey().defaultRandom(),
  modelId: uuid('model_id')
    .notNull()
    .references(() => instrumentModel.id),
  procedureId: text('procedure_id').notNull(),
  step: text('step').notNull(),
  version: integer('version').notNull(),
  text: text('text').notNull(),
  /** Code or password: shown only to those who work at the bench. */
  secret: text('secret').notNull().default(''),
  writtenBy: text('written_by').notNull(),
  writtenAt: instant('written_at').notNull(),
});

export const intervalPolicy = pgTable('interval_policy', {
  id: uuid('id').primaryKey().defaultRandom(),
  scope: text('scope').$type<PolicyScope>().notNull(),
  assetId: uuid('asset_id').references(() => asset.id),
  customerId: uuid('customer_id').references(() => customer.id),
  modelId: uuid('model_id').references(() => instrumentModel.id),
  every: checked('every', readEvery).notNull(),
  reason: text('reason').notNull().default(''),
});
