import { eq } from 'drizzle-orm';
import { STATUS_AFTER, type StatusId } from '@/core/results/instrument-status';
import { failedIn } from '@/core/results/failed';
import { outcomeOf } from '@/core/results/outcome';
import { reasonOf } from '@/core/results/reason';
import { asset } from '@/data/schema';
import { recordAudit } from '@/platform/audit';
import type { UseCaseContext } from '@/platform/use-case';
import type { LoadedRun } from './run-store';

/** A run that ended badly moves its instrument out of use, with why and by whom; none that ended well moves it back. */
export async function keepStatus(context: UseCaseContext, { procedure, state, row }: LoadedRun): Promise<void> {
  const { tx, actor, now } = context;
  const status = STATUS_AFTER[outcomeOf(procedure, state)];
  if (!status) return;
  const [before] = await tx.select({ status: asset.status, why: asset.statusWhy }).from(asset).where(eq(asset.id, row.assetId));
  const why = reasonOf(procedure, state);
  await tx
    .update(asset)
    .set({ status, statusSince: now, statusWhy: why, statusBy: actor.name, statusFailed: failedIn(procedure, state) })
    .where(eq(asset.id, row.assetId));
  if (before && (before.status !== status || before.why !== why))
    await auditStatus(context, row.assetId, before.status, status, why);
}

/** Who moved an instrument from what to what, and why. */
export const auditStatus = (
  context: UseCaseContext,
  assetId: string,
  before: StatusId,
  after: StatusId,
  why: string,
): Promise<void> => recordAudit(context, 'instrumentStatus', assetId, { before, after, why });
