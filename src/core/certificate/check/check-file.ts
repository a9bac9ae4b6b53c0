import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';
import type { JWK } from 'jose';
import { contentHash } from '../canonical';
import { SCHEMA_2, type CertificateVersion2 } from '../version-2';
import type { Fact } from '../../words/say';
import { checkDocument, type Finding } from './check-document';
import { documentIn } from './extract';
import { checkSignature } from './signature';
import '@/core/words/en/check';

/** What the workshop has on record under the code that is being looked at. */
export interface OnRecord {
  number: string;
  revision: number;
  hash: string;
  /** Hash of the PDF's bytes as issued; null where none was ever drawn. */
  pdfHash: string | null;
}
export interface CheckedFile {
  verdict: 'genuine' | 'doctored' | 'notOurs' | 'unreadable';
  lines: { good: boolean; fact: Fact }[];
  findings: Finding[];
  content: CertificateVersion2 | null;
}

/**
 * Checks a file by itself: data, signature, every figure; and, where a record is known, whether it is that document and byte for byte the PDF that was issued.
 * Nothing leaves the place where this runs.
 */
export async function checkFile(bytes: Uint8Array, keys: JWK[], record: OnRecord | null): Promise<CheckedFile> {
  const lines: CheckedFile['lines'] = [];
  const say = (good: boolean, fact: Fact) => lines.push({ good, fact });
  const nothing = { lines, findings: [], content: null };
  const data = (await documentIn(bytes)) as { content?: CertificateVersion2; signature?: unknown } | null;
  const content = data?.content;
  if (!content || typeof content !== 'object' || typeof content.number !== 'string') {
    say(false, { code: 'check.noDocument' });
    return { ...nothing, verdict: 'unreadable' };
  }
  if (content.schema !== SCHEMA_2) {
    say(false, { code: 'check.version1' });
    return { ...nothing, verdict: 'unreadable' };
  }
  if (record && (content.number !== record.number || content.revision !== record.revision))
    say(false, {
      code: 'check.otherDocument',
      numbers: {
        found: `${content.number}${content.revision ? ` revision ${content.revision}` : ''}`,
        expected: `${record.number}${record.revision ? ` revision ${record.revision}` : ''}`,
      },
    });
  const signature = await checkSignature(content, data.signature, keys);
  say(signature === 'holds', {
    code: signature === 'holds' ? 'check.signatureHolds' : signature === 'broken' ? 'check.signatureBroken' : 'check.unknownKey',
  });
  const findings = recomputed(content);
  const judged = content.results.flatMap((line) => [line.found, line.left].filter((one) => one !== null));
  if (findings.length) say(false, { code: 'check.findings', numbers: { count: findings.length } });
  else
    say(true, {
      code: 'check.recomputed',
      numbers: { results: judged.length, components: judged.reduce((sum, one) => sum + one.budget.length, 0) },
    });
  if (record) {
    const same = contentHash(content) === record.hash;
    say(same, { code: same ? 'check.hashSame' : 'check.hashDiffers' });
    if (isPdf(bytes)) {
      const drawn = record.pdfHash === null ? null : bytesToHex(sha256(bytes)) === record.pdfHash;
      say(drawn === true, {
        code: drawn === null ? 'check.bytesUnknown' : drawn ? 'check.bytesSame' : 'check.bytesDiffer',
      });
    }
  }
  const good = lines.every((line) => line.good);
  return { verdict: good ? 'genuine' : signature === 'holds' ? 'doctored' : 'notOurs', lines, findings, content };
}

const isPdf = (bytes: Uint8Array) => new TextDecoder('latin1').decode(bytes.subarray(0, 1024)).includes('%PDF-');

/** A document that was bent out of shape is a finding, not a crash. */
function recomputed(content: CertificateVersion2): Finding[] {
  try {
    return checkDocument(content);
  } catch (error) {
    return [{ code: 'finding.incomplete', where: String(error), numbers: {} }];
  }
}
