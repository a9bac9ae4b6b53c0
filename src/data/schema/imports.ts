import { integer, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import { readCells, readDecisions, readGiven, readMapping, readProblems } from '@/core/stored/import';
import { checked, instant } from './columns';

export type ImportState = 'filling' | 'staged' | 'judged' | 'taking' | 'taken' | 'takenBack' | 'dropped';
export type ImportVerdict = 'new' | 'there' | 'ask' | 'bad';

/** A table that people had, with what became of it. */
export const importBatch = pgTable('import_batch', {
  id: uuid('id').primaryKey(),
  kind: text('kind').$type<'customers' | 'instruments' | 'bottles'>().notNull(),
  fileName: text('file_name').notNull(),
  columns: text('columns').array().notNull(),
  mapping: checked('mapping', readMapping).notNull().default({}),
  decisions: checked('decisions', readDecisions).notNull().default({}),
  state: text('state').$type<ImportState>().notNull().default('filling'),
  rows: integer('rows').notNull().default(0),
  by: text('by').notNull(),
  at: instant('at').notNull(),
  takenBy: text('taken_by'),
  takenAt: instant('taken_at'),
  takenBackBy: text('taken_back_by'),
  takenBackAt: instant('taken_back_at'),
  /** Why it could not be taken in, when it was left to be. */
  problem: text('problem').notNull().default(''),
});

export const importRow = pgTable(
  'import_row',
  {
    batchId: uuid('batch_id')
      .notNull()
      .references(() => importBatch.id),
    line: integer('line').notNull(),
    cells: checked('cells', readCells).notNull(),
    given: checked('given', readGiven),
    problems: checked('problems', readProblems).notNull().default([]),
    verdict: text('verdict').$type<ImportVerdict>(),
    customerId: uuid('customer_id'),
    modelId: uuid('model_id'),
    madeCustomer: uuid('made_customer'),
    madeAsset: uuid('made_asset'),
    madeReference: uuid('made_reference'),
  },
  (table) => [primaryKey({ columns: [table.batchId, table.line] })],
);
