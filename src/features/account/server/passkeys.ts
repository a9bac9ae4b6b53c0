import { createHash, randomUUID } from 'node:crypto';
import {
  generateAuthenticationOptions,
  generateRegistrationOptions,
  verifyAuthenticationResponse,
  verifyRegistrationResponse,
  type AuthenticationResponseJSON,
  type AuthenticatorTransportFuture,
  type PublicKeyCredentialCreationOptionsJSON,
  type PublicKeyCredentialRequestOptionsJSON,
  type RegistrationResponseJSON,
} from '@simplewebauthn/server';
import { and, eq, gt, lt } from 'drizzle-orm';
import { say } from '@/core/words/say';
import { database } from '@/data/connection';
import { passkey, user, verification } from '@/data/schema';
import { asActor } from '@/platform/as-actor';
import { recordAudit } from '@/platform/audit';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import { houseAddress } from './house-address';
import '@/core/words/en/account';

/** How long a question to an authenticator stands. */
const ASKED_MS = 120_000;
type Purpose = 'register' | 'enter';
const digestOf = (challenge: string) => createHash('sha256').update(`challenge ${challenge}`).digest('hex');

/** A question stands once, for a while, in the database: whichever web process is asked next knows it. */
async function keepChallenge(challenge: string, purpose: Purpose): Promise<void> {
  const now = new Date();
  await database()
    .delete(verification)
    .where(and(lt(verification.expiresAt, now), eq(verification.value, purpose)));
  await database()
    .insert(verification)
    .values({ id: randomUUID(), identifier: digestOf(challenge), value: purpose, expiresAt: new Date(now.getTime() + ASKED_MS) });
}
async function takeChallenge(challenge: string, purpose: Purpose): Promise<boolean> {
  const taken = await database()
    .delete(verification)
    .where(
      and(
        eq(verification.identifier, digestOf(challenge)),
        eq(verification.value, purpose),
        gt(verification.expiresAt, new Date()),
      ),
    )
    .returning({ id: verification.id });
  return taken.length > 0;
}

/** What the browser is asked in order to make a passkey for this person. Errors: Problem (409) where the house's address allows none. */
export async function askForPasskey({ actor }: UseCaseContext): Promise<PublicKeyCredentialCreationOptionsJSON> {
  const { host } = houseAddress();
  const [person] = await database().select({ email: user.email }).from(user).where(eq(user.id, actor.id));
  const known = await database().select().from(passkey).where(eq(passkey.userId, actor.id));
  const options = await generateRegistrationOptions({
    rpName: 'Werkbank',
    rpID: host,
    userName: person?.email ?? actor.name,
    userDisplayName: actor.name,
    userID: new Uint8Array(Buffer.from(actor.id)),
    excludeCredentials: known.map((one) => ({ id: one.id, transports: one.transports as AuthenticatorTransportFuture[] })),
    // The authenticator itself asks for a finger or a PIN: a passkey alone is then two factors (NIST SP 800-63B, 5.1.9).
    authenticatorSelection: { residentKey: 'required', userVerification: 'required' },
  });
  await keepChallenge(options.challenge, 'register');
  return options;
}

/** Keeps the passkey that was made. Errors: Problem (400) for an answer that doesn't hold. */
export async function addPasskey(
  { actor, now }: UseCaseContext,
  { name, response }: { name: string; response: RegistrationResponseJSON },
): Promise<void> {
  const { host, origin } = houseAddress();
  const checked = await verifyRegistrationResponse({
    response,
    expectedChallenge: (challenge) => takeChallenge(challenge, 'register'),
    expectedOrigin: origin,
    expectedRPID: host,
    requireUserVerification: true,
  }).catch(() => null);
  if (!checked?.verified) throw new Problem(say({ code: 'passkey.refused' }));
  const { credential } = checked.registrationInfo;
  await database().transaction(async (tx) => {
    await asActor(tx, actor, 'addPasskey');
    await tx.insert(passkey).values({
      id: credential.id,
      userId: actor.id,
      name,
      publicKey: Buffer.from(credential.publicKey).toString('base64url'),
      counter: credential.counter,
      transports: credential.transports ?? [],
      madeAt: now,
    });
    await recordAudit({ tx, actor, now }, 'addPasskey', name);
  });
}

/** What any authenticator of this house is asked at the door or at a locked screen. */
export async function askPasskey(): Promise<PublicKeyCredentialRequestOptionsJSON> {
  const options = await generateAuthenticationOptions({ rpID: houseAddress().host, userVerification: 'required' });
  await keepChallenge(options.challenge, 'enter');
  return options;
}

/** Whose passkey answered. Errors: Problem (400) for an unknown one, an answer that doesn't hold, one given before, a copied authenticator (its counter went back). */
export async function passkeyPerson(response: AuthenticationResponseJSON): Promise<{ id: string; name: string; email: string }> {
  const { host, origin } = houseAddress();
  const [row] = await database()
    .select({ passkey, person: { id: user.id, name: user.name, email: user.email, active: user.active } })
    .from(passkey)
    .innerJoin(user, eq(user.id, passkey.userId))
    .where(eq(passkey.id, response.id));
  const checked = row
    ? await verifyAuthenticationResponse({
        response,
        expectedChallenge: (challenge) => takeChallenge(challenge, 'enter'),
        expectedOrigin: origin,
        expectedRPID: host,
        credential: {
          id: row.passkey.id,
          publicKey: new Uint8Array(Buffer.from(row.passkey.publicKey, 'base64url')),
          counter: row.passkey.counter,
        },
        requireUserVerification: true,
      }).catch(() => null)
    : null;
  if (!row?.person.active || !checked?.verified) throw new Problem(say({ code: 'passkey.refused' }));
  await database()
    .update(passkey)
    .set({ counter: checked.authenticationInfo.newCounter, usedAt: new Date() })
    .where(eq(passkey.id, row.passkey.id));
  return row.person;
}

/** Takes a passkey off. Somebody's own only. */
export async function dropPasskey({ tx, actor }: UseCaseContext, { id }: { id: string }): Promise<void> {
  await tx.delete(passkey).where(and(eq(passkey.id, id), eq(passkey.userId, actor.id)));
}
