import { randomUUID } from 'node:crypto';
import { eq, sql } from 'drizzle-orm';
import { say } from '@/core/words/say';
import type { Role } from '@/core/record/event';
import type { Transaction } from '@/data/connection';
import { violatedUnique } from '@/data/database-problem';
import { passkey, session, twoFactor, unlockSecret, user } from '@/data/schema';
import { tellChange } from '@/platform/change-stream';
import { hashPassword } from '@/platform/auth';
import { need } from '@/platform/need';
import { ONE_TIME_DAYS } from '../one-time-days';
import { oneTimePassword } from '@/platform/one-time-password';
import { Problem } from '@/platform/problem';
import { readSettings } from '@/platform/settings';
import type { UseCaseContext } from '@/platform/use-case';
import { refuseWeak } from '@/platform/password-rule';
import '@/core/words/en/house';

export async function listUsers(tx: Transaction) {
  return tx
    .select({
      id: user.id,
      name: user.name,
      email: user.email,
      role: user.role,
      active: user.active,
      codes: user.twoFactorEnabled,
      once: sql<boolean>`${user.passwordOnceUntil} is not null`,
    })
    .from(user)
    .orderBy(user.name);
}

/** Adds a person. Self sign-up is off: this is the only way in. `once`: the password is good for one time, and they set their own then. */
export async function addUser(
  { tx, actor, now }: UseCaseContext,
  { name, email, role, password, once = false }: { name: string; email: string; role: Role; password: string; once?: boolean },
): Promise<{ id: string }> {
  need(actor, 'office');
  refuseWeak(password, [name, email, (await readSettings(tx)).name]);
  const id = randomUUID();
  const hash = await hashPassword(password);
  try {
    await tx.execute(
      sql`select add_person(${id}, ${name}, ${email.toLowerCase()}, ${role}, ${randomUUID()}, ${hash}, ${now.toISOString()}::timestamptz)`,
    );
  } catch (error) {
    if (violatedUnique(error))
      throw new Problem('Somebody signs in with this address already.', { email: 'In use already.' }, 409);
    throw error;
  }
  if (once)
    await tx.execute(
      sql`select give_password_once(${id}, ${hash}, ${goodUntil(now)}::timestamptz, ${now.toISOString()}::timestamptz)`,
    );
  return { id };
}

const goodUntil = (now: Date): string => new Date(now.getTime() + ONE_TIME_DAYS * 86_400_000).toISOString();

/** Adds a person with a password that the house makes: shown once, to be said to them. Errors: as addUser. */
export async function addPerson(
  context: UseCaseContext,
  { name, email, role }: { name: string; email: string; role: Role },
): Promise<{ name: string; password: string }> {
  const password = oneTimePassword();
  await addUser(context, { name, email, role, password, once: true });
  return { name, password };
}

/** Lets a person in or keeps them out. Keeping out ends the sessions at once; the name stays on all records. */
export async function setUserActive(
  { tx, actor, now }: UseCaseContext,
  { userId, active }: { userId: string; active: boolean },
): Promise<void> {
  need(actor, 'office');
  if (userId === actor.id) throw new Problem('You can’t shut yourself out.', {}, 409);
  await tx.execute(sql`select set_person_active(${userId}, ${active}, ${now.toISOString()}::timestamptz)`);
  if (!active) await tellChange(tx, 'session_ended', userId);
}

/** Another role: what the person may do from now on. Nobody changes their own. */
export async function setUserRole(
  { tx, actor, now }: UseCaseContext,
  { userId, role }: { userId: string; role: Role },
): Promise<void> {
  need(actor, 'office');
  if (userId === actor.id) throw new Problem(say({ code: 'people.ownRole' }), {}, 409);
  await tx.execute(sql`select set_person_role(${userId}, ${role}, ${now.toISOString()}::timestamptz)`);
}

/** A password that the house makes, shown once, to be said to the person: good once, for some days. Whoever is signed in with the old one is out. Errors: Problem (403), (404). */
export async function giveOneTimePassword(
  { tx, actor, now }: UseCaseContext,
  { userId }: { userId: string },
): Promise<{ name: string; password: string }> {
  need(actor, 'office');
  const [person] = await tx.select({ name: user.name }).from(user).where(eq(user.id, userId));
  if (!person) throw new Problem(say({ code: 'people.gone' }), {}, 404);
  const password = oneTimePassword();
  await tx.execute(
    sql`select give_password_once(${userId}, ${await hashPassword(password)}, ${goodUntil(now)}::timestamptz, ${now.toISOString()}::timestamptz)`,
  );
  await tx.delete(session).where(eq(session.userId, userId));
  await tellChange(tx, 'session_ended', userId);
  return { name: person.name, password };
}

/** A telephone or key that was lost: the second factor, passkeys, PIN and badge are void, whoever is signed in is out. The role may ask for a new one at the next sign-in. */
export async function dropSecondFactor({ tx, actor }: UseCaseContext, { userId }: { userId: string }): Promise<void> {
  need(actor, 'office');
  await tx.execute(sql`select set_second_factor(${userId}, false)`);
  for (const table of [twoFactor, passkey, unlockSecret, session]) await tx.delete(table).where(eq(table.userId, userId));
  await tellChange(tx, 'session_ended', userId);
}

/**
 * Corrects a misspelt name, or the address that somebody signs in with. Records keep the name that stood there; whoever is signed in stays so.
 * Errors: Problem (403), (404); (409) where the address is another's.
 */
export async function correctPerson(
  { tx, actor, now }: UseCaseContext,
  { userId, name, email }: { userId: string; name: string; email: string },
): Promise<void> {
  need(actor, 'office');
  const [person] = await tx.select({ id: user.id }).from(user).where(eq(user.id, userId));
  if (!person) throw new Problem(say({ code: 'people.gone' }), {}, 404);
  try {
    await tx.execute(sql`select correct_person(${userId}, ${name}, ${email.toLowerCase()}, ${now.toISOString()}::timestamptz)`);
  } catch (error) {
    if (violatedUnique(error)) throw new Problem(say({ code: 'people.taken' }), { email: say({ code: 'people.taken' }) }, 409);
    throw error;
  }
}
