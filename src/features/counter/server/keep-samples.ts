import { eq } from 'drizzle-orm';
import type { SampleQuantity, Samples } from '@/core/instrument/samples';
import { asset } from '@/data/schema';
import { recordAudit } from '@/platform/audit';
import { may } from '@/platform/permission';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import { samplesOf } from '@/core/instrument/samples-typed';

/**
 * What an instrument is used for: told at receipt, corrected on its card. Runs begun from now on choose buffers and standards by it.
 * Errors: Problem (403) for who neither receives nor works at the bench, (404) for an instrument that does not exist.
 */
export async function keepSamples(
  context: UseCaseContext,
  { assetId, ...typed }: { assetId: string } & { [quantity in SampleQuantity]?: string },
): Promise<void> {
  const { tx, actor } = context;
  if (!may(actor.role, 'receive') && !may(actor.role, 'bench'))
    throw new Problem('The counter or the bench keeps this.', {}, 403);
  const [row] = await tx.select().from(asset).where(eq(asset.id, assetId)).for('update');
  if (!row) throw new Problem('This instrument does not exist.', {}, 404);
  const [before, after]: Samples[] = [row.samples ?? {}, samplesOf(typed)];
  if (before!.ph === after!.ph && before!.conductivity === after!.conductivity) return;
  await tx
    .update(asset)
    .set({ samples: Object.keys(after!).length ? after! : null })
    .where(eq(asset.id, assetId));
  await recordAudit(context, 'instrumentSamples', assetId, { before, after });
}
