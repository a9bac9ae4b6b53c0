import { date, integer, pgTable, primaryKey, text } from 'drizzle-orm/pg-core';
import { readOwnProcedure } from '@/core/stored/own-procedure';
import { readWalked } from '@/core/stored/walked';
import { checked, instant } from './columns';

/** A procedure of the workshop's own: what is worked on, and what it was copied from. */
export const ownProcedure = pgTable('own_procedure', {
  id: text('id').primaryKey(),
  title: text('title').notNull(),
  draft: checked('draft', readOwnProcedure),
  rowVersion: integer('row_version').notNull().default(1),
  basedOn: text('based_on'),
  basedDocument: checked('based_document', readOwnProcedure),
  walk: checked('walk', readWalked),
  createdBy: text('created_by').notNull(),
  createdAt: instant('created_at').notNull(),
  retiredAt: instant('retired_at'),
  retiredWhy: text('retired_why').notNull().default(''),
});

/** A version as it was released, with the record of its validation (ISO/IEC 17025:2017, 7.2.2.4). It stays as it is. */
export const ownProcedureVersion = pgTable(
  'own_procedure_version',
  {
    procedureId: text('procedure_id')
      .notNull()
      .references(() => ownProcedure.id),
    version: integer('version').notNull(),
    document: checked('document', readOwnProcedure).notNull(),
    hash: text('hash').notNull(),
    note: text('note').notNull(),
    tried: text('tried').notNull(),
    result: text('result').notNull(),
    validatedOn: date('validated_on').notNull(),
    validatedBy: text('validated_by').notNull(),
    ways: integer('ways').notNull(),
    releasedBy: text('released_by').notNull(),
    releasedAt: instant('released_at').notNull(),
  },
  (table) => [primaryKey({ columns: [table.procedureId, table.version] })],
);

/** A version that no run may be begun by any more, shipped or own; lifted where it was a mistake. */
export const procedureRecall = pgTable(
  'procedure_recall',
  {
    procedureId: text('procedure_id').notNull(),
    version: integer('version').notNull(),
    why: text('why').notNull(),
    recalledBy: text('recalled_by').notNull(),
    recalledAt: instant('recalled_at').notNull(),
    liftedWhy: text('lifted_why').notNull().default(''),
    liftedBy: text('lifted_by'),
    liftedAt: instant('lifted_at'),
  },
  (table) => [primaryKey({ columns: [table.procedureId, table.version, table.recalledAt] })],
);
