import { and, desc, eq, isNull, lt, or, sql, type SQL } from 'drizzle-orm';
import Papa from 'papaparse';
import { alias } from 'drizzle-orm/pg-core';
import type { CertificateContent } from '@/core/certificate';
import type { Transaction } from '@/data/connection';
import { assetsBegun, CUSTOMER_TEXT, plainLike } from '@/data/find-text';
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

/** As many instruments or customers are looked at for what is typed; whoever finds more types more. */
const MOST_MATCHES = 500;
/** A document whose number begins so, whose instrument's serial or tag begins so, or whose customer's name has it. */
function about(typed: string): SQL {
  const [begins, low] = [`${plainLike(typed.toUpperCase())}%`, `%${plainLike(typed.toLowerCase())}%`];
  const named = sql`or ${certificate.customerId} in (select id from customer c where ${CUSTOMER_TEXT} like ${low} limit ${MOST_MATCHES})`;
  return sql`(${certificate.number} like ${begins} or ${certificate.assetId} in (${assetsBegun(typed, MOST_MATCHES)}) ${typed.length < 3 ? sql`` : named})`;
}

/** Rows of the table at most. */
const MOST_ROWS = 50_000;
/** Documents as a table, the newest first; times in UTC. */
export async function certificatesCsv(tx: Transaction, q?: string): Promise<string> {
  const { rows } = await listCertificates(tx, { q, pageSize: MOST_ROWS });
  return Papa.unparse(
    {
      fields: ['number', 'revision', 'kind', 'issued', 'maker', 'model', 'serial', 'customer', 'as_found', 'as_left', 'replaced'],
      data: rows.map((row) => [
        row.number,
        row.revision,
        row.kind,
        row.issuedAt.toISOString(),
        row.maker,
        row.model,
        row.serial,
        row.customer,
        row.asFound,
        row.asLeft,
        row.replacedBy ? 'yes' : 'no',
      ]),
    },
    { escapeFormulae: true },
  );
}

/** Newest first, paged by key: `before` is the last row's issue time and id. */
export async function listCertificates(
  tx: Transaction,
  { before, q, pageSize = 30 }: { before?: string | undefined; q?: string | undefined; pageSize?: number },
) {
  const [at, id] = (before ?? '').split('~');
  const instant = at && !Number.isNaN(Date.parse(at)) && isId(id) ? new Date(at) : null;
  const rows = await tx
    .select({
      id: certificate.id,
      number: certificate.number,
      revision: certificate.revision,
      kind: certificate.kind,
      issuedAt: certificate.issuedAt,
      serial: asset.serial,
      maker: asset.maker,
      model: instrumentModel.name,
      customer: customer.name,
      asFound: runSummary.asFound,
      asLeft: runSummary.asLeft,
      replacedBy: newer.id,
    })
    .from(certificate)
    .innerJoin(asset, eq(certificate.assetId, asset.id))
    .innerJoin(instrumentModel, eq(asset.modelId, instrumentModel.id))
    .innerJoin(customer, eq(certificate.customerId, customer.id))
    .innerJoin(runSummary, eq(certificate.runId, runSummary.runId))
    .leftJoin(newer, eq(newer.replaces, certificate.id))
    .where(
      and(
        q?.trim() ? about(q.trim()) : undefined,
        instant
          ? or(lt(certificate.issuedAt, instant), and(eq(certificate.issuedAt, instant), sql`${certificate.id} > ${id}`))
          : undefined,
      ),
    )
    .orderBy(desc(certificate.issuedAt), certificate.id)
    .limit(pageSize + 1);
  const page = rows.slice(0, pageSize);
  const last = page.at(-1);
  return { rows: page, next: rows.length > pageSize && last ? `${last.issuedAt.toISOString()}~${last.id}` : null };
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
