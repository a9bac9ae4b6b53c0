import nodemailer, { type Transporter } from 'nodemailer';
import type { MailState } from '@/core/stored/mail-state';
import { forgetMailServer, mailAddress } from './mail-server';
import { log } from './log';
import { unsubscribeHeaders } from './unsubscribe-address';

/** Connections to the mail server; as many mails travel at once. */
const CONNECTIONS = 4;

let transport: { url: string; made: Transporter } | null = null;
/** One a process, with its few connections kept open: a server is not greeted anew for every mail. */
function mailer(url: string): Transporter {
  if (transport?.url === url) return transport.made;
  transport?.made.close();
  const made = transportTo(url, { pool: true, maxConnections: CONNECTIONS });
  transport = { url, made };
  return made;
}

function transportTo(url: string, more: object): Transporter {
  return nodemailer.createTransport({
    // Beside the address, not as a second argument: that one is the defaults of messages, and no time-out would hold.
    url,
    ...more,
    connectionTimeout: 8000,
    greetingTimeout: 8000,
    socketTimeout: Number(process.env.WERKBANK_MAIL_PATIENCE_MS ?? 15_000),
    tls: { rejectUnauthorized: true },
    ignoreTLS: url.startsWith('smtp://127.0.0.1'),
  } as object);
}

export function closeMailer(): void {
  transport?.made.close();
  transport = null;
  forgetMailServer();
}

/** A mail to a server that is being tried: over a connection of its own. Gives back what the server says where it doesn't go; null where it was taken. */
export async function tryMailServer(
  url: string,
  mail: { from: string; to: string; subject: string; text: string },
): Promise<string | null> {
  const made = transportTo(url, {});
  try {
    await made.sendMail(mail);
    return null;
  } catch (error) {
    return (error as Error).message;
  } finally {
    made.close();
  }
}

export interface Outcome {
  state: Exclude<MailState, 'sending' | 'toPrint' | 'printed'>;
  problem: string | null;
}
/** Who sends, and where answers go if not there. */
export interface Sender {
  from: string;
  replyTo: string;
  /** Where what can't be delivered goes back to; empty: to the sender. */
  returnTo?: string;
}
interface Letter {
  id: string;
  recipient: string;
  subject: string;
  body: string;
  messageId: string;
  unsubscribe?: string | null;
}

export interface Attachment {
  filename: string;
  content: Buffer;
}

/** Hands one mail to the mail server and says what became of it: sent, refused for good, to be tried again (queued), or not known. Throws nothing. */
export async function sendMail(
  { id, recipient, ...mail }: Letter,
  { from, replyTo, returnTo }: Sender,
  attachments: Attachment[] = [],
): Promise<Outcome> {
  try {
    await mailer(await mailAddress()).sendMail({
      from,
      ...(replyTo ? { replyTo } : {}),
      to: recipient,
      // The mark comes back with a report of what became of it, where servers on the way know of it (RFC 3461).
      ...(returnTo
        ? { envelope: { from: returnTo, to: recipient }, dsn: { id, return: 'headers', notify: ['failure'], recipient } }
        : {}),
      subject: mail.subject,
      text: mail.body,
      messageId: mail.messageId,
      attachments,
      headers: unsubscribeHeaders(mail.unsubscribe ?? null),
    });
    return { state: 'sent', problem: null };
  } catch (error) {
    const { code, command, responseCode, message, syscall } = error as {
      code?: string;
      command?: string;
      responseCode?: number;
      message: string;
      syscall?: string;
    };
    log.warn({ mail: id, code, command, responseCode }, 'mail not sent');
    if (responseCode && responseCode >= 500) return { state: 'refused', problem: message };
    // No connection, or a temporary refusal in so many words: nothing can have arrived, so it waits for the next time. Anything else is not known.
    if (syscall === 'connect' || /^connect /.test(message) || code === 'EDNS' || (responseCode && responseCode >= 400))
      return { state: 'queued', problem: message };
    return { state: 'uncertain', problem: `Cut off while sending: ${message}` };
  }
}
