import { createPrivateKey, createPublicKey } from 'node:crypto';
import { mkdirSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { calculateJwkThumbprint, exportJWK, FlattenedSign } from 'jose';
import { canonicalJson, contentHash } from '@/core/certificate/canonical';
import { drawCertificate } from '@/features/certificates/server';
import { sampleDocuments } from './samples/documents';

/** A key of the samples alone, known to everybody: it signs nothing else. Seed of 32 bytes in PKCS #8 (RFC 8410, section 7). */
const SEED = Buffer.from('werkbank-samples-key-known-to-all', 'utf8').subarray(0, 32);
const KEY = createPrivateKey({
  key: Buffer.concat([Buffer.from('302e020100300506032b657004220420', 'hex'), SEED]),
  format: 'der',
  type: 'pkcs8',
});
const FOLDER = join(process.cwd(), 'docs', 'samples');

async function publicKey() {
  const { kty, crv, x } = await exportJWK(createPublicKey(KEY));
  const jwk = { kty: kty!, crv: crv!, x: x! };
  return { ...jwk, kid: await calculateJwkThumbprint(jwk), alg: 'EdDSA', use: 'sig' };
}

/** Every sample as the bytes that stand in docs/samples: data, paper, and the key they are checked by. Dates are fixed, so that the same code gives the same bytes. */
export async function sampleFiles({ papers = true } = {}): Promise<Map<string, Buffer>> {
  const jwk = await publicKey();
  const files = new Map<string, Buffer>([['jwks.json', Buffer.from(`${JSON.stringify({ keys: [jwk] }, null, 1)}\n`)]]);
  for (const { name, content } of sampleDocuments()) {
    const jws = await new FlattenedSign(new TextEncoder().encode(canonicalJson(content)))
      .setProtectedHeader({ alg: 'EdDSA', kid: jwk.kid })
      .sign(KEY);
    const signature = `${jws.protected}..${jws.signature}`;
    files.set(`${name}.json`, Buffer.from(`${JSON.stringify({ content, signature }, null, 1)}\n`));
    if (!papers) continue;
    const pdf = await drawCertificate(content, {
      hash: contentHash(content),
      token: `sample-${name}`.padEnd(24, '0'),
      signature,
      keyId: jwk.kid,
      keys: [jwk.kid],
      issuedAt: new Date(content.authorisation.at),
      origin: 'https://port-ambrel.example',
    });
    files.set(`${name}.pdf`, pdf);
  }
  return files;
}

if (process.argv[1]?.endsWith('samples.ts')) {
  mkdirSync(FOLDER, { recursive: true });
  const files = await sampleFiles();
  readdirSync(FOLDER)
    .filter((name) => !files.has(name))
    .forEach((name) => rmSync(join(FOLDER, name)));
  for (const [name, bytes] of files) writeFileSync(join(FOLDER, name), bytes);
  console.log(`${files.size} files in docs/samples`);
}
