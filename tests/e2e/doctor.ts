import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { CertificateVersion2 } from '@/core/certificate';

interface Signed {
  content: CertificateVersion2;
  signature: string;
}
const folder = () => mkdtempSync(join(tmpdir(), 'werkbank-doctored-'));
// 3 is "done, with warnings": good enough for a forger.
const qpdf = (...args: string[]) => {
  try {
    execFileSync('qpdf', args, { stdio: 'pipe' });
  } catch (error) {
    if ((error as { status: number }).status !== 3) throw error;
  }
};

/** The paper done over by a common PDF tool. */
function redone(pdf: Buffer, ...how: string[]): Buffer {
  const dir = folder();
  const [from, to] = [join(dir, 'from.pdf'), join(dir, 'to.pdf')];
  writeFileSync(from, pdf);
  qpdf(from, ...how.map((one) => one.replaceAll('@', from)), to);
  return readFileSync(to);
}

/** Something drawn over the first page: a patch in the colour of paper, where a result stands. */
function patched(pdf: Buffer): Buffer {
  const plain = redone(pdf, '--qdf', '--object-streams=disable');
  const at = plain.indexOf('stream\n') + 'stream\n'.length;
  const patch = Buffer.from('q 1 1 1 rg 60 300 300 60 re f Q\n');
  const dir = folder();
  writeFileSync(join(dir, 'patched.pdf'), Buffer.concat([plain.subarray(0, at), patch, plain.subarray(at)]));
  const fixed = join(dir, 'fixed.pdf');
  qpdf(join(dir, 'patched.pdf'), fixed);
  return readFileSync(fixed);
}

/** The same paper with other data in it. */
function carrying(pdf: Buffer, data: Signed): Buffer {
  const file = join(folder(), 'certificate.json');
  writeFileSync(file, JSON.stringify(data));
  return redone(
    pdf,
    '--remove-attachment=certificate.json',
    '--add-attachment',
    file,
    '--key=certificate.json',
    '--mimetype=application/json',
    '--',
  );
}

/** Ten ways to doctor an issued document: four of them change only what is seen. `other` is another document of the same house. */
export function doctored(pdf: Buffer, data: Signed, other: Signed): Record<string, Buffer> {
  const changed = (change: (content: CertificateVersion2) => void) => {
    const content = structuredClone(data.content);
    change(content);
    return carrying(pdf, { content, signature: data.signature });
  };
  const judged = (content: CertificateVersion2) => content.results.find((line) => line.left?.expanded)!.left!;
  return {
    'seen: a patch over a result': patched(pdf),
    'seen: only its first page': redone(pdf, '--pages', '@', '1', '--'),
    'seen: another sheet laid over it': redone(pdf, '--overlay', '@', '--from=r1', '--to=1', '--'),
    'seen: turned upside down': redone(pdf, '--rotate=+180:1'),
    'a better reading, and its deviation': changed((content) => {
      const one = judged(content);
      one.reading = one.reference!;
      one.deviation = (0).toFixed(one.deviation!.split('.')[1]?.length ?? 0);
    }),
    'outside called within': changed((content) => {
      judged(content).verdict = judged(content).verdict === 'within' ? 'outside' : 'within';
    }),
    'a smaller U': changed((content) => {
      judged(content).expanded = String(Number(judged(content).expanded) / 10);
    }),
    'another serial number': changed((content) => {
      content.item.serial = 'ZZ-0001';
    }),
    'the signature of another document': carrying(pdf, { content: data.content, signature: other.signature }),
    'another genuine document in this paper': carrying(pdf, other),
  };
}
