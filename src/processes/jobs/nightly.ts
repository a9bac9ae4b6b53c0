import { database } from '@/data/connection';
import { adviseNightly } from '@/features/advice/server';
import { makeAnchor, verifyRecords } from '@/features/office/server';
import { lookAtLots } from '@/features/recall/server';
import { keepHouseCheck } from '@/platform/house-check';
import { log } from '@/platform/log';
import { keepAnchor, newestAnchor } from '../anchor-files';

/** Every night: whether the records hold, then what the instruments say of the lots, and what history advises. What was found is kept, and shown. */
export async function nightly(): Promise<void> {
  await verifyAndAnchor();
  // Last, so that nothing that goes wrong here keeps the records from being verified.
  await lookAtLots(database(), new Date());
  await adviseNightly(database(), new Date());
}

/** Against the last anchor; then a new anchor, beside the backup and wherever else it is wanted. */
async function verifyAndAnchor(): Promise<void> {
  const db = database();
  const began = Date.now();
  const { faults, ...report } = await verifyRecords(db, { anchor: await newestAnchor() });
  await keepHouseCheck(db, {
    kind: 'verify',
    at: new Date(began),
    tookMs: Date.now() - began,
    ok: report.found === 0,
    detail: { ...report, faults: faults.slice(0, 50) },
  });
  if (report.found) {
    // No new anchor over what doesn't hold: the last good one stays the newest.
    log.error({ faults: report.found }, 'the records don’t hold');
    return;
  }
  const anchoring = Date.now();
  const missed = keepAnchor(await makeAnchor(db, new Date()));
  await keepHouseCheck(db, {
    kind: 'anchor',
    at: new Date(anchoring),
    tookMs: Date.now() - anchoring,
    ok: missed.length === 0,
    detail: { missed },
  });
}
