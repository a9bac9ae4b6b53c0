import { isIP } from 'node:net';
import { say } from '@/core/words/say';
import { Problem } from '@/platform/problem';
import '@/core/words/en/account';

/**
 * What passkeys are bound to: the house's name, never a bare network address, over https or on this very computer (WebAuthn Level 3, 5.1.2 and 13.4.9). Null where there can be none.
 *
 * @example
 * passkeyHost('https://bench.example') // 'bench.example'
 * passkeyHost('http://192.0.2.7:3000') // null
 */
export function passkeyHost(origin: string | undefined): string | null {
  if (!origin || !URL.canParse(origin)) return null;
  const { hostname, protocol } = new URL(origin);
  if (isIP(hostname.replace(/^\[|\]$/g, ''))) return null;
  return protocol === 'https:' || hostname === 'localhost' ? hostname : null;
}

/** Errors: Problem (409) where the address allows no passkeys. */
export function houseAddress(): { host: string; origin: string } {
  const origin = process.env.WERKBANK_ORIGIN ?? '';
  const host = passkeyHost(origin);
  if (!host) throw new Problem(say({ code: 'passkey.nowhere' }), {}, 409);
  return { host, origin: new URL(origin).origin };
}
