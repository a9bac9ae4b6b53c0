import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { createHash } from 'node:crypto';
import type { JWK } from 'jose';
import { describe, expect, it } from 'vitest';
import type { CertificateVersion2 } from '@/core/certificate';
import { contentHash } from '@/core/certificate/canonical';
import { checkFile, type OnRecord } from '@/core/certificate/check/check-file';

const read = (name: string) => readFileSync(join(process.cwd(), 'docs', 'samples', name));
const { keys } = JSON.parse(read('jwks.json').toString()) as { keys: JWK[] };
const signed = () => JSON.parse(read('four-gas.json').toString()) as { content: CertificateVersion2; signature: string };
const bytes = (data: unknown) => new TextEncoder().encode(typeof data === 'string' ? data : JSON.stringify(data));
const pdf = new Uint8Array(read('four-gas.pdf'));
const record = (rest: Partial<OnRecord> = {}): OnRecord => ({
  number: signed().content.number,
  revision: 0,
  hash: contentHash(signed().content),
  pdfHash: createHash('sha256').update(pdf).digest('hex'),
  ...rest,
});
const codes = async (file: Uint8Array, of: OnRecord | null = null, with_: JWK[] = keys) => {
  const { verdict, lines } = await checkFile(file, with_, of);
  return [verdict, ...lines.filter((line) => !line.good).map((line) => line.fact.code)];
};

describe('a file is told from what it only looks like', () => {
  it('the issued PDF and its data, with the record beside', async () => {
    expect(await codes(pdf, record())).toEqual(['genuine']);
    expect(await codes(bytes(signed()), record())).toEqual(['genuine']);
  });
  it('no file of ours, no document in it, or one of the first form', async () => {
    expect(await codes(bytes('hello'))).toEqual(['unreadable', 'check.noDocument']);
    expect(await codes(bytes('%PDF-1.7 /Type /EmbeddedFile nothing more'))).toEqual(['unreadable', 'check.noDocument']);
    expect(await codes(bytes('obj << /Type /EmbeddedFile >> stream\nnever ends %PDF-'))).toEqual([
      'unreadable',
      'check.noDocument',
    ]);
    expect(await codes(bytes({ content: { number: 'C-1', schema: 'werkbank-certificate/1' } }))).toEqual([
      'unreadable',
      'check.version1',
    ]);
  });
  it('data that was bent, and bent out of shape', async () => {
    const bent = signed();
    bent.content.item.serial = 'OTHER';
    expect(await codes(bytes(bent), record())).toEqual(['notOurs', 'check.signatureBroken', 'check.hashDiffers']);
    const shapeless = signed();
    shapeless.content.results = [{ left: { budget: null } }] as never;
    expect(await codes(bytes(shapeless))).toEqual(['notOurs', 'check.signatureBroken', 'check.findings']);
  });
  it('a signature by nobody, by a key that was never published, and none at all', async () => {
    expect(await codes(bytes(signed()), null, [])).toEqual(['notOurs', 'check.unknownKey']);
    expect(await codes(bytes({ ...signed(), signature: 'x..y' }))).toEqual(['notOurs', 'check.signatureBroken']);
    expect(await codes(bytes({ ...signed(), signature: 'one.two.three' }))).toEqual(['notOurs', 'check.signatureBroken']);
    expect(await codes(bytes({ content: signed().content }))).toEqual(['notOurs', 'check.signatureBroken']);
  });
  it('a genuine document under the code of another, and a PDF that was never issued', async () => {
    expect(await codes(pdf, record({ number: 'C-2026-99999', revision: 2 }))).toEqual(['doctored', 'check.otherDocument']);
    expect(await codes(pdf, record({ pdfHash: null }))).toEqual(['doctored', 'check.bytesUnknown']);
    expect(await codes(pdf, record({ pdfHash: 'ff' }))).toEqual(['doctored', 'check.bytesDiffer']);
  });
});
