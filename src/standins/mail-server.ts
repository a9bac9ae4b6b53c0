import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { SMTPServer, type SMTPServerSession } from 'smtp-server';
import { deliveryReport } from './delivery-report';
import { serveMailbox } from './mailbox';

/**
 * The mail stand-in: a real SMTP server on loopback that keeps every mail as an .eml file instead of passing it on.
 * A mailbox whose name begins with “full” refuses as a full one does (RFC 5321, 4.2.3: 552; “full.soon” with 452, which is asked again later).
 * One whose name begins with “gone” is taken, and comes back a moment later to the address it came from (a delivery status, RFC 3464), in a mailbox that is read by IMAP on port MAIL_STANDIN_IMAP.
 * MAIL_STANDIN_SLOW_MS makes it take its time over each.
 * One whose name begins with “silent” takes the message and never answers. MAIL_STANDIN_CUT=after-data breaks the connection after the message came in and before the answer goes out (RFC 5321, 4.2.5 leaves the sender not knowing).
 */
const folder = process.env.WERKBANK_MAIL_FOLDER ?? '.';
mkdirSync(folder, { recursive: true });
const imap = Number(process.env.MAIL_STANDIN_IMAP ?? 0);
const returns = `${folder}-returns`;
if (imap) mkdirSync(returns, { recursive: true });
let received = 0;

/** What can't be delivered goes back, where the mail has an address to go back to. */
function sendBack(session: SMTPServerSession, mail: Buffer, name: string): void {
  const { mailFrom } = session.envelope;
  const gone = session.envelope.rcptTo.find(({ address }) => address.startsWith('gone'));
  if (!imap || !gone || !mailFrom || !mailFrom.address) return;
  const envid = (mailFrom.args as { ENVID?: string } | false) || {};
  const report = deliveryReport({
    to: mailFrom.address,
    recipient: gone.address,
    envelopeId: envid.ENVID,
    headers: mail.toString('latin1').split('\r\n\r\n')[0]!,
  });
  writeFileSync(join(returns, `${name}.eml`), report);
}

const server = new SMTPServer({
  disabledCommands: ['AUTH', 'STARTTLS'],
  logger: false,
  onRcptTo({ address }, _session, callback) {
    if (!address.startsWith('full')) return callback();
    const soon = address.startsWith('full.soon');
    callback(Object.assign(new Error('Mailbox full'), { responseCode: soon ? 452 : 552 }));
  },
  onData(stream, session, callback) {
    const silent = session.envelope.rcptTo.some(({ address }) => address.startsWith('silent'));
    const chunks: Buffer[] = [];
    stream.on('data', (chunk: Buffer) => chunks.push(chunk));
    stream.on('end', () => {
      received += 1;
      const name = `${new Date().toISOString().replace(/[:.]/g, '-')}-${String(received).padStart(4, '0')}`;
      writeFileSync(join(folder, `${name}.eml`), Buffer.concat(chunks));
      sendBack(session, Buffer.concat(chunks), name);
      if (process.env.MAIL_STANDIN_CUT === 'after-data') {
        server.connections.forEach((connection: { _socket: { destroy(): void } }) => connection._socket.destroy());
        return;
      }
      if (!silent) setTimeout(callback, Number(process.env.MAIL_STANDIN_SLOW_MS ?? 0));
    });
  },
}) as SMTPServer & { connections: Set<{ _socket: { destroy(): void } }> };

server.on('error', () => undefined);
server.listen(Number(process.env.SMTP_PORT ?? 2525), '127.0.0.1', () =>
  console.log(JSON.stringify({ standin: 'mail', port: Number(process.env.SMTP_PORT ?? 2525), folder })),
);
if (imap) serveMailbox(returns, imap);
for (const signal of ['SIGTERM', 'SIGINT'] as const)
  process.on(signal, () => {
    server.close(() => process.exit(0));
    setTimeout(() => process.exit(0), 500);
  });
