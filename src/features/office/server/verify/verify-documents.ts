import { createHash } from 'node:crypto';
import { and, asc, eq, gt } from 'drizzle-orm';
import { isVersion2, type CertificateContent } from '@/core/certificate';
import { contentHash } from '@/core/certificate/canonical';
import { checkDocument } from '@/core/certificate/check/check-document';
import { checkSignature } from '@/core/certificate/check/signature';
import type { Transaction } from '@/data/connection';
import { certificate, certificatePdf, runEvent, signingKey } from '@/data/schema';
import { publishedKeys, signatureHolds, type PublicKey } from '@/features/certificates/server';
import { addFault, type VerifyReport } from './report';

const PAGE = 200;
type Row = typeof certificate.$inferSelect;

/** Every document in the order of issue: content, signature, figures, the one before it, its run, its number, and the PDF that was kept. Keys are believed from the anchor, or from the key file; never from the database. */
export async function verifyDocuments(tx: Transaction, report: VerifyReport, anchored: PublicKey[] | null): Promise<void> {
  const stored = new Map((await tx.select().from(signingKey)).map((key) => [key.id, key.publicKey]));
  const published = await publishedKeys();
  const believed = anchored ?? published;
  for (const key of published.filter((one) => !believed.some(({ kid, x }) => kid === one.kid && x === one.x)))
    addFault(report, `key ${key.kid}`, 'it is in the key file and not in the anchor');
  let [last, before] = [0, null as string | null];
  for (;;) {
    const rows = await tx
      .select()
      .from(certificate)
      .where(gt(certificate.issueNo, last))
      .orderBy(asc(certificate.issueNo))
      .limit(PAGE);
    if (rows.length === 0) break;
    for (const row of rows) {
      report.certificates += 1;
      const record = `certificate ${row.number}${row.revision ? ` revision ${row.revision}` : ''}`;
      const say = (what: string) => addFault(report, record, what);
      if (row.issueNo !== last + 1) say('a document issued before it is missing');
      await verifyDocument(row, { stored, believed, before, say });
      if (!(await leadsTo(tx, row))) say('the run it rests on does not lead to it');
      [last, before] = [row.issueNo, row.hash];
    }
  }
  await verifyNumbers(tx, report);
  await verifyPdfs(tx, report);
}

async function verifyDocument(
  row: Row,
  {
    stored,
    believed,
    before,
    say,
  }: { stored: Map<string, string>; believed: PublicKey[]; before: string | null; say: (what: string) => void },
): Promise<void> {
  const { content } = row;
  if (contentHash(content) !== row.hash) say('its content does not match its hash');
  const signed = isVersion2(content)
    ? await checkSignature(content, row.signature, believed)
    : signatureHolds(row.hash, row.signature, stored.get(row.keyId) ?? '')
      ? 'holds'
      : 'broken';
  if (signed === 'unknownKey') say('it is signed by a key that is not in the workshop’s key file');
  if (signed === 'broken') say('its signature does not hold');
  for (const what of documentFaults(content, before)) say(what);
  const differs =
    content.number !== row.number || content.revision !== row.revision || (isVersion2(content) && content.kind !== row.kind);
  if (differs) say('its number, revision or kind differs from its content');
}

/** What a document of today's form says of itself: its figures, and the one issued before it. */
function documentFaults(content: CertificateContent, previous: string | null): string[] {
  if (!isVersion2(content)) return [];
  const faults = checkDocument(content).map((one) => `${one.where}: ${one.code} does not hold`);
  if ((content.previous?.hash ?? null) !== previous) faults.push('it does not follow the document issued before it');
  return faults;
}

async function leadsTo(tx: Transaction, { runId, content }: Row): Promise<boolean> {
  const [found] = await tx
    .select({ seq: runEvent.seq })
    .from(runEvent)
    .where(and(eq(runEvent.runId, runId), eq(runEvent.hash, content.run.lastHash)));
  return found !== undefined;
}

/** No number of a series is left out. */
async function verifyNumbers(tx: Transaction, report: VerifyReport): Promise<void> {
  const rows = await tx
    .selectDistinct({ series: certificate.series, year: certificate.year, serial: certificate.serial })
    .from(certificate)
    .orderBy(asc(certificate.series), asc(certificate.year), asc(certificate.serial));
  const next = new Map<string, number>();
  for (const { series, year, serial } of rows) {
    const name = `${series}/${year}`;
    for (let number = next.get(name) ?? 1; number < serial && serial - number < 1000; number += 1)
      addFault(report, `number ${number} of ${year} (${series})`, 'is missing');
    next.set(name, serial + 1);
  }
}

/** The file that was issued is the file that is kept. */
async function verifyPdfs(tx: Transaction, report: VerifyReport): Promise<void> {
  let last = '00000000-0000-0000-0000-000000000000';
  for (;;) {
    const rows = await tx
      .select({
        id: certificatePdf.certificateId,
        bytes: certificatePdf.bytes,
        hash: certificatePdf.hash,
        number: certificate.number,
      })
      .from(certificatePdf)
      .innerJoin(certificate, eq(certificate.id, certificatePdf.certificateId))
      .where(gt(certificatePdf.certificateId, last))
      .orderBy(asc(certificatePdf.certificateId))
      .limit(20);
    if (rows.length === 0) return;
    for (const { bytes, hash, number } of rows)
      if (createHash('sha256').update(bytes).digest('hex') !== hash)
        addFault(report, `PDF of ${number}`, 'it is not the file that was issued');
    last = rows.at(-1)!.id;
  }
}
