import { and, eq, isNull } from 'drizzle-orm';
import { say } from '@/core/words/say';
import { asset, customerSite } from '@/data/schema';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import '@/core/words/en/assets';
import '@/core/words/en/customers';

/** Says at which site of its customer an instrument is, or at none. Errors: Problem (403), (404) for an instrument or a site that its customer hasn't. */
export async function putAtSite(
  context: UseCaseContext,
  { assetId, siteId }: { assetId: string; siteId: string | null },
): Promise<void> {
  need(context.actor, 'receive');
  const { tx } = context;
  const [row] = await tx.select({ customerId: asset.customerId }).from(asset).where(eq(asset.id, assetId)).for('update');
  if (!row) throw new Problem(say({ code: 'assetEdit.unknown' }), {}, 404);
  if (siteId) {
    const [site] = await tx
      .select({ id: customerSite.id })
      .from(customerSite)
      .where(and(eq(customerSite.id, siteId), eq(customerSite.customerId, row.customerId), isNull(customerSite.endedAt)));
    if (!site) throw new Problem(say({ code: 'site.unknown' }), {}, 404);
  }
  await tx.update(asset).set({ siteId }).where(eq(asset.id, assetId));
}
