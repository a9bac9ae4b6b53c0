import { bigint, boolean, date, integer, numeric, pgTable, text, uuid } from 'drizzle-orm/pg-core';
import type { MeasurandId } from '@/core/quantity/unit';
import type { ScopeEntry } from '@/core/uncertainty/scope';
import type { StandingDefault, StandingId } from '@/core/uncertainty/standing';
import { readSeries, readStandingSource } from '@/core/stored/house';
import { checked, instant } from './columns';

/** Standing values of budgets as the workshop set them: nothing is overwritten, the newest of a place counts. */
export const standingValue = pgTable('standing_value', {
  id: bigint('id', { mode: 'number' }).primaryKey().generatedAlwaysAsIdentity(),
  standing: text('standing').$type<StandingId>().notNull(),
  measurand: text('measurand').notNull(),
  procedure: text('procedure'),
  point: text('point'),
  value: numeric('value').notNull(),
  form: text('form').$type<StandingDefault['form']>().notNull(),
  unit: text('unit'),
  source: checked('source', readStandingSource).notNull(),
  ended: boolean('ended').notNull().default(false),
  at: instant('at').notNull(),
  by: text('by').notNull(),
});

/** Repeated readings of one point, pooled over series: where a repeatability comes from. */
export const repeatStudy = pgTable('repeat_study', {
  id: uuid('id').primaryKey(),
  procedure: text('procedure').notNull(),
  point: text('point').notNull(),
  measurand: text('measurand').notNull(),
  unit: text('unit').notNull(),
  instrument: text('instrument').notNull(),
  series: checked('series', readSeries).notNull(),
  pooledS: numeric('pooled_s').notNull(),
  dof: integer('dof').notNull(),
  n: integer('n').notNull(),
  studiedOn: date('studied_on').notNull(),
  note: text('note').notNull().default(''),
  withdrawn: text('withdrawn'),
  at: instant('at').notNull(),
  by: text('by').notNull(),
});

/** Lines of the scope that the workshop states; one that was changed ended, and another began. */
export const scopeEntry = pgTable('scope_entry', {
  id: bigint('id', { mode: 'number' }).primaryKey().generatedAlwaysAsIdentity(),
  measurand: text('measurand').$type<MeasurandId>().notNull(),
  unit: text('unit').notNull(),
  lowest: numeric('lowest').notNull(),
  highest: numeric('highest').notNull(),
  smallest: numeric('smallest').notNull(),
  form: text('form').$type<ScopeEntry['form']>().notNull(),
  at: instant('at').notNull(),
  by: text('by').notNull(),
  endedAt: instant('ended_at'),
  endedBy: text('ended_by'),
  endedWhy: text('ended_why'),
});
