import { sql } from 'drizzle-orm';
import type { Database, Transaction } from '@/data/connection';
import { checkAnchor, type Anchor } from './anchor';
import { emptyReport, type VerifyReport } from './report';
import { verifyAudit } from './verify-audit';
import { verifyChanges, verifyTotals } from './verify-changes';
import { verifyDocuments } from './verify-documents';
import { verifyRuns } from './verify-runs';

/**
 * Walks every chain, every document with its signature and figures, the change log, and what is derived from the events, and names what is broken; with an anchor also what was redone so well that it fits in itself.
 * One snapshot of the house, in key order, a page at a time. With `sinceAnchor` the runs that the anchor covers are held against it alone, and not worked out again.
 */
export function verifyRecords(
  db: Database,
  { anchor = null, sinceAnchor = false }: { anchor?: Anchor | null; sinceAnchor?: boolean } = {},
): Promise<VerifyReport> {
  return inSnapshot(db, (tx) => verifyIn(tx, anchor, sinceAnchor));
}

/** The same in a transaction that is open already. */
export async function verifyIn(tx: Transaction, anchor: Anchor | null, sinceAnchor = false): Promise<VerifyReport> {
  const report = emptyReport();
  const after = sinceAnchor && anchor ? anchor.content.heads.run_event.upTo : 0;
  await verifyRuns(tx, report, after);
  await verifyDocuments(tx, report, anchor?.content.keys ?? null);
  await verifyAudit(tx, report);
  await verifyChanges(tx, report);
  await verifyTotals(tx, report);
  if (anchor) await checkAnchor(tx, report, anchor);
  return report;
}

/** Values print as they did when their digest was taken, and no request's limit holds. */
export const AS_STORED = sql`select set_config('statement_timeout', '0', true), set_config('idle_in_transaction_session_timeout', '0', true),
  set_config('timezone', 'UTC', true), set_config('bytea_output', 'hex', true), set_config('extra_float_digits', '1', true)`;

/** Reads one state of the house, whatever is written meanwhile, without the limits of a request, and with values printed in one way. */
export function inSnapshot<T>(db: Database, work: (tx: Transaction) => Promise<T>): Promise<T> {
  return db.transaction(
    async (tx) => {
      await tx.execute(AS_STORED);
      return work(tx);
    },
    { isolationLevel: 'repeatable read' },
  );
}
