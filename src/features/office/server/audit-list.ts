import { and, desc, eq, gte, ilike, lt, sql } from 'drizzle-orm';
import Papa from 'papaparse';
import type { Transaction } from '@/data/connection';
import { plainLike } from '@/data/find-text';
import { audit } from '@/data/schema';
import { IDS, piecesOf, saidOfAction } from '../audit-words';
import { namesOfIds } from './names-of-ids';

export interface AuditQuery {
  before?: string | undefined;
  person?: string | undefined;
  action?: string | undefined;
  text?: string | undefined;
  /** Days in the workshop's zone, both included. */
  from?: string | undefined;
  to?: string | undefined;
}

const isDay = (text: string | undefined): text is string => /^\d{4}-\d\d-\d\d$/.test(text ?? '');

function matching({ before, person, action, text, from, to }: AuditQuery, zone: string) {
  const key = Number(before);
  return and(
    Number.isSafeInteger(key) && key > 0 ? lt(audit.id, key) : undefined,
    person ? sql`${audit.actor}->>'id' = ${person}` : undefined,
    action ? eq(audit.action, action) : undefined,
    text ? ilike(audit.subject, `%${plainLike(text)}%`) : undefined,
    isDay(from) ? gte(audit.at, sql`(${from}::date)::timestamp at time zone ${zone}`) : undefined,
    isDay(to) ? lt(audit.at, sql`(${to}::date + 1)::timestamp at time zone ${zone}`) : undefined,
  );
}

const idsIn = (rows: { subject: string }[]): string[] => [...new Set(rows.flatMap((row) => row.subject.match(IDS) ?? []))];

/** Who did what, newest first, paged by key. */
export async function listAudit(tx: Transaction, query: AuditQuery & { zone?: string; pageSize?: number }) {
  const { zone = 'UTC', pageSize = 40 } = query;
  const rows = await tx
    .select()
    .from(audit)
    .where(matching(query, zone))
    .orderBy(desc(audit.id))
    .limit(pageSize + 1);
  const page = rows.slice(0, pageSize);
  return {
    rows: page,
    names: await namesOfIds(tx, idsIn(page)),
    next: rows.length > pageSize ? String(page.at(-1)!.id) : null,
  };
}

/** What can be asked for: every kind of act on record, by its words. A skip through the index: one step a kind, however long the record is. */
export async function auditActions(tx: Transaction): Promise<{ action: string; said: string }[]> {
  const { rows } = await tx.execute<{ action: string }>(sql`
    with recursive kinds as (
      (select action from audit order by action limit 1)
      union all
      select (select action from audit where action > kinds.action order by action limit 1) from kinds where kinds.action is not null
    ) select action from kinds where action is not null`);
  return rows
    .map(({ action }) => ({ action, said: saidOfAction(action) }))
    .sort((one, other) => one.said.localeCompare(other.said));
}

/** Rows of an export at most; whoever needs more asks by days. */
const EXPORTED = 50_000;

/** The same as a table, with names and ids; times in UTC. */
export async function auditCsv(tx: Transaction, query: AuditQuery & { zone: string }): Promise<string> {
  const rows = await tx.select().from(audit).where(matching(query, query.zone)).orderBy(desc(audit.id)).limit(EXPORTED);
  const names = await namesOfIds(tx, idsIn(rows));
  return Papa.unparse(
    {
      fields: ['no', 'at', 'by', 'role', 'act', 'act_said', 'about', 'about_said', 'detail', 'hash'],
      data: rows.map((row) => [
        row.id,
        row.at.toISOString(),
        row.actor.name,
        row.actor.role,
        row.action,
        saidOfAction(row.action),
        row.subject,
        piecesOf(row.subject, names)
          .map((piece) => (typeof piece === 'string' ? piece : piece.name))
          .join(''),
        JSON.stringify(row.detail),
        row.hash,
      ]),
    },
    { escapeFormulae: true },
  );
}
