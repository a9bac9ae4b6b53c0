import { date, integer, jsonb, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import type { VerdictState } from '@/core/record/judgement';
import type { JudgedAnew } from '@/core/results/judge-anew';
import { readDoubts } from '@/core/stored/doubts';
import { checked, instant } from './columns';
import { mail } from './records';
import { nonconformity } from './register';
import { reference, run } from './work';

/** What a run used, written by the database with the event that says so. */
export const runReference = pgTable(
  'run_reference',
  {
    referenceId: uuid('reference_id')
      .notNull()
      .references(() => reference.id),
    runId: uuid('run_id')
      .notNull()
      .references(() => run.id),
    at: instant('at').notNull(),
  },
  (table) => [primaryKey({ columns: [table.referenceId, table.runId] })],
);

/** A reference that is suspected. */
export const suspicion = pgTable('suspicion', {
  id: uuid('id').primaryKey().defaultRandom(),
  referenceId: uuid('reference_id')
    .notNull()
    .references(() => reference.id),
  nonconformityId: uuid('nonconformity_id')
    .notNull()
    .references(() => nonconformity.id),
  why: text('why').notNull(),
  doubts: checked('doubts', readDoubts).notNull(),
  fromDay: date('from_day'),
  toDay: date('to_day'),
  /** What the customers are told before the list of their instruments. */
  said: text('said').notNull().default(''),
  openedAt: instant('opened_at').notNull(),
  openedBy: text('opened_by').notNull(),
  runs: integer('runs').notNull(),
  judged: integer('judged').notNull().default(0),
  /** The last run that was judged: after a kill it goes on from there. */
  reached: uuid('reached'),
  judgedAt: instant('judged_at'),
  problem: text('problem'),
  ending: text('ending').$type<'released' | 'unfounded'>(),
  endedAt: instant('ended_at'),
  endedBy: text('ended_by'),
});

export type RecallDecision = 'withdraw' | 'tell' | 'keep';

/** A run that rests on it, judged anew, and what becomes of its document. */
export const suspicionResult = pgTable(
  'suspicion_result',
  {
    suspicionId: uuid('suspicion_id')
      .notNull()
      .references(() => suspicion.id),
    runId: uuid('run_id')
      .notNull()
      .references(() => run.id),
    results: jsonb('results').$type<JudgedAnew[]>().notNull(),
    foundWas: text('found_was').$type<VerdictState>().notNull(),
    foundWould: text('found_would').$type<VerdictState>().notNull(),
    leftWas: text('left_was').$type<VerdictState>().notNull(),
    leftWould: text('left_would').$type<VerdictState>().notNull(),
    decision: text('decision').$type<RecallDecision>().notNull(),
    decidedBy: text('decided_by'),
    mailId: uuid('mail_id').references(() => mail.id),
  },
  (table) => [primaryKey({ columns: [table.suspicionId, table.runId] })],
);
