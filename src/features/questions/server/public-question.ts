import { sql } from 'drizzle-orm';
import type { QuestionAbout, QuestionState } from '@/core/stored/question';
import type { Language } from '@/core/words/say';
import type { Transaction } from '@/data/connection';

const SECRET = /^[\w-]{43}$/;

export interface PublicQuestion extends Record<string, unknown> {
  workshop: string;
  zone: string;
  customer: string;
  about: QuestionAbout;
  asked: string;
  language: Language;
  until: Date;
  state: QuestionState;
  answer: 'yes' | 'no' | null;
  answered_by: string | null;
  answered_at: Date | null;
}

/** What a link asks. Null for a link that is none. */
export async function publicQuestion(tx: Transaction, secret: string): Promise<PublicQuestion | null> {
  if (!SECRET.test(secret)) return null;
  const { rows } = await tx.execute<PublicQuestion>(sql`select * from public_question(${secret})`);
  const [row] = rows;
  return row ? { ...row, until: new Date(row.until), answered_at: row.answered_at ? new Date(row.answered_at) : null } : null;
}

/** Gives the answer, once. False where there is none to give any more. */
export async function giveAnswer(
  tx: Transaction,
  secret: string,
  { answer, name, remark }: { answer: 'yes' | 'no'; name: string; remark: string },
): Promise<boolean> {
  if (!SECRET.test(secret)) return false;
  const { rows } = await tx.execute<{ done: boolean }>(
    sql`select answer_question(${secret}, ${answer}, ${name}, ${remark}) as done`,
  );
  return rows[0]?.done ?? false;
}
