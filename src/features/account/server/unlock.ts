import { createHash, randomBytes } from 'node:crypto';
import { verify } from '@node-rs/argon2';
import type { AuthenticationResponseJSON } from '@simplewebauthn/server';
import { and, eq } from 'drizzle-orm';
import { headers } from 'next/headers';
import qrcode from 'qrcode';
import { say } from '@/core/words/say';
import { database } from '@/data/connection';
import { account, session, signInFailure, unlockSecret, user } from '@/data/schema';
import { recordAudit } from '@/platform/audit';
import { auth, hashPassword } from '@/platform/auth';
import { peopleAtComputer, type AtComputer } from '@/platform/computer';
import { guardedTry } from '@/platform/guarded-try';
import { Problem } from '@/platform/problem';
import { currentStanding, type Standing } from '@/platform/session';
import type { UseCaseContext } from '@/platform/use-case';
import { passkeyPerson } from './passkeys';
import '@/core/words/en/account';
import '@/core/words/en/door';
import '@/core/words/en/lock';

const badgeDigest = (code: string) => createHash('sha256').update(`badge ${code}`).digest('hex');
/** Letters and digits that no hand and no code reader confuses (Crockford's base 32). */
const LETTERS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';
/** 130 bits: nobody guesses a badge. */
const newBadge = () => `WB-${Array.from(randomBytes(26), (byte) => LETTERS[byte % 32]).join('')}`;

/** All the same, or counted up or down: what everybody tries first. */
const isEasyPin = (pin: string): boolean =>
  new Set(pin).size < 3 || '01234567890123456789'.includes(pin) || '98765432109876543210'.includes(pin);

/** A PIN for unlocking the bench computer; six digits at least, since tries are few. Errors: Problem (400) beside it. */
export async function setPin({ tx, actor, now }: UseCaseContext, { pin }: { pin: string }): Promise<void> {
  if (isEasyPin(pin)) throw new Problem(say({ code: 'pin.easy' }), { pin: say({ code: 'pin.easy' }) });
  const pinHash = await hashPassword(pin);
  await tx
    .insert(unlockSecret)
    .values({ userId: actor.id, pinHash, madeAt: now })
    .onConflictDoUpdate({ target: unlockSecret.userId, set: { pinHash } });
}

/** A new badge code, shown this once to be printed; the badge before is void. */
export async function makeBadge({ tx, actor, now }: UseCaseContext): Promise<{ code: string; name: string; picture: string }> {
  const badge = newBadge();
  await tx
    .insert(unlockSecret)
    .values({ userId: actor.id, badgeDigest: badgeDigest(badge), madeAt: now })
    .onConflictDoUpdate({ target: unlockSecret.userId, set: { badgeDigest: badgeDigest(badge) } });
  return { code: badge, name: actor.name, picture: await qrcode.toString(badge, { type: 'svg', margin: 1 }) };
}

/** A badge that was lost, a PIN that others know: both are void at once. */
export async function dropUnlock({ tx, actor }: UseCaseContext): Promise<void> {
  await tx.delete(unlockSecret).where(eq(unlockSecret.userId, actor.id));
}

/** Locks this browser's screen. */
export async function lockScreen({ tx }: UseCaseContext): Promise<void> {
  const standing = await currentStanding();
  if (standing && !standing.locked)
    await tx.update(session).set({ lockedAt: new Date() }).where(eq(session.id, standing.sessionId));
}

export interface Unlocking {
  person?: string | undefined;
  pin?: string | undefined;
  badge?: string | undefined;
  password?: string | undefined;
  passkey?: AuthenticationResponseJSON | undefined;
}
export type UnlockedBy = 'pin' | 'badge' | 'password' | 'passkey';

/** So many wrong ones at one locked screen, and the password is asked again. */
const WRONG_BEFORE_OUT = 5;

/**
 * Unlocks this browser's screen for whoever says who they are: the one who locked it, or another who signed in at this computer that day; then the session is theirs. Errors: Problem (400) beside the field, (403) for somebody
 * who didn't sign in here today, (401) after too many, (429).
 */
