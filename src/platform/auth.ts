import { hash, verify } from '@node-rs/argon2';
import { betterAuth } from 'better-auth';
import { drizzleAdapter } from 'better-auth/adapters/drizzle';
import { nextCookies } from 'better-auth/next-js';
import { twoFactor as twoFactorPlugin } from 'better-auth/plugins/two-factor';
import { database } from '@/data/connection';
import { hostCookie, isHttps, SESSION_COOKIE } from './session-cookie';
import { enterPlugin } from './enter';
import { withHashedSessions } from './hashed-sessions';
import { withSecondFactorFlag } from './second-factor-flag';
import { account, session, twoFactor, user, verification } from '@/data/schema';

/** Argon2id with the parameters that OWASP's password storage guide names first (19 MiB, 2 passes). */
const ARGON = { memoryCost: 19456, timeCost: 2, parallelism: 1 };
export const hashPassword = (password: string) => hash(password, ARGON);

/** All but the plugins. */
function options() {
  return {
    database: withHashedSessions(
      withSecondFactorFlag(
        drizzleAdapter(database(), { provider: 'pg', schema: { user, session, account, verification, twoFactor } }),
      ),
    ),
    secret: process.env.WERKBANK_SECRET,
    baseURL: process.env.WERKBANK_ORIGIN,
    // Self sign-up is off: people are added by an administrator. The library's own routes are not mounted.
    emailAndPassword: {
      enabled: true,
      disableSignUp: true,
      password: {
        hash: hashPassword,
        verify: ({ hash: stored, password }: { hash: string; password: string }) => verify(stored, password),
      },
    },
    user: {
      additionalFields: {
        role: { type: 'string', input: false },
        active: { type: 'boolean', input: false },
        passwordOnceUntil: { type: 'date', input: false, required: false },
      },
    },
    session: {
      expiresIn: 60 * 60 * 12,
      updateAge: 60 * 60,
      additionalFields: {
        signedInAt: { type: 'date', input: false, required: false },
        seenAt: { type: 'date', input: false, required: false },
        lockedAt: { type: 'date', input: false, required: false },
      },
    },
    // What stands in the database opens nothing.
    verification: { storeIdentifier: 'hashed' },
    advanced: {
      useSecureCookies: false,
      defaultCookieAttributes: { secure: isHttps() },
      cookies: { session_token: { name: hostCookie(SESSION_COOKIE), attributes: { secure: isHttps() } } },
    },
    // Failures are limited in the database (sign-in.ts), where every web process sees them.
    rateLimit: { enabled: false },
    telemetry: { enabled: false },
  } as const;
}

/** Ten recovery codes, each good once; encrypted with the house's secret, as the key of the one-time codes is. */
const codes = () =>
  twoFactorPlugin({ issuer: 'Werkbank', accountLockout: { enabled: true, maxFailedAttempts: 10, durationSeconds: 900 } });

// The plugin for cookies comes last: it hands the cookies of all others to the answer.
const make = () => betterAuth({ ...options(), plugins: [codes(), enterPlugin, nextCookies()] });
const makeReader = () => betterAuth({ ...options(), plugins: [codes()] });

/** Kept for as long as the database it was made for: whoever closes that and opens another gets another. */
function keptFor<T>(makeOne: () => T): () => T {
  let kept: { for: ReturnType<typeof database>; one: T } | undefined;
  return () => {
    if (kept?.for !== database()) kept = { for: database(), one: makeOne() };
    return kept.one;
  };
}

/** Made at first use: a build has no database. */
export const auth = keptFor(make);

/**
 * The same for looking who is signed in, which writes no cookie. The library takes the cookie of a session that is over away; from a request that was under way while somebody else came in at the same computer, that would be
 * the new one's.
 */
export const sessionReader = keptFor(makeReader);
