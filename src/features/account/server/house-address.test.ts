import { describe, expect, it } from 'vitest';
import { passkeyHost } from './house-address';

describe('where passkeys can be (WebAuthn Level 3: a domain, in a secure context)', () => {
  it.each([
    ['https://bench.example', 'bench.example'],
    ['https://bench.example:8443', 'bench.example'],
    ['http://localhost:3000', 'localhost'],
    ['http://bench.example', null],
    ['http://127.0.0.1:3000', null],
    ['https://192.0.2.7', null],
    ['https://[2001:db8::1]', null],
    ['', null],
  ])('%s: %s', (origin, host) => {
    expect(passkeyHost(origin)).toBe(host);
  });
});
