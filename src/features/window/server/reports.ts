import { and, asc, eq, inArray, isNull } from 'drizzle-orm';
import { say } from '@/core/words/say';
import type { Transaction } from '@/data/connection';
import { asset, customer, windowRequest } from '@/data/schema';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import '@/core/words/en/window';

/** What customers reported that nobody has seen to. */
export const openReports = (tx: Transaction) =>
  tx
    .select({
      id: windowRequest.id,
      kind: windowRequest.kind,
      what: windowRequest.what,
      by: windowRequest.byName,
      at: windowRequest.madeAt,
      customer: customer.name,
      assetId: asset.id,
      serial: asset.serial,
    })
    .from(windowRequest)
    .innerJoin(customer, eq(customer.id, windowRequest.customerId))
    .innerJoin(asset, eq(asset.id, windowRequest.assetId))
    .where(and(eq(windowRequest.state, 'done'), inArray(windowRequest.kind, ['fault', 'gone']), isNull(windowRequest.seenAt)))
    .orderBy(asc(windowRequest.madeAt))
    .limit(50);

/** Somebody has seen to a report. Errors: Problem (403), (404). */
export async function seeReport({ tx, actor, now }: UseCaseContext, { requestId }: { requestId: string }): Promise<void> {
  need(actor, 'receive');
  const rows = await tx
    .update(windowRequest)
    .set({ seenAt: now, seenBy: actor.name })
    .where(and(eq(windowRequest.id, requestId), isNull(windowRequest.seenAt)))
    .returning({ id: windowRequest.id });
  if (rows.length === 0) throw new Problem(say({ code: 'window.unknown' }), {}, 404);
}
