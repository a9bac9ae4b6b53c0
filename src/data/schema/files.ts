import { pgTable, text, uuid } from 'drizzle-orm/pg-core';
import { bytea, instant } from './columns';

/** What a file can belong to. Closed. */
export const FILE_SUBJECTS = ['asset', 'ticket', 'reference', 'customer', 'model'] as const;
export type FileSubject = (typeof FILE_SUBJECTS)[number];
export type FileMime = 'image/jpeg' | 'image/png' | 'application/pdf';

/** A photo or a paper beside what it belongs to. */
export const keptFile = pgTable('kept_file', {
  id: uuid('id').primaryKey().defaultRandom(),
  about: text('about').$type<FileSubject>().notNull(),
  aboutId: uuid('about_id').notNull(),
  name: text('name').notNull(),
  mime: text('mime').$type<FileMime>().notNull(),
  hash: text('hash').notNull(),
  bytes: bytea('bytes').notNull(),
  keptBy: text('kept_by').notNull(),
  keptAt: instant('kept_at').notNull(),
  takenAwayWhy: text('taken_away_why'),
  takenAwayBy: text('taken_away_by'),
  takenAwayAt: instant('taken_away_at'),
});
