import { date, pgTable, text, uuid } from 'drizzle-orm/pg-core';
import { instant } from './columns';

/** What a program may read. Closed. */
export const PROGRAM_SCOPES = ['instruments', 'due', 'documents'] as const;
export type ProgramScope = (typeof PROGRAM_SCOPES)[number];

/** A program that reads, known by a token of which only the SHA-256 is kept. */
export const programToken = pgTable('program_token', {
  id: uuid('id').primaryKey().defaultRandom(),
  name: text('name').notNull(),
  digest: text('digest').notNull(),
  scopes: text('scopes').array().$type<ProgramScope[]>().notNull(),
  madeBy: text('made_by').notNull(),
  madeAt: instant('made_at').notNull(),
  goodUntil: date('good_until').notNull(),
  endedBy: text('ended_by'),
  endedAt: instant('ended_at'),
});

/** When a token was last used; kept beside it, since it is no change of it. */
export const programUse = pgTable('program_use', {
  tokenId: uuid('token_id')
    .primaryKey()
    .references(() => programToken.id),
  lastAt: instant('last_at').notNull(),
});
