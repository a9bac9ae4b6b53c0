import { createCipheriv, createDecipheriv, hkdfSync, randomBytes } from 'node:crypto';

const NONCE = 12;
const TAG = 16;
const keyOf = (secret: string): Buffer => Buffer.from(hkdfSync('sha256', secret, '', 'werkbank sealed settings', 32));

/** Seals a text with the house's secret (AES-256-GCM, NIST SP 800-38D): what stands in the database opens nothing without the house's folder. */
export function seal(text: string, secret: string): string {
  const nonce = randomBytes(NONCE);
  const cipher = createCipheriv('aes-256-gcm', keyOf(secret), nonce);
  const body = Buffer.concat([cipher.update(text, 'utf8'), cipher.final()]);
  return Buffer.concat([nonce, cipher.getAuthTag(), body]).toString('base64url');
}

/** The text again; null where it was sealed with another secret or changed since. */
export function unseal(sealed: string, secret: string): string | null {
  try {
    const bytes = Buffer.from(sealed, 'base64url');
    const decipher = createDecipheriv('aes-256-gcm', keyOf(secret), bytes.subarray(0, NONCE), { authTagLength: TAG });
    decipher.setAuthTag(bytes.subarray(NONCE, NONCE + TAG));
    return Buffer.concat([decipher.update(bytes.subarray(NONCE + TAG)), decipher.final()]).toString('utf8');
  } catch {
    return null;
  }
}
