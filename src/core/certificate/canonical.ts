import canonicalizeModule from 'canonicalize';
import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';

const canonicalize = canonicalizeModule as unknown as (value: unknown) => string | undefined;

/** Canonical JSON text of a value: one form for one content. Source: RFC 8785. */
export function canonicalJson(value: unknown): string {
  const text = canonicalize(value);
  if (text === undefined) throw new RangeError('value must be something that JSON can hold');
  return text;
}

/** SHA-256 over the canonical JSON, in hex. Sources: RFC 8785, FIPS 180-4. */
export function contentHash(value: unknown): string {
  return bytesToHex(sha256(utf8ToBytes(canonicalJson(value))));
}
