import { createPrivateKey, createPublicKey, sign } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import { signatureHolds } from './sign';

/** RFC 8037, appendix A.1 (key), A.4 (signature of the text "Example of Ed25519 signing"). */
const KEY = {
  kty: 'OKP',
  crv: 'Ed25519',
  d: 'nWGxne_9WmC6hEr0kuwsxERJxWl7MmkZcDusAxyuf2A',
  x: '11qYAYKxCrfVS_7TyWQHOg7hcvPapiMlrwIaaPcHURo',
};
const MESSAGE = Buffer.from('eyJhbGciOiJFZERTQSJ9.RXhhbXBsZSBvZiBFZDI1NTE5IHNpZ25pbmc');
const SIGNATURE = 'hgyY0il_MGCjP0JzlnLWG1PPOt7-09PGcvMg3AIbQR6dWbhijcNR4ki4iylGjg5BhVsPt9g7sVvpAr_MuM0KAg';
const publicKey = createPublicKey({ key: { kty: KEY.kty, crv: KEY.crv, x: KEY.x }, format: 'jwk' })
  .export({ type: 'spki', format: 'pem' })
  .toString();
const inBase64 = Buffer.from(SIGNATURE, 'base64url').toString('base64');

describe('signatures of certificates (Ed25519, RFC 8037 appendix A)', () => {
  it('the published signature holds for its text and key, and the key gives exactly that one', () => {
    expect(signatureHolds(MESSAGE.toString('hex'), inBase64, publicKey)).toBe(true);
    expect(sign(null, MESSAGE, createPrivateKey({ key: KEY, format: 'jwk' })).toString('base64url')).toBe(SIGNATURE);
  });
  it('holds for no other text, signature or key, and nonsense is no error', () => {
    const other = Buffer.from(MESSAGE);
    other[0]! ^= 1;
    expect(signatureHolds(other.toString('hex'), inBase64, publicKey)).toBe(false);
    expect(signatureHolds(MESSAGE.toString('hex'), inBase64.replace('h', 'i'), publicKey)).toBe(false);
    expect(signatureHolds(MESSAGE.toString('hex'), '', publicKey)).toBe(false);
    expect(signatureHolds(MESSAGE.toString('hex'), inBase64, 'no key')).toBe(false);
  });
});
