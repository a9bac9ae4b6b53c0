import { verify } from '@node-rs/argon2';
import { and, eq, ne, sql } from 'drizzle-orm';
import { say } from '@/core/words/say';
import { database } from '@/data/connection';
import { account, session, user } from '@/data/schema';
import { asActor } from '@/platform/as-actor';
import { recordAudit } from '@/platform/audit';
import { hashPassword } from '@/platform/auth';
import { tellChange } from '@/platform/change-stream';
import { guardedTry } from '@/platform/guarded-try';
import { refuseWeak } from '@/platform/password-rule';
import { Problem } from '@/platform/problem';
import { currentStanding } from '@/platform/session';
import { readSettings } from '@/platform/settings';
import type { UseCaseContext } from '@/platform/use-case';
import '@/core/words/en/account';

/** A new password of one's own; whoever is signed in with the old one elsewhere is out at once. Who came in with a one-time password has just said it, and it is spent: they aren't asked again. Errors: Problem (400) beside the field, (429). */
export async function changeOwnPassword(
  { actor, now }: UseCaseContext,
  { before, password }: { before: string; password: string },
): Promise<void> {
  const [row] = await database()
    .select({ email: user.email, hash: account.password })
    .from(user)
    .innerJoin(account, and(eq(account.userId, user.id), eq(account.providerId, 'credential')))
    .where(eq(user.id, actor.id));
  const here = await currentStanding();
  if (!here?.lacksOwnPassword)
    await guardedTry({ email: row?.email ?? actor.id, device: 'own password', network: '', now }, async () => {
      if (row?.hash && (await verify(row.hash, before))) return;
      throw new Problem(say({ code: 'factor.wrongPassword' }), { before: say({ code: 'factor.wrongPassword' }) });
    });
  refuseWeak(password, [actor.name, row!.email, (await readSettings(database())).name]);
  const hash = await hashPassword(password);
  await database().transaction(async (tx) => {
    await asActor(tx, actor, 'changeOwnPassword');
    await tx.execute(sql`select set_person_password(${actor.id}, ${hash}, ${now.toISOString()}::timestamptz)`);
    await tx.delete(session).where(and(eq(session.userId, actor.id), ne(session.id, here?.sessionId ?? '')));
    await tellChange(tx, 'session_ended', actor.id);
    await recordAudit({ tx, actor, now }, 'changeOwnPassword');
  });
}
