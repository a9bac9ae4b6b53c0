import { asc, eq } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { mail } from '@/data/schema';

/** Mails by which a document went out, and what became of each. */
export const mailsOf = (tx: Transaction, certificateId: string) =>
  tx
    .select({ id: mail.id, recipient: mail.recipient, state: mail.state, at: mail.createdAt })
    .from(mail)
    .where(eq(mail.attachedCertificate, certificateId))
    .orderBy(asc(mail.createdAt), asc(mail.id));
