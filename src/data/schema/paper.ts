import { pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import { bytea, instant } from './columns';
import { run } from './work';

export type PhotoMime = 'image/jpeg' | 'image/png';

export const runPhoto = pgTable(
  'run_photo',
  {
    runId: uuid('run_id')
      .notNull()
      .references(() => run.id),
    hash: text('hash').notNull(),
    mime: text('mime').$type<PhotoMime>().notNull(),
    bytes: bytea('bytes').notNull(),
    takenBy: text('taken_by').notNull(),
    keptAt: instant('kept_at').notNull(),
  },
  (table) => [primaryKey({ columns: [table.runId, table.hash] })],
);
