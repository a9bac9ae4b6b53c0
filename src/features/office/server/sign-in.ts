import { eq } from 'drizzle-orm';
import { APIError } from 'better-auth/api';
import { cookies, headers } from 'next/headers';
import { say } from '@/core/words/say';
import type { Actor } from '@/core/record/event';
import { database } from '@/data/connection';
import { session, user } from '@/data/schema';
import { tellChange } from '@/platform/change-stream';
import type { UseCaseContext } from '@/platform/use-case';
import { auth, hashPassword } from '@/platform/auth';
import { recordAudit } from '@/platform/audit';
import { readDevice, writeDevice } from '@/platform/known-device';
import { networkOf, PEER_HEADER } from '@/platform/peer-address';
import { Problem } from '@/platform/problem';
import { hostCookie, isHttps } from '@/platform/session-cookie';
import { guardedTry } from '@/platform/guarded-try';

const DEVICE_COOKIE = 'werkbank_device';
const deviceCookie = () => hostCookie(DEVICE_COOKIE);
const DEVICE_DAYS = 180;

/**
 * Signs in. Failures are followed by a growing delay, here or elsewhere apart; the answer never says whether the address exists, nor does the time it takes.
 * Only who came in stands in the audit, with the failures before: what strangers try doesn't grow it. Errors: Problem (400) beside the password, (429).
 */
export async function signIn(
  { now }: { now: Date },
  { email: typed, password }: { email: string; password: string },
): Promise<{ home: string }> {
  const email = typed.toLowerCase();
  const db = database();
  const [row] = await db.select().from(user).where(eq(user.email, email));
  const jar = await cookies();
  const secret = process.env.WERKBANK_SECRET ?? '';
  const known = readDevice(jar.get(deviceCookie())?.value, secret);
  const device = known && known.userId === row?.id ? known.id : '';
  const { failures } = await guardedTry(
    { email, device, network: networkOf((await headers()).get(PEER_HEADER) ?? ''), now },
    async () => {
      try {
        // As long as for anybody else: the library works out a hash for an unknown address too.
        if (row && !row.active) {
          await hashPassword(password);
          throw new APIError('UNAUTHORIZED');
        }
        await auth().api.signInEmail({ body: { email, password }, headers: await headers() });
      } catch (error) {
        if (!(error instanceof APIError)) throw error;
        throw new Problem(say({ code: 'signIn.wrong' }), { password: say({ code: 'signIn.wrong' }) });
      }
    },
  );
  const actor: Actor = { id: row!.id, name: row!.name, role: row!.role };
  await db.transaction((tx) => recordAudit({ tx, actor, now }, 'signIn', email, failures ? { failuresBefore: failures } : {}));
  if (!device)
    jar.set(deviceCookie(), writeDevice(row!.id, secret), {
      httpOnly: true,
      sameSite: 'lax',
      secure: isHttps(),
      maxAge: DEVICE_DAYS * 86_400,
      path: '/',
    });
  return { home: '/' };
}

export async function signOut(): Promise<void> {
  await auth().api.signOut({ headers: await headers() });
}

/** Ends every session of this person, on whichever computer, and what listens there. */
export async function signOutEverywhere({ tx, actor }: UseCaseContext): Promise<void> {
  await tx.delete(session).where(eq(session.userId, actor.id));
  await tellChange(tx, 'session_ended', actor.id);
}
