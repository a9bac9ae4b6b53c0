import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import Ajv from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import { describe, expect, it } from 'vitest';
import type { JWK } from 'jose';
import type { CertificateVersion2 } from '@/core/certificate';
import { checkFile } from '@/core/certificate/check/check-file';
import { documentIn } from '@/core/certificate/check/extract';
import { sampleFiles } from '@/processes/samples';

const FOLDER = join(process.cwd(), 'docs', 'samples');
const read = (name: string) => readFileSync(join(FOLDER, name));
const names = readdirSync(FOLDER)
  .filter((name) => name.endsWith('.json') && name !== 'jwks.json')
  .map((name) => name.replace('.json', ''));
const contentOf = (name: string) => (JSON.parse(read(`${name}.json`).toString()) as { content: CertificateVersion2 }).content;
const { keys } = JSON.parse(read('jwks.json').toString()) as { keys: JWK[] };

const ajv = new Ajv({ allErrors: true, strict: false });
addFormats(ajv);
const valid = ajv.compile(
  JSON.parse(readFileSync(join(process.cwd(), 'docs/schemas/werkbank-certificate-2.schema.json'), 'utf8')),
);

describe('the sample documents', () => {
  it('are what the code makes today, to the byte', async () => {
    const now = await sampleFiles({ papers: false });
    expect([...now.keys()].sort()).toEqual(
      readdirSync(FOLDER)
        .filter((name) => name.endsWith('.json'))
        .sort(),
    );
    for (const [name, bytes] of now) expect(bytes.equals(read(name)), `${name}: run npm run samples`).toBe(true);
  });

  it.each(names)('%s: in the schema, genuine as data and as paper, and the paper carries the same data', async (name) => {
    const data = JSON.parse(read(`${name}.json`).toString()) as unknown;
    expect(valid(data) ? [] : valid.errors).toEqual([]);
    for (const file of [`${name}.json`, `${name}.pdf`]) {
      const checked = await checkFile(new Uint8Array(read(file)), keys, null);
      expect(checked.findings, file).toEqual([]);
      expect(checked.verdict, file).toBe('genuine');
    }
    expect(await documentIn(new Uint8Array(read(`${name}.pdf`)))).toEqual(data);
  });

  it('a schema that could not fail would be no check: a verdict outside the closed list is refused', () => {
    const data = structuredClone(JSON.parse(read('four-gas.json').toString())) as { content: CertificateVersion2 };
    (data.content.results[0]!.left as { verdict: string }).verdict = 'fine';
    expect(valid(data)).toBe(false);
  });

  it('every kind of document that this house makes is among them', () => {
    expect([...new Set(names.map((name) => contentOf(name).kind))].sort()).toEqual([
      'accuracyCheck',
      'asFound',
      'bump',
      'calibration',
      'imported',
      'limited',
      'notCalibrated',
      'withdrawal',
      'zeroAdjustment',
    ]);
  });
});

describe('properties of a version-2 document that hold whatever was measured', () => {
  const judged = names.flatMap((name) =>
    contentOf(name).results.flatMap((line) =>
      [line.found, line.left].flatMap((one) => (one ? [{ name, content: contentOf(name), line, one }] : [])),
    ),
  );
  it('every stated U has a reference that exists and can be traced, k, coverage, and a budget in which every component says where it comes from', () => {
    const withU = judged.filter(({ one }) => one.expanded !== null);
    expect(withU.length).toBeGreaterThan(40);
    for (const { name, content, one } of withU) {
      const reference = content.references.find(({ id }) => id === one.referenceId);
      expect(reference?.traceability, `${name} ${one.referenceId}`).toBeTruthy();
      expect(Number(one.k)).toBeGreaterThan(1.6);
      expect(one.budget.length).toBeGreaterThan(1);
      for (const part of one.budget) expect(part.basis, `${name} ${part.name}`).toBeTruthy();
    }
  });
  it('a bottle set aside lends nothing: no reference, deviation or verdict', () => {
    for (const { one } of judged.filter((each) => each.one.reference === null))
      expect([one.deviation, one.expanded]).toEqual([null, null]);
  });
  it('as found never borrows from as left: a bottle changed in between shows as two references on one line', () => {
    const changed = contentOf('four-gas-bottle-changed').results.filter(
      (line) => line.found?.referenceId && line.left?.referenceId && line.found.referenceId !== line.left.referenceId,
    );
    expect(changed.length).toBeGreaterThan(0);
  });
});
