import { desc } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { repeatStudy } from '@/data/schema';

/** Repeat studies, newest first. */
export const listStudies = (tx: Transaction) =>
  tx.select().from(repeatStudy).orderBy(desc(repeatStudy.studiedOn), desc(repeatStudy.at)).limit(100);
