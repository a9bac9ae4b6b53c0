import { randomUUID } from 'node:crypto';
import { desc, eq, lt } from 'drizzle-orm';
import type { Role } from '@/core/record/event';
import type { Transaction } from '@/data/connection';
import { violatedUnique } from '@/data/database-problem';
import { account, audit, session, user } from '@/data/schema';
import { hashPassword } from '@/platform/auth';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';

export async function listUsers(tx: Transaction) {
  return tx
    .select({ id: user.id, name: user.name, email: user.email, role: user.role, active: user.active })
    .from(user)
    .orderBy(user.name);
}

/** Adds a person. Self sign-up is off: this is the only way in. */
export async function addUser(
  { tx, now }: UseCaseContext,
  { name, email, role, password }: { name: string; email: string; role: Role; password: string },
): Promise<{ id: string }> {
  const id = randomUUID();
  try {
    await tx
      .insert(user)
      .values({ id, name, email: email.toLowerCase(), emailVerified: true, role, createdAt: now, updatedAt: now });
  } catch (error) {
    if (violatedUnique(error))
      throw new Problem('Somebody signs in with this address already.', { email: 'In use already.' }, 409);
    throw error;
  }
  await tx.insert(account).values({
    id: randomUUID(),
    accountId: id,
    providerId: 'credential',
    userId: id,
    password: await hashPassword(password),
    createdAt: now,
    updatedAt: now,
  });
  return { id };
}

/** Lets a person in or keeps them out. Keeping out ends the sessions at once; the name stays on all records. */
export async function setUserActive(
  { tx, actor }: UseCaseContext,
  { userId, active }: { userId: string; active: boolean },
): Promise<void> {
  if (userId === actor.id) throw new Problem('You can’t shut yourself out.', {}, 409);
  await tx.update(user).set({ active }).where(eq(user.id, userId));
  if (!active) await tx.delete(session).where(eq(session.userId, userId));
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
