import { eq } from 'drizzle-orm';
import { database, type Database, type Transaction } from '@/data/connection';
import { setting } from '@/data/schema';
import { unseal } from './seal';
import { sealedPassword } from './sealed-password';

import type { MailSecurity } from './client/mail-securities';

/** How the workshop's mail server is reached, as people type it. */
export interface MailServer {
  host: string;
  port: number;
  security: MailSecurity;
  user: string;
  password: string;
}
/** As it is kept: the password sealed with the house's secret. */
type Kept = Omit<MailServer, 'password'> & { sealed: string };

const KEY = 'mailServer';
const secret = (): string => process.env.WERKBANK_SECRET ?? '';

async function kept(db: Transaction | Database): Promise<Kept | null> {
  const [row] = await db.select().from(setting).where(eq(setting.key, KEY));
  return (row?.value as Kept | undefined) ?? null;
}

/** What is shown of it: all but the password. Null where the house's environment says (SMTP_URL). */
export async function shownMailServer(
  db: Transaction | Database,
): Promise<(Omit<MailServer, 'password'> & { hasPassword: boolean }) | null> {
  const row = await kept(db);
  return row && { host: row.host, port: row.port, security: row.security, user: row.user, hasPassword: row.sealed !== '' };
}

/** Keeps it. An empty password leaves the one before, as long as it is for the same user at the same server. */
export async function writeMailServer(tx: Transaction, { password, ...server }: MailServer): Promise<void> {
  const value: Kept = { ...server, sealed: await sealedOf(tx, { ...server, password }) };
  await tx.insert(setting).values({ key: KEY, value }).onConflictDoUpdate({ target: setting.key, set: { value } });
  forgetMailServer();
}

const sealedOf = async (db: Transaction | Database, typed: MailServer): Promise<string> =>
  sealedPassword(typed, await kept(db), secret());

/** An address as the mail library takes it. */
export function smtpUrl({ host, port, security, user, password }: MailServer): string {
  const who = user ? `${encodeURIComponent(user)}:${encodeURIComponent(password)}@` : '';
  const scheme = security === 'tls' ? 'smtps' : 'smtp';
  return `${scheme}://${who}${host}:${port}${security === 'starttls' ? '?requireTLS=true' : ''}`;
}

/** The address with what is typed; an empty password means the one that is kept. */
export async function typedAddress(db: Database, typed: MailServer): Promise<string> {
  const password = typed.password || unseal(await sealedOf(db, typed), secret()) || '';
  return smtpUrl({ ...typed, password });
}

/** Looked up once in a while, not with every mail: a change holds everywhere after as long. */
const LOOK_MS = 10_000;
let looked: { at: number; address: string } | null = null;

/** Where mails go: what the office set, else what the environment says, else this computer. */
export async function mailAddress(): Promise<string> {
  if (looked && Date.now() - looked.at < LOOK_MS) return looked.address;
  const row = await kept(database());
  const address = row
    ? smtpUrl({ ...row, password: unseal(row.sealed, secret()) ?? '' })
    : (process.env.SMTP_URL ?? 'smtp://127.0.0.1:25');
  looked = { at: Date.now(), address };
  return address;
}
export const forgetMailServer = (): void => void (looked = null);
