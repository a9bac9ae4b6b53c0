import { calculateJwkThumbprint, flattenedVerify, importJWK, type JWK } from 'jose';
import { canonicalJson } from '../canonical';

export type SignatureState = 'holds' | 'broken' | 'unknownKey';

/**
 * Whether the detached signature of a document holds under one of the published keys. Runs in a browser and in plain Node alike.
 * Sources: RFC 7515 appendix F (detached payload), RFC 8037 (Ed25519), RFC 8785 (canonical form), RFC 7638 (key id).
 */
export async function checkSignature(content: unknown, signature: unknown, keys: JWK[]): Promise<SignatureState> {
  const parts = typeof signature === 'string' ? signature.split('.') : [];
  if (parts.length !== 3 || parts[1] !== '') return 'broken';
  let kid: string;
  try {
    kid = String((JSON.parse(atob(parts[0]!.replace(/-/g, '+').replace(/_/g, '/'))) as { kid?: unknown }).kid);
  } catch {
    return 'broken';
  }
  for (const jwk of keys) {
    const { kty, crv, x } = jwk;
    if ((await calculateJwkThumbprint({ kty, crv, x } as JWK)) !== kid) continue;
    try {
      await flattenedVerify(
        { protected: parts[0]!, payload: base64url(canonicalJson(content)), signature: parts[2]! },
        await importJWK(jwk, 'EdDSA'),
      );
      return 'holds';
    } catch {
      return 'broken';
    }
  }
  return 'unknownKey';
}

function base64url(text: string): string {
  const bytes = new TextEncoder().encode(text);
  let binary = '';
  for (const byte of bytes) binary += String.fromCharCode(byte);
  return btoa(binary).replace(/\+/g, '-').replace(/\//g, '_').replace(/=+$/, '');
}
