import { and, eq, inArray, sql } from 'drizzle-orm';
import { OUTPUTS } from '@/core/instrument/output';
import { say } from '@/core/words/say';
import { asset, customerBump } from '@/data/schema';
import { dryRun } from '@/features/station/server';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import '@/core/words/en/window';

export interface OwnLogTaken extends Record<string, number> {
  taken: number;
  /** On record already, or twice in the file. */
  known: number;
  /** Broken, doubtful, another's or nobody's, and calibrations: those are the workshop's to judge. */
  left: number;
}

/**
 * Takes the bumps of a customer's own docking station, each once, for instruments of theirs alone; handed in again it takes what is new. What a row says of another's instrument is left, as of one that nobody knows.
 * Errors: Problem (400) for a file that is no such log.
 */
export async function takeOwnLog(
  { tx, now }: UseCaseContext,
  { text, customerId, byName }: { text: string; customerId: string; byName: string },
): Promise<OwnLogTaken> {
  const rows = await dryRun(tx, text, now);
  if (!rows.some((one) => one.row)) throw new Problem(say({ code: 'window.noLog' }), { text: say({ code: 'window.noLog' }) });
  const ids = [...new Set(rows.flatMap((one) => one.assetId ?? []))];
  const own = ids.length
    ? await tx
        .select({ id: asset.id })
        .from(asset)
        .where(and(inArray(asset.id, ids), eq(asset.customerId, customerId)))
    : [];
  const theirs = new Set(own.map((one) => one.id));
  const count = { taken: 0, known: 0, left: 0 };
  for (const { verdict, row, assetId } of rows) {
    const good = verdict === 'good' && row?.kind === 'bump' && assetId !== null && theirs.has(assetId);
    if (!good) {
      count[verdict === 'duplicate' ? 'known' : 'left'] += 1;
      continue;
    }
    const outputs = OUTPUTS.filter((output) => row.outputs[output]);
    const made = await tx.execute(sql`
      insert into customer_bump (asset_id, customer_id, at, by_name, passed, outputs, note)
      select ${assetId}::uuid, ${customerId}::uuid, ${row.at}::timestamptz, ${byName}, ${row.passed}, array(select jsonb_array_elements_text(${JSON.stringify(outputs)}::jsonb)), ${row.station}
      where not exists (select from ${customerBump} b where b.asset_id = ${assetId}::uuid and b.at = ${row.at}::timestamptz)`);
    count[made.rowCount ? 'taken' : 'known'] += 1;
  }
  return count;
}
