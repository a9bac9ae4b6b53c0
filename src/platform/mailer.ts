import nodemailer, { type Transporter } from 'nodemailer';
import type { MailState } from '@/data/schema';
import { log } from '@/platform/log';

/** Connections to the mail server; as many mails travel at once. */
const CONNECTIONS = 4;

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
    maxConnections: CONNECTIONS,
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

export interface Outcome {
  state: Exclude<MailState, 'sending'>;
  problem: string | null;
}
interface Letter {
  id: string;
  recipient: string;
  subject: string;
  body: string;
  messageId: string;
}

/** Hands one mail to the mail server and says what became of it: sent, refused for good, to be tried again (queued), or not known. Throws nothing. */
export async function sendMail({ id, recipient, ...mail }: Letter, from: string): Promise<Outcome> {
  try {
    await mailer().sendMail({ from, to: recipient, subject: mail.subject, text: mail.body, messageId: mail.messageId });
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
