import { createPrivateKey, createPublicKey, verify } from 'node:crypto';
import { calculateJwkThumbprint, exportJWK, FlattenedSign, type JWK } from 'jose';
import { canonicalJson } from '@/core/certificate/canonical';
import type { CertificateVersion2 } from '@/core/certificate';

interface Key {
  private: string;
  public: string;
}

/** The house's own key. Errors: Error where this process was started without. */
export function ownKey(): Key {
  const text = process.env.WERKBANK_SIGNING_KEY;
  if (!text) throw new Error('WERKBANK_SIGNING_KEY is not set: npm start makes and hands over the key');
  return JSON.parse(text) as Key;
}

export type PublicKey = JWK & { kid: string };
const known = new Map<string, Promise<PublicKey>>();

/** A public key as it is published: key id is its thumbprint (RFC 7638). */
function asPublished(pem: string): Promise<PublicKey> {
  let made = known.get(pem);
  if (!made) {
    made = (async () => {
      const { kty, crv, x } = await exportJWK(createPublicKey(pem));
      const jwk = { kty: kty!, crv: crv!, x: x! };
      return { ...jwk, kid: await calculateJwkThumbprint(jwk), alg: 'EdDSA', use: 'sig' };
    })();
    known.set(pem, made);
  }
  return made;
}

/** The keys that documents of this house are checked by: its own and its former ones, from its key file. What only stands in the database proves nothing. */
export function publishedKeys(): Promise<PublicKey[]> {
  const former = JSON.parse(process.env.WERKBANK_FORMER_KEYS ?? '[]') as string[];
  // The public listener is started without the half that signs.
  const own = process.env.WERKBANK_PUBLIC_KEY ?? ownKey().public;
  return Promise.all([own, ...former].map(asPublished));
}

/**
 * Signs a document: JWS with detached payload (RFC 7515 appendix F) by Ed25519 (RFC 8037) over its canonical form (RFC 8785). The public half stands in the record already: whoever installed the house put it there
 * (data/keep-key.ts), the application can't.
 */
export async function signContent(content: CertificateVersion2): Promise<{ signature: string; keyId: string }> {
  const key = ownKey();
  const { kid } = await asPublished(key.public);
  const jws = await new FlattenedSign(new TextEncoder().encode(canonicalJson(content)))
    .setProtectedHeader({ alg: 'EdDSA', kid })
    .sign(createPrivateKey(key.private));
  return { signature: `${jws.protected}..${jws.signature}`, keyId: kid };
}

/** Version 1: a bare signature over the hash. */
export function signatureHolds(hash: string, signature: string, publicKey: string): boolean {
  try {
    return verify(null, Buffer.from(hash, 'hex'), createPublicKey(publicKey), Buffer.from(signature, 'base64'));
  } catch {
    return false;
  }
}