export async function unlockScreen(
  { now }: UseCaseContext,
  given: Unlocking,
): Promise<{ name: string; other: boolean; by: UnlockedBy }> {
  const standing = await currentStanding();
  if (!standing) throw new Problem(say({ code: 'door.signedOut' }), {}, 401);
  const { person, by } = await whoGoesOn(standing, given, now);
  const other = person.id !== standing.actor.id;
  if (other) {
    await auth().api.enterAs({ body: { userId: person.id, since: person.since.toISOString() }, headers: await headers() });
    await database().delete(session).where(eq(session.id, standing.sessionId));
  } else await database().update(session).set({ lockedAt: null, seenAt: new Date() }).where(eq(session.id, standing.sessionId));
  const [role] = await database().select({ role: user.role }).from(user).where(eq(user.id, person.id));
  await database().transaction((tx) =>
    recordAudit({ tx, actor: { id: person.id, name: person.name, role: role!.role }, now }, 'unlock', standing.actor.name, {
      by,
    }),
  );
  return { name: person.name, other, by };
}

/** Who may go on at a locked screen: the one whose it is, by the session itself, and those of the day. */
export async function peopleOfScreen(): Promise<Pick<AtComputer, 'id' | 'name'>[]> {
  const standing = await currentStanding();
  if (!standing) return [];
  const others = (await peopleAtComputer()).filter((one) => one.id !== standing.actor.id);
  return [{ id: standing.actor.id, name: standing.actor.name }, ...others.map(({ id, name }) => ({ id, name }))];
}

async function whoGoesOn(standing: Standing, given: Unlocking, now: Date): Promise<{ person: AtComputer; by: UnlockedBy }> {
  const here: AtComputer[] = [
    { id: standing.actor.id, name: standing.actor.name, since: standing.signedInAt },
    ...(await peopleAtComputer()).filter((one) => one.id !== standing.actor.id),
  ];
  const of = (id: string | undefined): AtComputer => {
    const found = here.find((one) => one.id === id);
    if (!found) throw new Problem(say({ code: 'lock.notToday' }), {}, 403);
    return found;
  };
  if (given.passkey) return { person: of((await passkeyPerson(given.passkey)).id), by: 'passkey' };
  const by = given.badge ? 'badge' : given.password ? 'password' : 'pin';
  // Asked first: nobody's PIN can be tried where they didn't sign in today.
  const named = of(given.person ?? standing.actor.id).id;
  const counted = `unlock ${standing.sessionId}`;
  const { value } = await guardedTry({ email: counted, device: 'unlock', network: '', now }, () =>
    by === 'badge' ? badgeOwner(given.badge!) : ownerBy(by, named, given[by] ?? ''),
  ).catch(async (error: unknown) => {
    if (await tooMany(counted)) {
      await database().delete(session).where(eq(session.id, standing.sessionId));
      throw new Problem(say({ code: 'lock.out' }), {}, 401);
    }
    throw error;
  });
  return { person: of(value), by };
}

async function tooMany(email: string): Promise<boolean> {
  const rows = await database().select({ id: signInFailure.id }).from(signInFailure).where(eq(signInFailure.email, email));
  return rows.length >= WRONG_BEFORE_OUT;
}

const wrong = (field: 'pin' | 'badge' | 'password') =>
  new Problem(say({ code: `lock.wrong.${field}` }), { [field]: say({ code: `lock.wrong.${field}` }) });

async function ownerBy(by: 'pin' | 'password', userId: string, typed: string): Promise<string> {
  const [row] = await database()
    .select({ pin: unlockSecret.pinHash, password: account.password })
    .from(account)
    .leftJoin(unlockSecret, eq(unlockSecret.userId, account.userId))
    .where(and(eq(account.userId, userId), eq(account.providerId, 'credential')));
  const hash = row?.[by];
  if (!hash || !(await verify(hash, typed))) throw wrong(by);
  return userId;
}

async function badgeOwner(code: string): Promise<string> {
  const [row] = await database()
    .select({ id: unlockSecret.userId })
    .from(unlockSecret)
    .innerJoin(user, eq(user.id, unlockSecret.userId))
    .where(and(eq(unlockSecret.badgeDigest, badgeDigest(code)), eq(user.active, true)));
  if (!row) throw wrong('badge');
  return row.id;
}
