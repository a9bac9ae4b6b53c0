import { and, eq, lt } from 'drizzle-orm';
import nodemailer, { type Transporter } from 'nodemailer';
import type { Database } from '@/data/connection';
import { mail, type MailState } from '@/data/schema';
import { log } from '@/platform/log';
import { readSettings } from '@/platform/settings';

/** After this long a mail that still says "sending" was cut off: whether it arrived can't be known, so it is never sent again by itself. */
const CUT_OFF_SECONDS = 120;

/** Whoever says "not now" is asked again by the queue, later each time. */
export class TryAgain extends Error {}

let transport: { url: string; made: Transporter } | null = null;
/** One a process, with its few connections kept open: a server is not greeted anew for every mail. */
function mailer(): Transporter {
  const url = process.env.SMTP_URL ?? 'smtp://127.0.0.1:25';
  if (transport?.url === url) return transport.made;
  transport?.made.close();
  const made = nodemailer.createTransport({
    // Beside the address, not as a second argument: that one is the defaults of messages, and no time-out would hold.
    url,
    pool: true,
    maxConnections: 4,
    connectionTimeout: 8000,
    greetingTimeout: 8000,
    socketTimeout: Number(process.env.WERKBANK_MAIL_PATIENCE_MS ?? 15_000),
    tls: { rejectUnauthorized: true },
    ignoreTLS: url.startsWith('smtp://127.0.0.1'),
  } as object);
  transport = { url, made };
  return made;
}

export function closeMailer(): void {
  transport?.made.close();
  transport = null;
}

/** Seconds until the queue asks again after so many tries: e to their number, at most e to the tenth, some six hours (RFC 5321, 4.5.4.1: longer with time, given up after four to five days). */
export const backOffSeconds = (attempts: number): number => Math.round(Math.exp(Math.min(10, attempts)));

/**
 * Sends one mail, if it waits. It is marked "sending" and committed before the first byte goes out; what becomes of it is written after. Cut off in between, it stays uncertain. The Message-ID never changes, so a receiver
 * could tell a second copy. One mailbox that says "later" delays its own mails alone. Errors: TryAgain where it is to be tried again and this was not the `last` try.
 */
export async function deliverMail(
  db: Database,
  mailId: string,
  { clock, last = false }: { clock: () => Date; last?: boolean },
): Promise<MailState | null> {
  const [row] = await db
    .update(mail)
    .set({ state: 'sending', sendingAt: clock(), nextTryAt: null })
    .where(and(eq(mail.id, mailId), eq(mail.state, 'queued')))
    .returning();
  if (!row) return null;
  const { mailFrom } = await readSettings(db);
  const outcome = await send(row, mailFrom);
  const attempts = row.attempts + 1;
  const given = outcome.state === 'queued' && last ? { ...outcome, state: 'refused' as const } : outcome;
  await db
    .update(mail)
    .set({
      ...given,
      attempts,
      ...(given.state === 'sent' ? { sentAt: clock() } : {}),
      ...(given.state === 'queued' ? { nextTryAt: new Date(clock().getTime() + backOffSeconds(attempts) * 1000) } : {}),
    })
    .where(eq(mail.id, row.id));
  if (given.state === 'queued') throw new TryAgain(given.problem ?? 'not now');
  return given.state;
}

async function send(row: typeof mail.$inferSelect, from: string): Promise<{ state: MailState; problem: string | null }> {
  try {
    await mailer().sendMail({ from, to: row.recipient, subject: row.subject, text: row.body, messageId: row.messageId });
    return { state: 'sent', problem: null };
  } catch (error) {
    const { code, command, responseCode, message, syscall } = error as {
      code?: string;
      command?: string;
      responseCode?: number;
      message: string;
      syscall?: string;
    };
    log.warn({ mail: row.id, code, command, responseCode }, 'mail not sent');
    if (responseCode && responseCode >= 500) return { state: 'refused', problem: message };
    // No connection, or a temporary refusal in so many words: nothing can have arrived, so it waits for the next time. Anything else is not known.
    if (syscall === 'connect' || /^connect /.test(message) || code === 'EDNS' || (responseCode && responseCode >= 400))
      return { state: 'queued', problem: message };
    return { state: 'uncertain', problem: `Cut off while sending: ${message}` };
  }
}

/** What was being sent when its process died: nobody knows whether it arrived. */
export async function markCutOff(db: Database, now: Date): Promise<void> {
  await db
    .update(mail)
    .set({ state: 'uncertain', problem: 'Sending was cut off; whether it arrived is not known.' })
    .where(and(eq(mail.state, 'sending'), lt(mail.sendingAt, new Date(now.getTime() - CUT_OFF_SECONDS * 1000))));
}
