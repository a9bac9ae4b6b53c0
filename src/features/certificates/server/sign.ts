import { createPrivateKey, createPublicKey, sign, verify } from 'node:crypto';
import { signingKey } from '@/data/schema';
import type { Transaction } from '@/data/connection';

interface Key {
  id: string;
  private: string;
  public: string;
}

function ownKey(): Key {
  const text = process.env.WERKBANK_SIGNING_KEY;
  if (!text) throw new Error('WERKBANK_SIGNING_KEY is not set: npm start makes and hands over the key');
  return JSON.parse(text) as Key;
}

/** Signs a certificate's hash with the workshop's Ed25519 key (RFC 8032) and keeps the public half, so that old certificates stay checkable after a change of key. */
export async function signHash(tx: Transaction, hash: string, now: Date): Promise<{ signature: string; keyId: string }> {
  const key = ownKey();
  await tx.insert(signingKey).values({ id: key.id, publicKey: key.public, createdAt: now }).onConflictDoNothing();
  return { signature: sign(null, Buffer.from(hash, 'hex'), createPrivateKey(key.private)).toString('base64'), keyId: key.id };
}

export function signatureHolds(hash: string, signature: string, publicKey: string): boolean {
  try {
    return verify(null, Buffer.from(hash, 'hex'), createPublicKey(publicKey), Buffer.from(signature, 'base64'));
  } catch {
    return false;
  }
}
