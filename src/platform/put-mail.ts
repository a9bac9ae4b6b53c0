import { randomUUID } from 'node:crypto';
import { sql } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { enqueue } from './jobs';

export interface Letter {
  id?: string;
  customerId: string;
  recipient: string;
  subject: string;
  body: string;
  /** Goes along as a PDF. */
  attachedCertificate?: string;
  /** The customer's word by which no more such mails come. */
  unsubscribe?: string;
  /** Goes by post: it waits to be printed. */
  onPaper?: boolean;
}

/** Mails a statement: some megabytes. */
const BATCH = 2000;

/** Puts mails into the outbox and leaves their sending to the jobs process, in the caller's transaction. `kind` and `host` make the Message-ID, which never changes. Gives back their ids. */
export async function putMails(
  tx: Transaction,
  letters: Letter[],
  { now, kind, host }: { now: Date; kind: string; host: string },
): Promise<string[]> {
  const rows = letters.map((letter) => {
    const id = letter.id ?? randomUUID();
    return { ...letter, id, messageId: `<${kind}-${id}@${host}>` };
  });
  for (let at = 0; at < rows.length; at += BATCH)
    await tx.execute(sql`
      insert into mail (id, customer_id, recipient, subject, body, message_id, created_at, attached_certificate, unsubscribe, state)
      select id, "customerId", recipient, subject, body, "messageId", ${now.toISOString()}::timestamptz, "attachedCertificate", unsubscribe, case when "onPaper" then 'toPrint' else 'queued' end
      from json_to_recordset(${JSON.stringify(rows.slice(at, at + BATCH))}::json)
        as given (id uuid, "customerId" uuid, recipient text, subject text, body text, "messageId" text, "attachedCertificate" uuid, unsubscribe text, "onPaper" boolean)`);
  if (rows.length > 0) await enqueue(tx, 'mail', {}, outboxJob);
  return rows.map((row) => row.id);
}

/** The job that sends what waits: one, however many mails there are. */
export const outboxJob = { key: 'outbox' };

/** The host that a sender's address names. */
export const hostOf = (mailFrom: string): string => mailFrom.split('@')[1] ?? 'localhost';
