import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { JWK } from 'jose';
import { beforeAll, describe, expect, it } from 'vitest';
import { checkFile } from '@/core/certificate/check/check-file';
import { signPdf } from '@/features/certificates/server/sign-pdf';

const SAMPLES = join(process.cwd(), 'docs', 'samples');
const drawn = readFileSync(join(SAMPLES, 'four-gas.pdf'));
const { keys } = JSON.parse(readFileSync(join(SAMPLES, 'jwks.json'), 'utf8')) as { keys: JWK[] };
const folder = mkdtempSync(join(tmpdir(), 'werkbank-pdfsig-'));
const file = (name: string) => join(folder, name);
const given = { name: 'Port Ambrel Instrument Workshop', place: 'Port Ambrel', at: new Date('2026-11-25T09:30:00Z') };

/** What poppler's own verifier says; nothing of ours. */
const pdfsig = (name: string) => {
  try {
    return execFileSync('pdfsig', ['-nocert', file(name)], { encoding: 'utf8' });
  } catch (error) {
    return String((error as { stdout: string }).stdout);
  }
};

describe('the PDF signed with a certificate of the workshop’s own (ISO 32000-1:2008, 12.8)', () => {
  beforeAll(() => {
    const openssl = (...args: string[]) => execFileSync('openssl', args, { stdio: 'ignore' });
    openssl(
      'req',
      '-x509',
      '-newkey',
      'rsa:2048',
      '-nodes',
      '-keyout',
      file('key.pem'),
      '-out',
      file('cert.pem'),
      '-days',
      '30',
      '-subj',
      '/CN=Port Ambrel Instrument Workshop',
    );
    openssl(
      'pkcs12',
      '-export',
      '-inkey',
      file('key.pem'),
      '-in',
      file('cert.pem'),
      '-out',
      file('own.p12'),
      '-passout',
      'pass:harbour',
    );
  });
  const sign = () => signPdf(drawn, given, { file: file('own.p12'), password: 'harbour' });

  it('pdfsig finds it valid and over the whole document; the drawn bytes are untouched, the data is still found', async () => {
    const signed = await sign();
    writeFileSync(file('signed.pdf'), signed);
    const said = pdfsig('signed.pdf');
    expect(said).toContain('Signature is Valid');
    expect(said).toContain('Total document signed');
    expect(said).toContain('Port Ambrel Instrument Workshop');
    expect(signed.subarray(0, drawn.length).equals(drawn)).toBe(true);
    expect((await checkFile(new Uint8Array(signed), keys, null)).verdict).toBe('genuine');
  });
  it('pdfsig refuses it once a byte of the drawn part was changed', async () => {
    const bent = Buffer.from(await sign());
    const at = bent.indexOf('/MediaBox');
    bent[bent.indexOf('595', at)] = '6'.charCodeAt(0);
    writeFileSync(file('bent.pdf'), bent);
    expect(pdfsig('bent.pdf')).toMatch(/Digest Mismatch|Signature is Invalid/);
  });
  it('a wrong password or a missing file stops it; without a certificate it goes out as drawn', async () => {
    await expect(signPdf(drawn, given, { file: file('own.p12'), password: 'wrong' })).rejects.toThrow();
    await expect(signPdf(drawn, given, { file: file('nowhere.p12'), password: '' })).rejects.toThrow(/nowhere/);
    expect(await signPdf(drawn, given, {})).toBe(drawn);
  });
});
