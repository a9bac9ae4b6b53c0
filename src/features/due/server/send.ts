import { and, asc, desc, eq, lt, or, sql } from 'drizzle-orm';
import nodemailer from 'nodemailer';
import type { Database, Transaction } from '@/data/connection';
import { customer, mail, type MailState } from '@/data/schema';
import { log } from '@/platform/log';
import { readSettings } from '@/platform/settings';
import { isId } from '@/platform/shape';

/** After this long a mail that still says "sending" was cut off: whether it arrived can't be known, so it is never sent again by itself. */
const CUT_OFF_SECONDS = 120;

/**
 * Sends what is queued, oldest first. Each mail is marked "sending" and committed before the first byte goes out; what becomes of it is written after.
 * Cut off in between, it stays uncertain. The Message-ID never changes, so a receiver could tell a second copy.
 */
export async function sendQueued(
  db: Database,
  clock: () => Date,
): Promise<Record<'sent' | 'queued' | 'uncertain' | 'refused', number>> {
  await markCutOff(db, clock());
  const count = { sent: 0, queued: 0, uncertain: 0, refused: 0 };
  const settings = await readSettings(db);
  const transport = nodemailer.createTransport(process.env.SMTP_URL ?? 'smtp://127.0.0.1:25', {
    connectionTimeout: 8000,
    greetingTimeout: 8000,
    socketTimeout: 15_000,
    tls: { rejectUnauthorized: true },
    ignoreTLS: (process.env.SMTP_URL ?? '').startsWith('smtp://127.0.0.1'),
  } as object);
  try {
    for (let next = await claim(db, clock()); next; next = await claim(db, clock())) {
      const outcome = await deliver(transport, next, settings.mailFrom);
      await db
        .update(mail)
        .set({ state: outcome.state, problem: outcome.problem, ...(outcome.state === 'sent' ? { sentAt: clock() } : {}) })
        .where(eq(mail.id, next.id));
      count[outcome.state as keyof typeof count] += 1;
      // The server can't be reached: the rest waits as well.
      if (outcome.state === 'queued') break;
    }
  } finally {
    transport.close();
  }
  return count;
}

async function claim(db: Database, now: Date) {
  return db.transaction(async (tx) => {
    const [row] = await tx
      .select()
      .from(mail)
      .where(eq(mail.state, 'queued'))
      .orderBy(asc(mail.createdAt), asc(mail.id))
      .limit(1)
      .for('update', { skipLocked: true });
    if (row) await tx.update(mail).set({ state: 'sending', sendingAt: now }).where(eq(mail.id, row.id));
    return row;
  });
}

async function deliver(
  transport: ReturnType<typeof nodemailer.createTransport>,
  row: typeof mail.$inferSelect,
  from: string,
): Promise<{ state: MailState; problem: string | null }> {
  try {
    await transport.sendMail({ from, to: row.recipient, subject: row.subject, text: row.body, messageId: row.messageId });
    return { state: 'sent', problem: null };
  } catch (error) {
    const { code, command, responseCode, message, syscall } = error as {
      code?: string;
      command?: string;
      responseCode?: number;
      message: string;
      syscall?: string;
    };
    log.warn({ mail: row.id, code, command, responseCode, message }, 'mail not sent');
    if (responseCode && responseCode >= 500) return { state: 'refused', problem: message };
    // No connection, or a temporary refusal in so many words: nothing can have arrived, so it waits for the next time. Anything else is not known.
    if (syscall === 'connect' || /^connect /.test(message) || code === 'EDNS' || (responseCode && responseCode >= 400))
      return { state: 'queued', problem: message };
    return { state: 'uncertain', problem: `Cut off while sending: ${message}` };
  }
}

async function markCutOff(db: Database, now: Date): Promise<void> {
  await db
    .update(mail)
    .set({ state: 'uncertain', problem: 'Sending was cut off; whether it arrived is not known.' })
    .where(and(eq(mail.state, 'sending'), lt(mail.sendingAt, new Date(now.getTime() - CUT_OFF_SECONDS * 1000))));
}

/** The outbox, newest first, paged by key. */
export async function outbox(tx: Transaction, { before, pageSize = 30 }: { before?: string | undefined; pageSize?: number }) {
  const [at, id] = (before ?? '').split('~');
  const instant = at && !Number.isNaN(Date.parse(at)) && isId(id) ? new Date(at) : null;
  const rows = await tx
    .select({ mail, customer: customer.name })
    .from(mail)
    .leftJoin(customer, eq(mail.customerId, customer.id))
    .where(instant ? or(lt(mail.createdAt, instant), and(eq(mail.createdAt, instant), sql`${mail.id} > ${id}`)) : undefined)
    .orderBy(desc(mail.createdAt), mail.id)
    .limit(pageSize + 1);
  const last = rows[pageSize - 1]?.mail;
  return {
    rows: rows.slice(0, pageSize),
    next: rows.length > pageSize && last ? `${last.createdAt.toISOString()}~${last.id}` : null,
  };
}

/** A person decides about an uncertain or refused mail: send it again, with the same Message-ID, or leave it. */
export async function sendAgain(tx: Transaction, id: string): Promise<boolean> {
  const rows = await tx
    .update(mail)
    .set({ state: 'queued', problem: null })
    .where(and(eq(mail.id, id), or(eq(mail.state, 'uncertain'), eq(mail.state, 'refused'))))
    .returning({ id: mail.id });
  return rows.length > 0;
}
