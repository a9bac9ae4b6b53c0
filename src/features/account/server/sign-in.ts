import { eq, sql } from 'drizzle-orm';
import { APIError } from 'better-auth/api';
import { cookies, headers } from 'next/headers';
import { say } from '@/core/words/say';
import type { AuthenticationResponseJSON } from '@simplewebauthn/server';
import type { Actor, Role } from '@/core/record/event';
import { database } from '@/data/connection';
import { session, user } from '@/data/schema';
import { tellChange } from '@/platform/change-stream';
import type { UseCaseContext } from '@/platform/use-case';
import { asActor } from '@/platform/as-actor';
import { auth, hashPassword } from '@/platform/auth';
import { recordAudit } from '@/platform/audit';
import { keepComputerPerson } from '@/platform/computer';
import { readDevice, writeDevice } from '@/platform/known-device';
import { networkOf, PEER_HEADER } from '@/platform/peer-address';
import { Problem } from '@/platform/problem';
import { hostCookie, isHttps } from '@/platform/session-cookie';
import { guardedTry } from '@/platform/guarded-try';
import { passkeyPerson } from './passkeys';
import { codeAtDoor, spendCode } from './second-factor';
import '@/core/words/en/answers';

const DEVICE_COOKIE = 'werkbank_device';
const deviceCookie = () => hostCookie(DEVICE_COOKIE);
const DEVICE_DAYS = 180;

/** In, or asked for the code of the second factor first. */
export type Entering = { home: string } | { factor: true };

/**
 * Signs in. Failures are followed by a growing delay, here or elsewhere apart; the answer never says whether the address exists, nor does the time it takes.
 * Only who came in stands in the audit, with the failures before: what strangers try doesn't grow it. Errors: Problem (400) beside the password, (429).
 */
export async function signIn(
  { now }: { now: Date },
  { email: typed, password }: { email: string; password: string },
): Promise<Entering> {
  const email = typed.toLowerCase();
  const [row] = await database().select().from(user).where(eq(user.email, email));
  const device = await deviceOf(row?.id);
  const { value, failures } = await guardedTry(
    { email, device, network: networkOf((await headers()).get(PEER_HEADER) ?? ''), now },
    async () => {
      try {
        // As long as for anybody else: the library works out a hash for an unknown address too.
        if (row && (!row.active || (row.passwordOnceUntil && row.passwordOnceUntil < now))) {
          await hashPassword(password);
          throw new APIError('UNAUTHORIZED');
        }
        return await auth().api.signInEmail({ body: { email, password }, headers: await headers() });
      } catch (error) {
        if (!(error instanceof APIError)) throw error;
        throw new Problem(say({ code: 'signIn.wrong' }), { password: say({ code: 'signIn.wrong' }) });
      }
    },
  );
  if ('twoFactorRedirect' in value && value.twoFactorRedirect) return { factor: true };
  return enter(row!, now, failures ? { failuresBefore: failures } : {});
}

/** The second factor: a code of the authenticator, or a recovery code. Errors: Problem (400) beside the code. */
export async function signInWithCode({ now }: { now: Date }, { code: typed }: { code: string }): Promise<Entering> {
  const code = typed.replace(/\s/g, '');
  const { id, recovery } = await codeAtDoor(code);
  const [row] = await database().select().from(user).where(eq(user.id, id));
  if (!row?.active) throw new Problem(say({ code: 'signIn.wrong' }), {}, 403);
  if (!recovery) await spendCode(id, code);
  return enter(row, now, { by: recovery ? 'recoveryCode' : 'code' });
}

/** A passkey asks for a finger or a PIN itself: it is both factors. Errors: Problem (400). */
export async function signInWithPasskey(
  { now }: { now: Date },
  { response }: { response: AuthenticationResponseJSON },
): Promise<Entering> {
  const person = await passkeyPerson(response);
  await auth().api.enterAs({ body: { userId: person.id, since: new Date().toISOString() }, headers: await headers() });
  const [row] = await database().select().from(user).where(eq(user.id, person.id));
  return enter(row!, now, { by: 'passkey' });
}

async function deviceOf(userId: string | undefined): Promise<string> {
  const known = readDevice((await cookies()).get(deviceCookie())?.value, process.env.WERKBANK_SECRET ?? '');
  return known && known.userId === userId ? known.id : '';
}

/** What is kept of whoever came in: the audit, the browser that is known from now on, and that it is their bench computer today. */
async function enter(
  row: { id: string; name: string; role: Role; email: string },
  now: Date,
  detail: Record<string, unknown>,
): Promise<Entering> {
  const actor: Actor = { id: row.id, name: row.name, role: row.role };
  await database().transaction(async (tx) => {
    await asActor(tx, actor, 'signIn');
    // A password that somebody else gave is good for this one time.
    await tx.execute(sql`select spend_password_once(${row.id}, ${now.toISOString()}::timestamptz)`);
    await recordAudit({ tx, actor, now }, 'signIn', row.email, detail);
  });
  if (!(await deviceOf(row.id)))
    (await cookies()).set(deviceCookie(), writeDevice(row.id, process.env.WERKBANK_SECRET ?? ''), {
      httpOnly: true,
      sameSite: 'lax',
      secure: isHttps(),
      maxAge: DEVICE_DAYS * 86_400,
      path: '/',
    });
  await keepComputerPerson(row.id, new Date());
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
