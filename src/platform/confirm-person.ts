import { verify } from '@node-rs/argon2';
import { and, eq } from 'drizzle-orm';
import type { Actor } from '@/core/record/event';
import { say } from '@/core/words/say';
import { database } from '@/data/connection';
import { account, user } from '@/data/schema';
import { guardedTry } from './guarded-try';
import { Problem } from './problem';
import type { Signed } from './use-case';
import '@/core/words/en/sign';

/** What somebody can put their name to; each says what the name means. */
export type SigningAct = 'approve' | 'revise' | 'withdraw';

/**
 * Asks who somebody is once more, before they sign: the password of whoever is signed in. Tries are followed by the same growing delay as at the door, counted apart. Holds no transaction.
 * Errors: Problem (400) beside the password, (429). Source for asking at the act of signing: 21 CFR 11.200(a), common practice in laboratories.
 */
export async function confirmPerson(actor: Actor, password: string, act: SigningAct, now: Date): Promise<Signed> {
  const [row] = await database()
    .select({ email: user.email, hash: account.password })
    .from(user)
    .innerJoin(account, and(eq(account.userId, user.id), eq(account.providerId, 'credential')))
    .where(eq(user.id, actor.id));
  await guardedTry({ email: row?.email ?? actor.id, device: 'signing', network: '', now }, async () => {
    if (row?.hash && (await verify(row.hash, password))) return;
    throw new Problem(say({ code: 'sign.wrong' }), { password: say({ code: 'sign.wrong' }) });
  });
  return { by: actor.name, at: now.toISOString(), act, meaning: say({ code: `sign.${act}` }), how: 'password' };
}
