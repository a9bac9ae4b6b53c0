import { database } from '@/data/connection';
import { makeAnchor, verifyRecords } from '@/features/office/server';
import { lookAtLots } from '@/features/recall/server';
import { keepHouseCheck } from '@/platform/house-check';
import { log } from '@/platform/log';
import { keepAnchor, newestAnchor } from '../anchor-files';

/** Every night: whether the records hold, against the last anchor; then a new anchor, beside the backup and wherever else it is wanted. What was found is kept, and shown to the administrator. */
export async function nightly(): Promise<void> {
  const db = database();
  await lookAtLots(db, new Date());
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
