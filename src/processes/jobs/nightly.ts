import { database } from '@/data/connection';
import { verifyRecords } from '@/features/office/server';
import { keepHouseCheck } from '@/platform/house-check';
import { log } from '@/platform/log';

/** Every night: whether the records hold. What was found is kept, and shown to the administrator. */
export async function nightly(): Promise<void> {
  const began = Date.now();
  const report = await verifyRecords(database());
  const { faults, ...counts } = report;
  await keepHouseCheck(database(), {
    kind: 'verify',
    at: new Date(began),
    tookMs: Date.now() - began,
    ok: faults.length === 0,
    detail: { ...counts, faults: faults.slice(0, 50) },
  });
  if (faults.length) log.error({ faults: faults.length }, 'the records don’t hold');
}
