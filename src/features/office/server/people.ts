import { randomUUID } from 'node:crypto';
import { desc, eq, lt, sql } from 'drizzle-orm';
import { say } from '@/core/words/say';
import type { Role } from '@/core/record/event';
import type { Transaction } from '@/data/connection';
import { violatedUnique } from '@/data/database-problem';
import { audit, passkey, session, twoFactor, unlockSecret, user } from '@/data/schema';
import { tellChange } from '@/platform/change-stream';
import { hashPassword } from '@/platform/auth';
import { Problem } from '@/platform/problem';
import { readSettings } from '@/platform/settings';
import type { UseCaseContext } from '@/platform/use-case';
import { refuseWeak } from '@/platform/password-rule';

export async function listUsers(tx: Transaction) {
  return tx
    .select({
      id: user.id,
      name: user.name,
      email: user.email,
      role: user.role,
      active: user.active,
      codes: user.twoFactorEnabled,
    })
    .from(user)
    .orderBy(user.name);
}

/** Adds a person. Self sign-up is off: this is the only way in. */
export async function addUser(
  { tx, now }: UseCaseContext,
  { name, email, role, password }: { name: string; email: string; role: Role; password: string },
): Promise<{ id: string }> {
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
  return { id };
}

/** Lets a person in or keeps them out. Keeping out ends the sessions at once; the name stays on all records. */
export async function setUserActive(
  { tx, actor, now }: UseCaseContext,
  { userId, active }: { userId: string; active: boolean },
): Promise<void> {
  if (userId === actor.id) throw new Problem('You can’t shut yourself out.', {}, 409);
  await tx.execute(sql`select set_person_active(${userId}, ${active}, ${now.toISOString()}::timestamptz)`);
  if (!active) await tellChange(tx, 'session_ended', userId);
}

/** Another role: what the person may do from now on. Nobody changes their own. */
export async function setUserRole(
  { tx, actor, now }: UseCaseContext,
  { userId, role }: { userId: string; role: Role },
): Promise<void> {
  if (userId === actor.id) throw new Problem(say({ code: 'people.ownRole' }), {}, 409);
  await tx.execute(sql`select set_person_role(${userId}, ${role}, ${now.toISOString()}::timestamptz)`);
}

/** A new password, said by the administrator to the person; whoever is signed in with the old one is signed out. */
export async function setUserPassword(
  { tx, now }: UseCaseContext,
  { userId, password }: { userId: string; password: string },
): Promise<void> {
  await tx.execute(
    sql`select set_person_password(${userId}, ${await hashPassword(password)}, ${now.toISOString()}::timestamptz)`,
  );
  await tx.delete(session).where(eq(session.userId, userId));
  await tellChange(tx, 'session_ended', userId);
}

/** A telephone or key that was lost: the second factor, passkeys, PIN and badge are void, whoever is signed in is out. The role may ask for a new one at the next sign-in. */
export async function dropSecondFactor({ tx }: UseCaseContext, { userId }: { userId: string }): Promise<void> {
  await tx.execute(sql`select set_second_factor(${userId}, false)`);
  for (const table of [twoFactor, passkey, unlockSecret, session]) await tx.delete(table).where(eq(table.userId, userId));
  await tellChange(tx, 'session_ended', userId);
}

export async function listAudit(tx: Transaction, { before, pageSize = 40 }: { before?: string | undefined; pageSize?: number }) {
  const key = Number(before);
  const rows = await tx
    .select()
    .from(audit)
    .where(Number.isInteger(key) && key > 0 ? lt(audit.id, key) : undefined)
    .orderBy(desc(audit.id))
    .limit(pageSize + 1);
  return { rows: rows.slice(0, pageSize), next: rows.length > pageSize ? String(rows[pageSize - 1]!.id) : null };
}
