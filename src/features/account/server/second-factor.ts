import { createHash } from 'node:crypto';
import { APIError } from 'better-auth/api';
import { and, count, eq, lt } from 'drizzle-orm';
import { headers } from 'next/headers';
import qrcode from 'qrcode';
import { say } from '@/core/words/say';
import { database } from '@/data/connection';
import { violatedUnique } from '@/data/database-problem';
import { passkey, spentCode, twoFactor, unlockSecret, user } from '@/data/schema';
import { recordAudit } from '@/platform/audit';
import { auth } from '@/platform/auth';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import '@/core/words/en/account';

/** Runs a call of the sign-in library; what it refuses stands beside the field that was typed. */
async function asked<T>(field: 'password' | 'code', call: () => Promise<T>): Promise<T> {
  try {
    return await call();
  } catch (error) {
    if (!(error instanceof APIError)) throw error;
    const text = say({ code: field === 'password' ? 'factor.wrongPassword' : 'factor.wrongCode' });
    throw new Problem(text, { [field]: text });
  }
}

/** Begins a second factor: the key as text and picture for an authenticator, and ten recovery codes. It holds once a first code was typed. Errors: Problem (400) beside the password. */
export async function beginSecondFactor(_context: UseCaseContext, { password }: { password: string }) {
  const begun = await asked('password', async () =>
    auth().api.enableTwoFactor({ body: { password, method: 'totp' }, headers: await headers() }),
  );
  if (begun.method !== 'totp') throw new Error('asked for one-time codes');
  const key = new URL(begun.totpURI).searchParams.get('secret') ?? '';
  return { key, picture: await qrcode.toString(begun.totpURI, { type: 'svg', margin: 2 }), codes: begun.backupCodes };
}

/** The first code of the authenticator: from now on one is asked at the door. Errors: Problem (400) beside the code. */
export async function confirmSecondFactor(context: UseCaseContext, { code }: { code: string }): Promise<void> {
  await asked('code', async () => auth().api.verifyTOTP({ body: { code }, headers: await headers() }));
  await spendCode(context.actor.id, code);
  await onRecord(context, 'confirmSecondFactor');
}

const onRecord = ({ actor, now }: UseCaseContext, what: string) =>
  database().transaction((tx) => recordAudit({ tx, actor, now }, what));

/** Ends it. Errors: Problem (400) beside the password. */
export async function endSecondFactor(context: UseCaseContext, { password }: { password: string }): Promise<void> {
  await asked('password', async () => auth().api.disableTwoFactor({ body: { password }, headers: await headers() }));
  await onRecord(context, 'endSecondFactor');
}

/** Ten new recovery codes; the ones before are void. Errors: Problem (400) beside the password. */
export async function renewRecoveryCodes(context: UseCaseContext, { password }: { password: string }): Promise<string[]> {
  const made = await asked('password', async () =>
    auth().api.generateBackupCodes({ body: { password }, headers: await headers() }),
  );
  await onRecord(context, 'renewRecoveryCodes');
  return made.backupCodes;
}

/** The code at the door, of the authenticator or one of the recovery codes; whose it was. Errors: Problem (400) beside the code. */
export async function codeAtDoor(code: string): Promise<{ id: string; recovery: boolean }> {
  const recovery = !/^\d{6}$/.test(code);
  const entered = await asked('code', async () =>
    recovery
      ? auth().api.verifyBackupCode({ body: { code }, headers: await headers() })
      : auth().api.verifyTOTP({ body: { code }, headers: await headers() }),
  );
  const id = entered.user?.id;
  if (!id) throw new Error('entered as nobody');
  return { id, recovery };
}

const CODE_KEPT_MS = 10 * 60_000;
/** A one-time code is good once (RFC 6238, 5.2). Errors: Problem (400) for one that was used. */
export async function spendCode(userId: string, code: string): Promise<void> {
  const digest = createHash('sha256').update(`${userId} ${code}`).digest('hex');
  await database()
    .delete(spentCode)
    .where(lt(spentCode.at, new Date(Date.now() - CODE_KEPT_MS)));
  try {
    await database().insert(spentCode).values({ userId, digest, at: new Date() });
  } catch (error) {
    if (!violatedUnique(error)) throw error;
    throw new Problem(say({ code: 'factor.usedCode' }), { code: say({ code: 'factor.usedCode' }) });
  }
}

/** What somebody has set up for the door and the bench computer. */
export async function factorsOf({ tx, actor }: Pick<UseCaseContext, 'tx' | 'actor'>) {
  const [person] = await tx.select({ on: user.twoFactorEnabled, email: user.email }).from(user).where(eq(user.id, actor.id));
  const keys = await tx.select().from(passkey).where(eq(passkey.userId, actor.id)).orderBy(passkey.madeAt);
  const [unlock] = await tx.select().from(unlockSecret).where(eq(unlockSecret.userId, actor.id));
  const [begun] = await tx
    .select({ n: count() })
    .from(twoFactor)
    .where(and(eq(twoFactor.userId, actor.id), eq(twoFactor.verified, false)));
  return {
    email: person?.email ?? '',
    codes: person?.on ?? false,
    begun: (begun?.n ?? 0) > 0,
    passkeys: keys.map((one) => ({ id: one.id, name: one.name, madeAt: one.madeAt, usedAt: one.usedAt })),
    pin: Boolean(unlock?.pinHash),
    badge: Boolean(unlock?.badgeDigest),
  };
}
