import { asc, eq } from 'drizzle-orm';
import { contentHash } from '@/core/certificate/canonical';
import type { Database } from '@/data/connection';
import { audit, certificate, procedureVersion, run, runEvent, signingKey } from '@/data/schema';
import { eventHash, storedEvent } from '@/features/bench/server';
import { isVersion2, type CertificateContent } from '@/core/certificate';
import { checkDocument } from '@/core/certificate/check/check-document';
import { checkSignature } from '@/core/certificate/check/signature';
import { publishedKeys, signatureHolds } from '@/features/certificates/server';
import { auditHash, FIRST_HASH } from '@/platform/audit';

export interface Fault {
  record: string;
  what: string;
}
export interface VerifyReport {
  runs: number;
  events: number;
  certificates: number;
  audits: number;
  faults: Fault[];
}

/** Walks every hash chain, every certificate's hash and signature, and the frozen procedures, and names what is broken. */
export async function verifyRecords(db: Database): Promise<VerifyReport> {
  const report: VerifyReport = { runs: 0, events: 0, certificates: 0, audits: 0, faults: [] };
  const lastHashes = await verifyRuns(db, report);
  await verifyCertificates(db, report, lastHashes);
  await verifyAudit(db, report);
  for (const row of await db.select().from(procedureVersion)) {
    if (contentHash(row.document) !== row.hash)
      report.faults.push({ record: `procedure ${row.id} version ${row.version}`, what: 'the document does not match its hash' });
  }
  return report;
}

async function verifyRuns(db: Database, report: VerifyReport): Promise<Map<string, Set<string>>> {
  const hashes = new Map<string, Set<string>>();
  for (const { id } of await db.select({ id: run.id }).from(run)) {
    report.runs += 1;
    const rows = await db.select().from(runEvent).where(eq(runEvent.runId, id)).orderBy(asc(runEvent.seq));
    let previous = FIRST_HASH;
    rows.forEach((row, index) => {
      report.events += 1;
      const record = `run ${id}, event ${row.seq}`;
      if (row.seq !== index + 1) report.faults.push({ record, what: `an event before it is missing (expected ${index + 1})` });
      if (row.previousHash !== previous) report.faults.push({ record, what: 'does not follow the event before it' });
      if (eventHash(storedEvent(row), row.previousHash) !== row.hash)
        report.faults.push({ record, what: 'its content does not match its hash' });
      previous = row.hash;
    });
    hashes.set(id, new Set(rows.map((row) => row.hash)));
  }
  return hashes;
}

async function verifyCertificates(db: Database, report: VerifyReport, hashes: Map<string, Set<string>>): Promise<void> {
  const keys = new Map((await db.select().from(signingKey)).map((key) => [key.id, key.publicKey]));
  const rows = await db
    .select()
    .from(certificate)
    .orderBy(asc(certificate.series), asc(certificate.year), asc(certificate.serial), asc(certificate.revision));
  const published = await publishedKeys();
  const hashOf = new Map(rows.map((row) => [row.issueNo, row.hash]));
  let before: (typeof rows)[number] | undefined;
  for (const row of rows) {
    report.certificates += 1;
    const record = `certificate ${row.number}${row.revision ? ` revision ${row.revision}` : ''}`;
    if (contentHash(row.content) !== row.hash) report.faults.push({ record, what: 'its content does not match its hash' });
    const { content } = row;
    const signed = isVersion2(content)
      ? await checkSignature(content, row.signature, published)
      : signatureHolds(row.hash, row.signature, keys.get(row.keyId) ?? '')
        ? 'holds'
        : 'broken';
    if (signed === 'unknownKey')
      report.faults.push({ record, what: 'it is signed by a key that is not in the workshop’s key file' });
    if (signed === 'broken') report.faults.push({ record, what: 'its signature does not hold' });
    report.faults.push(...documentFaults(content, record, hashOf.get(row.issueNo - 1) ?? null));
    if (!hashes.get(row.runId)?.has(row.content.run.lastHash))
      report.faults.push({ record, what: 'the run it rests on does not lead to it' });
    if (row.content.number !== row.number || row.content.revision !== row.revision)
      report.faults.push({ record, what: 'its number differs from its content' });
    const expected = before && before.year === row.year && before.series === row.series ? before.serial : 0;
    if (row.serial > expected + 1) report.faults.push({ record, what: `number ${expected + 1} of ${row.year} is missing` });
    before = row;
  }
}

/** What a document of today's form says of itself: its figures, and the one issued before it. */
function documentFaults(content: CertificateContent, record: string, previous: string | null): Fault[] {
  if (!isVersion2(content)) return [];
  const faults = checkDocument(content).map((one) => ({ record, what: `${one.where}: ${one.code} does not hold` }));
  if ((content.previous?.hash ?? null) !== previous)
    faults.push({ record, what: 'it does not follow the document issued before it' });
  return faults;
}

async function verifyAudit(db: Database, report: VerifyReport): Promise<void> {
  let previous = FIRST_HASH;
  for (const row of await db.select().from(audit).orderBy(asc(audit.id))) {
    report.audits += 1;
    const record = `audit entry ${row.id} (${row.action})`;
    if (row.previousHash !== previous) report.faults.push({ record, what: 'does not follow the entry before it' });
    if (
      auditHash({
        at: row.at.toISOString(),
        actor: row.actor,
        action: row.action,
        subject: row.subject,
        detail: row.detail,
        previousHash: row.previousHash,
      }) !== row.hash
    )
      report.faults.push({ record, what: 'its content does not match its hash' });
    previous = row.hash;
  }
}
