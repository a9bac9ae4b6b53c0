import { pgTable, text, uuid } from 'drizzle-orm/pg-core';
import type { QuestionAbout } from '@/core/stored/question';
import type { Language } from '@/core/words/registry';
import { instant } from './columns';
import { customer } from './instruments';
import { mail } from './records';

/** What a customer is asked by mail and answers by a link. The answer is written by the database alone, once. */
export const customerQuestion = pgTable('customer_question', {
  id: uuid('id').primaryKey().defaultRandom(),
  customerId: uuid('customer_id')
    .notNull()
    .references(() => customer.id),
  about: text('about').$type<QuestionAbout>().notNull(),
  /** The offer, tolerance or notice that it is about. */
  subjectId: uuid('subject_id'),
  asked: text('asked').notNull(),
  language: text('language').$type<Language>().notNull(),
  digest: text('digest').notNull(),
  mailId: uuid('mail_id').references(() => mail.id),
  askedAt: instant('asked_at').notNull(),
  askedBy: text('asked_by').notNull(),
  until: instant('until').notNull(),
  withdrawnAt: instant('withdrawn_at'),
  withdrawnBy: text('withdrawn_by'),
  answer: text('answer').$type<'yes' | 'no'>(),
  answeredBy: text('answered_by'),
  remark: text('remark').notNull().default(''),
  answeredAt: instant('answered_at'),
  /** When the house had acted by it; what hindered it. */
  doneAt: instant('done_at'),
  problem: text('problem'),
});
