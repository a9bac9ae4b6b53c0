import { and, asc, eq, gt, gte, lte, ne, or, sql } from 'drizzle-orm';
import { say } from '@/core/words/say';
import type { Transaction } from '@/data/connection';
import { asset, certificate, customer, instrumentModel } from '@/data/schema';
import { Problem } from '@/platform/problem';
import { isId } from '@/platform/shape';
import '@/core/words/en/programs';

const MOST = 200;
export interface Page<T> {
  items: T[];
  /** Given back as `after`, it brings the next page; null on the last. */
  next: string | null;
}

const bad = (name: string, value: string) =>
  new Problem(say({ code: 'programs.badQuery', numbers: { name, value } }), {}, 400, { code: 'query' });

/** How many are asked for: 1 to 200, 50 where nothing is said. Errors: Problem (400). */
function limitOf(query: URLSearchParams): number {
  const text = query.get('limit') ?? '50';
  if (!/^\d{1,3}$/.test(text) || Number(text) < 1 || Number(text) > MOST) throw bad('limit', text);
  return Number(text);
}
function dayOf(query: URLSearchParams, name: string): string | null {
  const text = query.get(name);
  if (text !== null && (!/^\d{4}-\d{2}-\d{2}$/.test(text) || Number.isNaN(Date.parse(text)))) throw bad(name, text);
  return text;
}
const page = <T>(rows: T[], limit: number, key: (row: T) => string): Page<T> => ({
  items: rows.slice(0, limit),
  next: rows.length > limit ? key(rows[limit - 1]!) : null,
});

const FIELDS = {
  id: asset.id,
  serial: asset.serial,
  tag: asset.tag,
  maker: instrumentModel.maker,
  model: instrumentModel.name,
  customer: customer.name,
  status: asset.status,
  nextDue: asset.nextDue,
};

/** Instruments by their key, retired ones too; of one serial where asked. Errors: Problem (400) for a query that can't be. */
export async function readInstruments(tx: Transaction, query: URLSearchParams) {
  const limit = limitOf(query);
  const after = query.get('after');
  if (after !== null && !isId(after)) throw bad('after', after);
  const serial = query.get('serial');
  const rows = await tx
    .select(FIELDS)
    .from(asset)
    .innerJoin(instrumentModel, eq(instrumentModel.id, asset.modelId))
    .innerJoin(customer, eq(customer.id, asset.customerId))
    .where(
      and(
        after ? gt(asset.id, after) : undefined,
        serial !== null ? eq(sql`upper(${asset.serial})`, serial.trim().toUpperCase()) : undefined,
      ),
    )
    .orderBy(asc(asset.id))
    .limit(limit + 1);
  return page(rows, limit, (row) => row.id);
}

/** What is due in a span of days, by day and key. Errors: Problem (400). */
export async function readDue(tx: Transaction, query: URLSearchParams) {
  const limit = limitOf(query);
  const [from, to] = [dayOf(query, 'from'), dayOf(query, 'to')];
  const after = query.get('after');
  const [day, id] = after?.split('~') ?? [];
  if (after !== null && !(day && /^\d{4}-\d{2}-\d{2}$/.test(day) && id && isId(id))) throw bad('after', after);
  const rows = await tx
    .select({ ...FIELDS, nextDue: sql<string>`${asset.nextDue}::text` })
    .from(asset)
    .innerJoin(instrumentModel, eq(instrumentModel.id, asset.modelId))
    .innerJoin(customer, eq(customer.id, asset.customerId))
    .where(
      and(
        ne(asset.status, 'retired'),
        sql`${asset.nextDue} is not null`,
        from ? gte(asset.nextDue, from) : undefined,
        to ? lte(asset.nextDue, to) : undefined,
        day && id ? or(gt(asset.nextDue, day), and(eq(asset.nextDue, day), gt(asset.id, id))) : undefined,
      ),
    )
    .orderBy(asc(asset.nextDue), asc(asset.id))
    .limit(limit + 1);
  return page(rows, limit, (row) => `${row.nextDue}~${row.id}`);
}

/** Documents in the order in which they were issued; each with its hash and where its PDF and its data are. Errors: Problem (400). */
export async function readDocuments(tx: Transaction, query: URLSearchParams) {
  const limit = limitOf(query);
  const after = query.get('after');
  if (after !== null && !/^\d{1,15}$/.test(after)) throw bad('after', after);
  const serial = query.get('serial');
  const rows = await tx
    .select({
      issueNo: certificate.issueNo,
      id: certificate.id,
      number: certificate.number,
      revision: certificate.revision,
      kind: certificate.kind,
      issuedAt: certificate.issuedAt,
      serial: asset.serial,
      customer: customer.name,
      hash: certificate.hash,
      replaces: certificate.replaces,
      withdraws: certificate.withdraws,
    })
    .from(certificate)
    .innerJoin(asset, eq(asset.id, certificate.assetId))
    .innerJoin(customer, eq(customer.id, certificate.customerId))
    .where(
      and(
        after ? gt(certificate.issueNo, Number(after)) : undefined,
        serial !== null ? eq(sql`upper(${asset.serial})`, serial.trim().toUpperCase()) : undefined,
      ),
    )
    .orderBy(asc(certificate.issueNo))
    .limit(limit + 1);
  const found = page(rows, limit, (row) => String(row.issueNo));
  return {
    ...found,
    items: found.items.map(({ issueNo: _no, issuedAt, ...row }) => ({
      ...row,
      issuedAt: issuedAt.toISOString(),
      pdf: `/api/v1/documents/${row.id}/pdf`,
      json: `/api/v1/documents/${row.id}/json`,
    })),
  };
}
