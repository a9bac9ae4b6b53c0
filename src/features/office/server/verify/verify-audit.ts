import { asc, gt } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { audit } from '@/data/schema';
import { auditHash, FIRST_HASH } from '@/platform/audit';
import { addFault, type VerifyReport } from './report';

const PAGE = 2000;

export async function verifyAudit(tx: Transaction, report: VerifyReport): Promise<void> {
  let previous = FIRST_HASH;
  let last = 0;
  for (;;) {
    const rows = await tx.select().from(audit).where(gt(audit.id, last)).orderBy(asc(audit.id)).limit(PAGE);
    if (rows.length === 0) return;
    for (const row of rows) {
      report.audits += 1;
      const record = `audit entry ${row.id} (${row.action})`;
      if (row.previousHash !== previous) addFault(report, record, 'does not follow the entry before it');
      const { at, actor, action, subject, detail, previousHash } = row;
      if (auditHash({ at: at.toISOString(), actor, action, subject, detail, previousHash }) !== row.hash)
        addFault(report, record, 'its content does not match its hash');
      previous = row.hash;
    }
    last = rows.at(-1)!.id;
  }
}
