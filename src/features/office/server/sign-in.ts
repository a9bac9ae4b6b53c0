import { and, eq, gt, sql } from 'drizzle-orm';
import { APIError } from 'better-auth/api';
import { headers } from 'next/headers';
import { database } from '@/data/connection';
import { signInFailure, user } from '@/data/schema';
import { auth } from '@/platform/auth';
import { recordAudit } from '@/platform/audit';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';

const MOST_FAILURES = 5;
const WINDOW_MINUTES = 15;

/** Signs in. Five failures of one address within a quarter of an hour close it for the rest of that time; the answer never says whether the address exists. */
export async function signIn(
  { tx, now }: UseCaseContext,
  { email: typed, password }: { email: string; password: string },
): Promise<{ home: string }> {
  const email = typed.toLowerCase();
  // One try of an address at a time: a burst can't slip past the count. Waiting would hold connections, so the second one is told.
  const { rows } = await tx.execute<{ free: boolean }>(
    sql`select pg_try_advisory_xact_lock(hashtextextended(${email}, 7204)) as free`,
  );
  if (!rows[0]!.free) throw new Problem('Somebody is signing in with this address at this moment. Try again.', {}, 429);
  const since = new Date(now.getTime() - WINDOW_MINUTES * 60_000);
  const [failures] = await tx
    .select({ n: sql<number>`count(*)::int` })
    .from(signInFailure)
    .where(and(eq(signInFailure.email, email), gt(signInFailure.at, since)));
  if (failures!.n >= MOST_FAILURES)
    throw new Problem(
      `Too many failed tries for this address. Wait ${WINDOW_MINUTES} minutes, or ask an administrator.`,
      {},
      429,
    );
  const [row] = await tx.select().from(user).where(eq(user.email, email));
  try {
    if (row && !row.active) throw new APIError('UNAUTHORIZED');
    await auth().api.signInEmail({ body: { email, password }, headers: await headers() });
  } catch (error) {
    if (!(error instanceof APIError)) throw error;
    // In a transaction of its own: this one is rolled back with the refusal.
    await database().transaction(async (own) => {
      await own.insert(signInFailure).values({ email, at: now });
      await recordAudit(
        { tx: own, actor: { id: row?.id ?? '', name: email, role: row?.role ?? 'counter' }, now },
        'signInFailed',
        email,
      );
    });
    throw new Problem('Address or password is not right.', { password: 'Address or password is not right.' });
  }
  await tx.delete(signInFailure).where(eq(signInFailure.email, email));
  return { home: '/' };
}

export async function signOut(): Promise<void> {
  await auth().api.signOut({ headers: await headers() });
}
