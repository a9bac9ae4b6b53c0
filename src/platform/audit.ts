import { desc, sql } from 'drizzle-orm';
import { contentHash } from '@/core/certificate/canonical';
import { audit } from '@/data/schema';
import type { UseCaseContext } from './use-case';

export const FIRST_HASH = '0'.repeat(64);

export interface AuditEntry {
  at: string;
  actor: { id: string; name: string; role: string };
  action: string;
  subject: string;
  detail: Record<string, unknown>;
  previousHash: string;
}

/** The hash of an audit entry covers all of it and the entry before. */
export function auditHash(entry: AuditEntry): string {
  return contentHash(entry);
}

/** Adds an entry to the chain. Last thing in a transaction: the chain's lock is held until it ends. */
export async function recordAudit(
  { tx, actor, now }: UseCaseContext,
  action: string,
  subject = '',
  detail: Record<string, unknown> = {},
): Promise<void> {
  await tx.execute(sql`select pg_advisory_xact_lock(7202)`);
  const [last] = await tx.select({ hash: audit.hash }).from(audit).orderBy(desc(audit.id)).limit(1);
  const entry: AuditEntry = {
    at: now.toISOString(),
    actor: { id: actor.id, name: actor.name, role: actor.role },
    action,
    subject,
    detail: JSON.parse(JSON.stringify(detail)) as Record<string, unknown>,
    previousHash: last?.hash ?? FIRST_HASH,
  };
  await tx.insert(audit).values({ ...entry, at: now, hash: auditHash(entry) });
}
