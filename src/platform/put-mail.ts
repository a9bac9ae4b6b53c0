import { randomUUID } from 'node:crypto';
import type { Transaction } from '@/data/connection';
import { mail } from '@/data/schema';
import { enqueueMany } from './jobs';

export interface Letter {
  id?: string;
  customerId: string;
  recipient: string;
  subject: string;
  body: string;
}

/** How many at once: PostgreSQL takes 65,535 values a statement. */
const BATCH = 2000;

/** Puts mails into the outbox and leaves their sending to the jobs process, in the caller's transaction. `kind` and `host` make the Message-ID, which never changes. Gives back their ids. */
export async function putMails(
  tx: Transaction,
  letters: Letter[],
  { now, kind, host }: { now: Date; kind: string; host: string },
): Promise<string[]> {
  const rows = letters.map((letter) => {
    const id = letter.id ?? randomUUID();
    return { ...letter, id, messageId: `<${kind}-${id}@${host}>`, createdAt: now };
  });
  for (let at = 0; at < rows.length; at += BATCH) {
    const part = rows.slice(at, at + BATCH);
    await tx.insert(mail).values(part);
    await enqueueMany(
      tx,
      'mail',
      part.map((row) => ({ what: { mailId: row.id }, ...mailJob(row) })),
    );
  }
  return rows.map((row) => row.id);
}

/** Mails to one mailbox go one after the other. */
export const mailJob = ({ id, recipient }: { id: string; recipient: string }) => ({
  key: `mail/${id}`,
  queue: `mailbox/${recipient.toLowerCase()}`.slice(0, 120),
});

/** The host that a sender's address names. */
export const hostOf = (mailFrom: string): string => mailFrom.split('@')[1] ?? 'localhost';
