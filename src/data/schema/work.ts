import type { ServiceId } from '@/core/instrument/service';
import { bigint, boolean, date, integer, jsonb, numeric, pgTable, primaryKey, smallint, text, uuid } from 'drizzle-orm/pg-core';
import type { MeasurandId } from '@/core/quantity/unit';
import type { Verdict } from '@/core/results/judged';
import { readProcedure } from '@/core/stored/procedure';
import type { Actor, EventSource, EventType } from '@/core/record/event';
import type { VerdictState } from '@/core/record/judgement';
import type { ReferenceSnapshot } from '@/core/record/reference-snapshot';
import type { EquipmentRole } from '@/core/procedure/equipment-role';
import type { RunStatus } from '@/core/record/state';
import type { DecisionRule } from '@/core/uncertainty/decide';
import { readInspection } from '@/core/stored/house';
import { readAcceptance, readComponents, readEquipmentDetail } from '@/core/stored/reference';
import { checked, instant } from './columns';
import { asset, customer } from './instruments';

export const receipt = pgTable('receipt', {
  id: uuid('id').primaryKey().defaultRandom(),
  number: text('number').notNull(),
  customerId: uuid('customer_id')
    .notNull()
    .references(() => customer.id),
  contact: text('contact').notNull().default(''),
  receivedAt: instant('received_at').notNull(),
  receivedBy: text('received_by').notNull(),
  note: text('note').notNull().default(''),
});

export type TicketStatus = 'inTray' | 'onBench' | 'toApprove' | 'toReturn' | 'returned';
export type TicketEnd = 'cancelled' | 'uncalibrated';
export type { Inspection } from '@/core/stored/house';

export const ticket = pgTable('ticket', {
  id: uuid('id').primaryKey().defaultRandom(),
  receiptId: uuid('receipt_id')
    .notNull()
    .references(() => receipt.id),
  customerId: uuid('customer_id')
    .notNull()
    .references(() => customer.id),
  assetId: uuid('asset_id')
    .notNull()
    .references(() => asset.id),
  code: text('code').notNull(),
  service: text('service').$type<ServiceId>().notNull(),
  promiseOn: date('promise_on'),
  dueAgreed: boolean('due_agreed').notNull().default(false),
  rule: text('rule').$type<DecisionRule>().notNull().default('simple'),
  inspection: checked('inspection', readInspection).notNull().default({}),
  note: text('note').notNull().default(''),
  status: text('status').$type<TicketStatus>().notNull().default('inTray'),
  place: smallint('place'),
  placedAt: instant('placed_at'),
  runId: uuid('run_id'),
  createdAt: instant('created_at').notNull(),
  returnedAt: instant('returned_at'),
  /** Where it ended without a calibration. */
  ended: text('ended').$type<TicketEnd>(),
  endedWhy: text('ended_why').notNull().default(''),
  endedBy: text('ended_by').notNull().default(''),
  endedNumber: text('ended_number'),
});

export const reference = pgTable('reference', {
  id: uuid('id').primaryKey().defaultRandom(),
  kind: text('kind').$type<ReferenceSnapshot['kind']>().notNull(),
  name: text('name').notNull(),
  maker: text('maker').notNull().default(''),
  lot: text('lot').notNull(),
  partNumber: text('part_number').notNull().default(''),
  fitting: text('fitting').notNull().default(''),
  components: checked('components', readComponents).notNull(),
  balance: text('balance'),
  expires: date('expires'),
  certificate: text('certificate'),
  traceability: text('traceability'),
  issuer: text('issuer'),
  /** Checked before its first use or after it came back (6.4.4): who, when, and how. */
  accepted: checked('accepted', readAcceptance),
  waterVolumeL: text('water_volume_l'),
  pressureBar: text('pressure_bar'),
  price: text('price'),
  recalled: text('recalled'),
  role: text('role').$type<EquipmentRole>().notNull().default(''),
  detail: checked('detail', readEquipmentDetail).notNull().default({}),
  state: text('state').$type<'good' | 'spent' | 'outOfUse'>().notNull().default('good'),
  openedOn: date('opened_on'),
  createdAt: instant('created_at').notNull(),
});

/** What was drawn of a bottle in all, and since its gauge was last read; kept by the database with each booking. */
export const referenceTotal = pgTable('reference_total', {
  referenceId: uuid('reference_id')
    .primaryKey()
    .references(() => reference.id),
  litres: numeric('litres').notNull().default('0'),
  sinceGauge: numeric('since_gauge').notNull().default('0'),
  gaugeAt: instant('gauge_at'),
});

