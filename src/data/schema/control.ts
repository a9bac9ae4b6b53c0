import { bigint, date, numeric, pgTable, text, uuid } from 'drizzle-orm/pg-core';
import type { ChartKind } from '@/core/control/chart-kind';
import type { ControlRule } from '@/core/control/out-of-control';
import { instant } from './columns';
import { reference } from './work';

/** A control chart: what is read again and again, so that a drift of our own shows before a customer finds it. */
export const controlChart = pgTable('control_chart', {
  id: uuid('id').primaryKey().defaultRandom(),
  name: text('name').notNull(),
  kind: text('kind').$type<ChartKind>().notNull(),
  unit: text('unit').notNull(),
  resolution: numeric('resolution').notNull(),
  how: text('how').notNull().default(''),
  /** What it watches: out of control, it is out of use until explained. */
  referenceId: uuid('reference_id').references(() => reference.id),
  /** The point from which limits are counted; the first where nobody said otherwise. */
  limitsFrom: bigint('limits_from', { mode: 'number' }),
  madeAt: instant('made_at').notNull(),
  madeBy: text('made_by').notNull(),
  endedAt: instant('ended_at'),
  endedBy: text('ended_by'),
  endedWhy: text('ended_why'),
});

export const controlPoint = pgTable('control_point', {
  id: bigint('id', { mode: 'number' }).primaryKey().generatedAlwaysAsIdentity(),
  chartId: uuid('chart_id')
    .notNull()
    .references(() => controlChart.id),
  at: instant('at').notNull(),
  value: numeric('value').notNull(),
  /** As it was read. */
  text: text('text').notNull(),
  by: text('by').notNull(),
  note: text('note').notNull().default(''),
  /** The rule that it broke when it came. */
  rule: text('rule').$type<ControlRule>(),
  explained: text('explained'),
  explainedAt: instant('explained_at'),
  explainedBy: text('explained_by'),
  struckAt: instant('struck_at'),
  struckBy: text('struck_by'),
  struckWhy: text('struck_why'),
});

/** A comparison with another laboratory. */
export const comparison = pgTable('comparison', {
  id: uuid('id').primaryKey().defaultRandom(),
  onDay: date('on_day').notNull(),
  withWhom: text('with_whom').notNull(),
  what: text('what').notNull(),
  unit: text('unit').notNull(),
  value: numeric('value').notNull(),
  expanded: numeric('expanded').notNull(),
  reference: numeric('reference').notNull(),
  referenceExpanded: numeric('reference_expanded').notNull(),
  note: text('note').notNull().default(''),
  madeAt: instant('made_at').notNull(),
  madeBy: text('made_by').notNull(),
  struckAt: instant('struck_at'),
  struckBy: text('struck_by'),
  struckWhy: text('struck_why'),
});
