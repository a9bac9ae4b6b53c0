import { desc, inArray, sql } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { asset, certificate } from '@/data/schema';
import { outcomeOfRun } from '@/features/bench/server';
import { checkOrigin } from '@/platform/check-origin';
import { chosenIds } from '@/platform/shape';
import type { LabelOf } from '../label-card';

/** Labels of one print. */
export const MOST_LABELS = 1000;

/** The labels of documents, in the order of their numbers. */
export async function labelsOf(tx: Transaction, ids: readonly string[]): Promise<LabelOf[]> {
  const wanted = chosenIds(ids, MOST_LABELS);
  if (wanted.length === 0) return [];
  const rows = await tx
    .select()
    .from(certificate)
    .where(inArray(certificate.id, wanted))
    .orderBy(certificate.number, certificate.revision);
  const labels: LabelOf[] = [];
  for (const row of rows)
    labels.push({
      content: row.content,
      check: `${checkOrigin()}/verify/${row.token}`,
      outcome: await outcomeOfRun(tx, row.runId),
      assetId: row.assetId,
    });
  return labels;
}

/** The newest document of each of the instruments that nothing replaced or withdrew, and which of them have none. */
export async function newestOfAssets(
  tx: Transaction,
  assetIds: readonly string[],
): Promise<{ documents: string[]; without: string[] }> {
  const wanted = chosenIds(assetIds, MOST_LABELS);
  if (wanted.length === 0) return { documents: [], without: [] };
  const assets = await tx
    .select({ id: asset.id, serial: asset.serial })
    .from(asset)
    .where(inArray(asset.id, wanted))
    .orderBy(asset.serial);
  const rows = await tx
    .selectDistinctOn([certificate.assetId], { assetId: certificate.assetId, id: certificate.id })
    .from(certificate)
    .where(
      sql`${inArray(certificate.assetId, wanted)} and ${certificate.kind} <> 'withdrawal' and not exists (select from certificate n where n.replaces = ${certificate.id} or n.withdraws = ${certificate.id})`,
    )
    .orderBy(certificate.assetId, desc(certificate.issuedAt));
  const found = new Map(rows.map((row) => [row.assetId, row.id]));
  return {
    documents: assets.flatMap(({ id }) => found.get(id) ?? []),
    without: assets.flatMap(({ id, serial }) => (found.has(id) ? [] : [serial])),
  };
}
