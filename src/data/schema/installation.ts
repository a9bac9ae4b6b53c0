import { date, pgTable, text, uuid } from 'drizzle-orm/pg-core';
import { instant } from './columns';

/** That a version of this installation was tried: what, by whom, with what result. */
export const installationCheck = pgTable('installation_check', {
  id: uuid('id').primaryKey().defaultRandom(),
  software: text('software').notNull(),
  tried: text('tried').notNull(),
  result: text('result').notNull(),
  checkedBy: text('checked_by').notNull(),
  checkedOn: date('checked_on').notNull(),
  notedBy: text('noted_by').notNull(),
  notedAt: instant('noted_at').notNull(),
  withdrawnWhy: text('withdrawn_why'),
  withdrawnBy: text('withdrawn_by'),
  withdrawnAt: instant('withdrawn_at'),
});

/** What this house was read back from, where it was: ways in stayed behind then. */
export const readBack = pgTable('read_back', {
  at: instant('at').notNull().defaultNow(),
  exportedAt: instant('exported_at').notNull(),
  manifest: text('manifest').notNull(),
});
