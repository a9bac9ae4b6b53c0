import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { and, count, eq, gt, isNull, lt, sql } from 'drizzle-orm';
import { say } from '@/core/words/say';
import { database, type Transaction } from '@/data/connection';
import { passwordLink, session, user } from '@/data/schema';
import { asActor } from '@/platform/as-actor';
import { recordAudit } from '@/platform/audit';
import { hashPassword } from '@/platform/auth';
import { tellChange } from '@/platform/change-stream';
import { log } from '@/platform/log';
import { sendMail } from '@/platform/mailer';
import { refuseWeak } from '@/platform/password-rule';
import { Problem } from '@/platform/problem';
import { hostOf } from '@/platform/put-mail';
import { readSettings } from '@/platform/settings';
import '@/core/words/en/account';

/** Minutes that a link is good for. */
export const LINK_MINUTES = 30;
/** So many an hour: nobody's mailbox is filled by whoever knows the address. */
const LINKS_AN_HOUR = 3;
const KEPT_MS = 7 * 86_400_000;

const digestOf = (token: string): string => createHash('sha256').update(token).digest('hex');

/**
 * Sends a link to a new password to whoever signs in with this address; to nobody else, and says nothing about it. The link is in the mail alone: the database keeps its digest, and the outbox, which people read, never has it.
 * Gives back what became of it, for tests and the log. Holds no transaction while the mail server is asked.
 * Source: NIST SP 800-63B, 4.2.2.2 (recovery by a code sent to a validated address), common practice.
 */
export async function sendPasswordLink(
  { now }: { now: Date },
  { email }: { email: string },
): Promise<'sent' | 'nobody' | 'tooMany' | 'notSent'> {
  const token = randomBytes(24).toString('base64url');
  const made = await database().transaction(async (tx) => {
    const [person] = await tx
      .select({ id: user.id, name: user.name, email: user.email, role: user.role })
      .from(user)
      .where(and(eq(user.email, email.toLowerCase()), eq(user.active, true)));
    if (!person) return 'nobody' as const;
    await asActor(tx, person, 'sendPasswordLink');
    await tx.delete(passwordLink).where(lt(passwordLink.madeAt, new Date(now.getTime() - KEPT_MS)));
    const [{ made: lately } = { made: 0 }] = await tx
      .select({ made: count() })
      .from(passwordLink)
      .where(and(eq(passwordLink.userId, person.id), gt(passwordLink.madeAt, new Date(now.getTime() - 3_600_000))));
    if (lately >= LINKS_AN_HOUR) return 'tooMany' as const;
    // The newest alone opens: of two mails that come in the wrong order nobody wonders about the older one for long.
    await tx
      .update(passwordLink)
      .set({ until: now })
      .where(and(eq(passwordLink.userId, person.id), gt(passwordLink.until, now)));
    const until = new Date(now.getTime() + LINK_MINUTES * 60_000);
    await tx.insert(passwordLink).values({ digest: digestOf(token), userId: person.id, madeAt: now, until });
    await recordAudit({ tx, actor: person, now }, 'sendPasswordLink', person.email);
    return { person, settings: await readSettings(tx) };
  });
  if (typeof made === 'string') return made;
  const { person, settings } = made;
  const id = randomUUID();
  const { state, problem } = await sendMail(
    {
      id,
      recipient: person.email,
      subject: say({ code: 'forgotten.subject', numbers: { workshop: settings.name } }),
      body: say({
        code: 'forgotten.mail',
        numbers: {
          name: person.name,
          workshop: settings.name,
          link: `${process.env.WERKBANK_ORIGIN ?? ''}/sign-in/new-password/${token}`,
          minutes: LINK_MINUTES,
        },
      }),
      messageId: `<password-${id}@${hostOf(settings.mailFrom)}>`,
    },
    { from: settings.mailFrom, replyTo: settings.replyTo },
  );
  if (state === 'sent') return 'sent';
  log.warn({ person: person.id, state, problem }, 'link to a new password not sent');
  return 'notSent';
}

/** Whose link it is, while it is good; null where it ran out, was used, or never was one. */
export async function personOfLink(tx: Transaction, { token, now }: { token: string; now: Date }) {
  const [found] = await tx
    .select({ id: user.id, name: user.name, email: user.email, role: user.role })
    .from(passwordLink)
    .innerJoin(user, eq(user.id, passwordLink.userId))
    .where(
      and(
        eq(passwordLink.digest, digestOf(token)),
        gt(passwordLink.until, now),
        isNull(passwordLink.usedAt),
        eq(user.active, true),
      ),
    );
  return found ?? null;
}

/** The new password of whoever holds the link: it is used up, and whoever is signed in with the old one is out. A second factor is asked at the door as ever. Errors: Problem (400) beside the password, (409) for a link that is no longer good. */
export async function setPasswordByLink(
  { now }: { now: Date },
  { token, password }: { token: string; password: string },
): Promise<void> {
  const db = database();
  const gone = () => new Problem(say({ code: 'forgotten.gone' }), {}, 409);
  const person = await db.transaction((tx) => personOfLink(tx, { token, now }));
  if (!person) throw gone();
  refuseWeak(password, [person.name, person.email, (await readSettings(db)).name]);
  const hash = await hashPassword(password);
  await db.transaction(async (tx) => {
    await asActor(tx, person, 'setPasswordByLink');
    const used = await tx
      .update(passwordLink)
      .set({ usedAt: now })
      .where(and(eq(passwordLink.digest, digestOf(token)), gt(passwordLink.until, now), isNull(passwordLink.usedAt)))
      .returning({ digest: passwordLink.digest });
    if (!used.length) throw gone();
    await tx.execute(sql`select set_person_password(${person.id}, ${hash}, ${now.toISOString()}::timestamptz)`);
    await tx.delete(session).where(eq(session.userId, person.id));
    await tellChange(tx, 'session_ended', person.id);
    await recordAudit({ tx, actor: person, now }, 'setPasswordByLink', person.email);
  });
}