export const referenceBooking = pgTable('reference_booking', {
  id: bigint('id', { mode: 'number' }).primaryKey().generatedAlwaysAsIdentity(),
  referenceId: uuid('reference_id')
    .notNull()
    .references(() => reference.id),
  runId: uuid('run_id').notNull(),
  seq: integer('seq').notNull(),
  litres: numeric('litres', { precision: 10, scale: 3 }).notNull(),
  at: instant('at').notNull(),
  by: text('by').notNull(),
});

export const procedureVersion = pgTable(
  'procedure_version',
  {
    id: text('id').notNull(),
    version: integer('version').notNull(),
    document: checked('document', readProcedure).notNull(),
    hash: text('hash').notNull(),
    frozenAt: instant('frozen_at').notNull(),
  },
  (table) => [primaryKey({ columns: [table.id, table.version] })],
);

export const run = pgTable('run', {
  id: uuid('id').primaryKey(),
  ticketId: uuid('ticket_id').references(() => ticket.id),
  assetId: uuid('asset_id')
    .notNull()
    .references(() => asset.id),
  customerId: uuid('customer_id')
    .notNull()
    .references(() => customer.id),
  procedureId: text('procedure_id').notNull(),
  procedureVersion: integer('procedure_version').notNull(),
  createdAt: instant('created_at').notNull(),
});

export const runEvent = pgTable(
  'run_event',
  {
    runId: uuid('run_id')
      .notNull()
      .references(() => run.id),
    seq: integer('seq').notNull(),
    version: smallint('version').notNull(),
    type: text('type').$type<EventType>().notNull(),
    command: text('command').notNull(),
    occurredAt: instant('occurred_at').notNull(),
    recordedAt: instant('recorded_at').notNull(),
    actor: jsonb('actor').$type<Actor>().notNull(),
    source: text('source').$type<EventSource>().notNull(),
    step: text('step'),
    iteration: smallint('iteration'),
    data: jsonb('data').$type<object>().notNull(),
    previousHash: text('previous_hash').notNull(),
    hash: text('hash').notNull(),
    /** The order in which events came, over all runs. */
    ord: bigint('ord', { mode: 'number' }).notNull().generatedAlwaysAsIdentity(),
  },
  (table) => [primaryKey({ columns: [table.runId, table.seq] })],
);

export const runCommand = pgTable(
  'run_command',
  {
    runId: uuid('run_id')
      .notNull()
      .references(() => run.id),
    command: text('command').notNull(),
    firstSeq: integer('first_seq').notNull(),
    lastSeq: integer('last_seq').notNull(),
    reply: jsonb('reply').$type<object>().notNull(),
    at: instant('at').notNull(),
  },
  (table) => [primaryKey({ columns: [table.runId, table.command] })],
);

export const runSummary = pgTable('run_summary', {
  runId: uuid('run_id')
    .primaryKey()
    .references(() => run.id),
  assetId: uuid('asset_id')
    .notNull()
    .references(() => asset.id),
  customerId: uuid('customer_id')
    .notNull()
    .references(() => customer.id),
  lastSeq: integer('last_seq').notNull(),
  status: text('status').$type<RunStatus>().notNull(),
  asFound: text('as_found').$type<VerdictState>().notNull(),
  asLeft: text('as_left').$type<VerdictState>().notNull(),
  adjusted: boolean('adjusted').notNull(),
  practice: boolean('practice').notNull(),
  startedAt: instant('started_at').notNull(),
  finishedAt: instant('finished_at'),
  approvedAt: instant('approved_at'),
  technician: text('technician').notNull(),
  /** What comes next, while it is open. */
  next: jsonb('next').$type<{ title: string; waitsUntil: string | null; gasSince: string | null }>(),
});

export const channelResult = pgTable(
  'channel_result',
  {
    runId: uuid('run_id')
      .notNull()
      .references(() => run.id),
    channel: text('channel').notNull(),
    point: text('point').notNull(),
    assetId: uuid('asset_id')
      .notNull()
      .references(() => asset.id),
    label: text('label').notNull(),
    unit: text('unit').notNull(),
    measurand: text('measurand').$type<MeasurandId | ''>().notNull().default(''),
    foundText: text('found_text'),
    foundReference: numeric('found_reference'),
    foundDeviation: numeric('found_deviation'),
    foundLimit: numeric('found_limit'),
    foundExpanded: numeric('found_expanded'),
    foundK: numeric('found_k'),
    foundState: text('found_state').$type<Verdict>(),
    leftText: text('left_text'),
    leftReference: numeric('left_reference'),
    leftDeviation: numeric('left_deviation'),
    leftLimit: numeric('left_limit'),
    leftExpanded: numeric('left_expanded'),
    leftK: numeric('left_k'),
    leftState: text('left_state').$type<Verdict>(),
    adjusted: boolean('adjusted').notNull(),
    at: instant('at').notNull(),
  },
  (table) => [primaryKey({ columns: [table.runId, table.channel, table.point] })],
);
