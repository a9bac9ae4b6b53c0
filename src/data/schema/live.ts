import { bigint, boolean, integer, jsonb, pgTable, text, uuid } from 'drizzle-orm/pg-core';
import type { Hello, LiveSaid } from '@/core/live/said';
import { bytea, instant } from './columns';
import { asset, customer } from './instruments';
import { mail } from './records';
import { reference, run } from './work';

export type LineKind = 'instrument' | 'tagReader' | 'barometer' | 'flowMeter' | 'thermometer' | 'hygrometer';

export const deviceLine = pgTable('device_line', {
  id: uuid('id').primaryKey().defaultRandom(),
  kind: text('kind').$type<LineKind>().notNull(),
  name: text('name').notNull(),
  host: text('host').notNull(),
  port: integer('port').notNull(),
  panelPort: integer('panel_port'),
  maker: text('maker').notNull().default(''),
  serial: text('serial').notNull().default(''),
  hello: jsonb('hello').$type<Hello>(),
  state: text('state').$type<'connected' | 'away'>().notNull().default('away'),
  reason: text('reason').notNull().default(''),
  dropped: integer('dropped').notNull().default(0),
  droppedWhy: text('dropped_why').notNull().default(''),
  seenAt: instant('seen_at'),
  /** Read by the gateway, or by a browser on its own serial port; then one screen holds it. */
  via: text('via').$type<'tcp' | 'browser'>().notNull().default('tcp'),
  holder: text('holder').notNull().default(''),
});

/** What a hand does at a simulated instrument, asked of the gateway; forgotten after a minute. */
export const panelAsk = pgTable('panel_ask', {
  id: uuid('id').primaryKey(),
  lineId: uuid('line_id')
    .notNull()
    .references(() => deviceLine.id, { onDelete: 'cascade' }),
  ask: jsonb('ask').$type<object>().notNull(),
  askedAt: instant('asked_at').notNull(),
  answer: jsonb('answer').$type<Record<string, unknown>>(),
  problem: text('problem'),
  answeredAt: instant('answered_at'),
});

export const gatewayLease = pgTable('gateway_lease', {
  name: text('name').primaryKey(),
  holder: text('holder').notNull(),
  until: instant('until').notNull(),
});

export type { LiveSaid };

/** What one line said within about a quarter of a second, in order. */
export const liveFrame = pgTable('live_frame', {
  id: bigint('id', { mode: 'number' }).primaryKey().generatedAlwaysAsIdentity(),
  lineId: uuid('line_id').notNull(),
  at: instant('at').notNull(),
  said: jsonb('said').$type<LiveSaid[]>().notNull(),
});

export const runTrace = pgTable('run_trace', {
  id: uuid('id').primaryKey(),
  runId: uuid('run_id')
    .notNull()
    .references(() => run.id),
  step: text('step').notNull(),
  lineId: uuid('line_id').notNull(),
  fromAt: instant('from_at').notNull(),
  toAt: instant('to_at').notNull(),
  frames: integer('frames').notNull(),
  bytes: bytea('bytes').notNull(),
  hash: text('hash').notNull(),
  /** As the instrument said it. */
  firmware: text('firmware').notNull().default(''),
});

export const runHand = pgTable('run_hand', {
  runId: uuid('run_id')
    .primaryKey()
    .references(() => run.id),
  screen: text('screen').notNull(),
  who: text('who').notNull(),
  until: instant('until').notNull(),
});

export const referenceCheck = pgTable('reference_check', {
  id: bigint('id', { mode: 'number' }).primaryKey().generatedAlwaysAsIdentity(),
  referenceId: uuid('reference_id')
    .notNull()
    .references(() => reference.id),
  at: instant('at').notNull(),
  by: text('by').notNull(),
  what: text('what').$type<'pressure' | 'check' | 'state' | 'made' | 'opened' | 'accepted' | 'corrected'>().notNull(),
  value: text('value').notNull().default(''),
  result: text('result').notNull().default(''),
  note: text('note').notNull().default(''),
});

export interface StationChannel {
  measurand: string;
  unit: string;
  target: string;
  before?: string;
  after?: string;
  moved: boolean;
  t90Seconds?: number;
  lot?: string;
}

export const stationEntry = pgTable('station_entry', {
  id: uuid('id').primaryKey().defaultRandom(),
  station: text('station').notNull(),
  serial: text('serial').notNull(),
  maker: text('maker').notNull(),
  kind: text('kind').$type<'bump' | 'calibration'>().notNull(),
  at: instant('at').notNull(),
  passed: boolean('passed').notNull(),
  channels: jsonb('channels').$type<StationChannel[]>().notNull(),
  /** Its bottles, up to four. */
  gases: jsonb('gases').$type<{ lot: string; expires?: string }[]>().notNull(),
  /** Days after which the station calibrates by itself, as set in it. */
  intervalDays: integer('interval_days'),
  outputs: jsonb('outputs').$type<Record<string, boolean>>().notNull(),
  assetId: uuid('asset_id')
    .notNull()
    .references(() => asset.id),
  file: text('file').notNull(),
  line: integer('line').notNull(),
  takenAt: instant('taken_at').notNull(),
  takenBy: text('taken_by').notNull(),
});

/** Which run a station's row was made into. */
export const stationRecord = pgTable('station_record', {
  entryId: uuid('entry_id')
    .primaryKey()
    .references(() => stationEntry.id),
  runId: uuid('run_id')
    .notNull()
    .references(() => run.id),
  madeBy: text('made_by').notNull(),
  madeAt: instant('made_at').notNull(),
});

export const customerNotice = pgTable('customer_notice', {
  id: uuid('id').primaryKey().defaultRandom(),
  runId: uuid('run_id')
    .notNull()
    .references(() => run.id),
  assetId: uuid('asset_id')
    .notNull()
    .references(() => asset.id),
  customerId: uuid('customer_id')
    .notNull()
    .references(() => customer.id),
  subject: text('subject').notNull(),
  body: text('body').notNull(),
  facts: jsonb('facts').$type<object>().notNull(),
  releasedAt: instant('released_at').notNull(),
  releasedBy: text('released_by').notNull(),
  mailId: uuid('mail_id').references(() => mail.id),
});
