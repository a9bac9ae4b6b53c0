import { doublePrecision, integer, pgTable, text, uuid } from 'drizzle-orm/pg-core';
import type { IntervalAdvice } from '@/core/history/advise-interval';
import { readAdvice, readFails, readLives, readModelDrift } from '@/core/stored/advice';
import { checked, instant } from './columns';
import { asset, instrumentModel } from './instruments';

/** What the sensors of a model do over time; made anew each night. */
export const modelHistory = pgTable('model_history', {
  modelId: uuid('model_id')
    .primaryKey()
    .references(() => instrumentModel.id),
  madeAt: instant('made_at').notNull(),
  /** As-found visits of three years: how many were within, of how many. */
  within: integer('within').notNull(),
  visits: integer('visits').notNull(),
  drift: checked('drift', readModelDrift).notNull(),
  lives: checked('lives', readLives).notNull(),
  fails: checked('fails', readFails).notNull(),
});

/** What is advised for an instrument; made anew each night. */
export const intervalAdvice = pgTable('interval_advice', {
  assetId: uuid('asset_id')
    .primaryKey()
    .references(() => asset.id),
  madeAt: instant('made_at').notNull(),
  way: text('way').$type<IntervalAdvice['way']>().notNull(),
  code: text('code').$type<IntervalAdvice['code']>().notNull(),
  /** How often it would be found outside at the present interval: what is worst comes first. */
  outside: doublePrecision('outside'),
  advice: checked('advice', readAdvice).notNull(),
});
