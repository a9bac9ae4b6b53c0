import { and, eq, isNull, sql } from 'drizzle-orm';
import { alias } from 'drizzle-orm/pg-core';
import type { CertificateContent } from '@/core/certificate';
import type { Transaction } from '@/data/connection';
import { asset, certificate, customer, instrumentModel, runSummary, ticket } from '@/data/schema';
import { isId } from '@/platform/shape';

const newer = alias(certificate, 'newer');
const taking = alias(certificate, 'taking');

/** One certificate with the revision that replaced it, if any. */
export async function certificateById(tx: Transaction, id: string) {
  if (!isId(id)) return null;
  const [row] = await tx
    .select({
      certificate,
      replacedBy: newer.id,
      replacedByRevision: newer.revision,
      withdrawnBy: taking.id,
      withdrawnNumber: taking.number,
      status: runSummary.status,
    })
    .from(certificate)
    .leftJoin(newer, eq(newer.replaces, certificate.id))
    .leftJoin(taking, eq(taking.withdraws, certificate.id))
    .leftJoin(runSummary, eq(runSummary.runId, certificate.runId))
    .where(eq(certificate.id, id));
  return row ?? null;
}

export interface Verification {
  state: 'genuine' | 'replaced' | 'withdrawn' | 'unknown';
  kind?: CertificateContent['kind'];
  title?: string;
  withdrawnBy?: string;
  /** Hash of the data on record, and of the PDF as it was issued; null where none was ever drawn. */
  hash?: string;
  pdfHash?: string | null;
  number?: string;
  revision?: number;
  issued?: string;
  newest?: { number: string; revision: number };
}

/**
 * What the public page says of a code: nothing private, only whether it is ours and current. The database answers by a function of its own, so that the public listener's role reads no table.
 */
export async function verifyToken(tx: Transaction, token: string): Promise<Verification> {
  if (!/^[\w-]{20,40}$/.test(token)) return { state: 'unknown' };
  const { rows } = await tx.execute<PublicDocument>(sql`select * from public_document(${token})`);
  const [row] = rows;
  if (!row) return { state: 'unknown' };
  const { number, revision, issued, kind, title, hash } = row;
  const facts = { number, revision, issued, kind, title, hash, pdfHash: row.pdf_hash };
  if (row.withdrawn_by) return { state: 'withdrawn', ...facts, withdrawnBy: row.withdrawn_by };
  return row.newest_revision === null
    ? { state: 'genuine', ...facts }
    : { state: 'replaced', ...facts, newest: { number, revision: row.newest_revision } };
}

interface PublicDocument extends Record<string, unknown> {
  number: string;
  revision: number;
  kind: CertificateContent['kind'];
  title: string;
  issued: string;
  hash: string;
  pdf_hash: string | null;
  newest_revision: number | null;
  withdrawn_by: string | null;
}

/** The workshop's name, as the public listener may know it. */
export async function publicWorkshop(tx: Transaction): Promise<string> {
  const { rows } = await tx.execute<{ name: string }>(sql`select public_workshop() as name`);
  return rows[0]!.name;
}

/** Runs that wait for the signatory, oldest first. */
export async function waitingForApproval(tx: Transaction) {
  return tx
    .select({
      runId: runSummary.runId,
      finishedAt: runSummary.finishedAt,
      technician: runSummary.technician,
      asFound: runSummary.asFound,
      asLeft: runSummary.asLeft,
      serial: asset.serial,
      maker: asset.maker,
      model: instrumentModel.name,
      customer: customer.name,
      code: ticket.code,
    })
    .from(runSummary)
    .innerJoin(asset, eq(runSummary.assetId, asset.id))
    .innerJoin(instrumentModel, eq(asset.modelId, instrumentModel.id))
    .innerJoin(customer, eq(runSummary.customerId, customer.id))
    .leftJoin(ticket, eq(ticket.runId, runSummary.runId))
    .where(
      and(
        eq(runSummary.status, 'finished'),
        isNull(runSummary.approvedAt),
        // A failed bump whose ticket went on to a calibration waits for nobody.
        sql`exists (select from ticket t where t.run_id = ${runSummary.runId})`,
      ),
    )
    .orderBy(runSummary.finishedAt)
    .limit(100);
}
