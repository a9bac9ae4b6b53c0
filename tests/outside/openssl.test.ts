import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createPublicKey } from 'node:crypto';
import { expect, it } from 'vitest';

/**
 * A stranger's check of a document with nothing of ours: the canonical form by Python's json module, the signature by OpenSSL.
 * Sources: RFC 8785 (all strings and whole numbers here, where sorted keys without white space are the form), RFC 7515 appendix F, RFC 8037.
 */
const SAMPLES = join(process.cwd(), 'docs', 'samples');
const CANONICAL = `
import json, sys
content = json.load(open(sys.argv[1], encoding='utf-8'))['content']
if len(sys.argv) > 2:
    content['results'][0]['left']['reading'] += '1'
sys.stdout.buffer.write(json.dumps(content, sort_keys=True, separators=(',', ':'), ensure_ascii=False).encode('utf-8'))
`;

function opensslSays(name: string, doctored: boolean): string {
  const folder = mkdtempSync(join(tmpdir(), 'werkbank-openssl-'));
  const file = join(SAMPLES, `${name}.json`);
  const { signature } = JSON.parse(readFileSync(file, 'utf8')) as { signature: string };
  const [header, signed] = signature.split('..') as [string, string];
  const payload = execFileSync('/usr/bin/python3', ['-c', CANONICAL, file, ...(doctored ? ['doctored'] : [])]);
  const { keys } = JSON.parse(readFileSync(join(SAMPLES, 'jwks.json'), 'utf8')) as {
    keys: [{ kty: string; crv: string; x: string }];
  };
  const [message, mark, key] = ['message', 'signature', 'key.pem'].map((one) => join(folder, one)) as [string, string, string];
  writeFileSync(message, `${header}.${payload.toString('base64url')}`);
  writeFileSync(mark, Buffer.from(signed, 'base64url'));
  writeFileSync(key, createPublicKey({ key: keys[0], format: 'jwk' }).export({ type: 'spki', format: 'pem' }));
  try {
    return execFileSync('openssl', ['pkeyutl', '-verify', '-pubin', '-inkey', key, '-rawin', '-in', message, '-sigfile', mark], {
      encoding: 'utf8',
      stdio: ['ignore', 'pipe', 'pipe'],
    });
  } catch (error) {
    return String((error as { stdout: string }).stdout);
  }
}

it.each(['four-gas-bottle-changed', 'ph-two-buffers-two-temperatures', 'revision', 'withdrawal'])(
  'OpenSSL and Python alone bear out the signature of %s',
  (name) => expect(opensslSays(name, false)).toContain('Signature Verified Successfully'),
);

it('and refuse it once a single digit was put behind a reading', () => {
  expect(opensslSays('four-gas', true)).toContain('Signature Verification Failure');
});
