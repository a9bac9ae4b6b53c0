import { and, desc, eq, gt, sql } from 'drizzle-orm';
import type { Failed } from '@/core/results/instrument-status';
import { coversAll, leftUncovered } from '@/core/results/failed';
import { outcomeOf } from '@/core/results/outcome';
import { say } from '@/core/words/say';
import type { Transaction } from '@/data/connection';
import { asset, assetChannel, certificate } from '@/data/schema';
import { auditStatus, loadRun } from '@/features/bench/server';
import { may } from '@/platform/permission';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import '@/core/words/en/certificate';
import '@/core/words/en/paper';
import '@/core/words/en/retire';

const NOTHING: Failed = { channels: [], moved: [], outputs: [], items: [] };

/** What brings an instrument back: the newest document since it went out of use that passed and covers what failed; else what is still open. */
export async function wayBack(
  tx: Transaction,
  assetId: string,
): Promise<{ document: { id: string; number: string; issuedAt: Date } | null; open: string }> {
  const [row] = await tx.select().from(asset).where(eq(asset.id, assetId));
  if (!row || row.status === 'inUse') return { document: null, open: '' };
  const documents = await documentsSince(tx, assetId, row.statusSince);
  let open = await words(tx, assetId, row.statusFailed ?? NOTHING);
  for (const one of documents) {
    const problem = await problemWith(tx, one, row.statusFailed ?? NOTHING);
    if (!problem) return { document: one, open: '' };
    open = problem.open || open;
  }
  return { document: null, open };
}

/**
 * Puts an instrument back into use: a named act that rests on a document. Errors: Problem (409) where the document did not pass, is older, or does not cover what failed.
 */
export async function returnToUse(
  context: UseCaseContext,
  { assetId, certificateId, why }: { assetId: string; certificateId: string; why: string },
): Promise<void> {
  const { tx, actor, now } = context;
  if (!may(actor.role, 'approve')) throw new Problem('A signatory puts an instrument back into use.', {}, 403);
  const [row] = await tx.select().from(asset).where(eq(asset.id, assetId)).for('update');
  if (!row) throw new Problem('This instrument does not exist.', {}, 404);
  if (row.status === 'inUse') throw new Problem(say({ code: 'return.inUse' }), {}, 409);
  if (row.status === 'retired') throw new Problem(say({ code: 'retire.first' }), {}, 409);
  const found = (await documentsSince(tx, assetId, row.statusSince)).find((one) => one.id === certificateId);
  if (!found) throw new Problem(say({ code: 'return.noDocument' }), { certificateId: say({ code: 'return.noDocument' }) }, 409);
  const problem = await problemWith(tx, found, row.statusFailed ?? NOTHING);
  if (problem) throw new Problem(problem.sentence, { certificateId: problem.sentence }, 409);
  const statusWhy = `${say({ code: 'return.done', numbers: { number: found.number } })}: ${why}`;
  await tx
    .update(asset)
    .set({ status: 'inUse', statusSince: now, statusWhy, statusBy: actor.name, statusFailed: null })
    .where(eq(asset.id, assetId));
  await auditStatus(context, assetId, row.status, 'inUse', statusWhy);
}

const documentsSince = (tx: Transaction, assetId: string, since: Date | null) =>
  tx
    .select({ id: certificate.id, number: certificate.number, issuedAt: certificate.issuedAt, runId: certificate.runId })
    .from(certificate)
    .where(
      and(
        eq(certificate.assetId, assetId),
        since ? gt(certificate.issuedAt, since) : undefined,
        sql`not exists (select from certificate newer where newer.replaces = ${certificate.id})`,
      ),
    )
    .orderBy(desc(certificate.issuedAt))
    .limit(10);

async function problemWith(
  tx: Transaction,
  { number, runId }: { number: string; runId: string },
  failed: Failed,
): Promise<{ sentence: string; open: string } | null> {
  const loaded = await loadRun(tx, runId);
  const outcome = loaded ? outcomeOf(loaded.procedure, loaded.state) : 'undecided';
  const onlyBump = failed.channels.length === 0 && failed.items.length === 0 && failed.moved.length + failed.outputs.length > 0;
  if (!loaded || !(outcome === 'passed' || (outcome === 'bumped' && onlyBump)))
    return { sentence: say({ code: 'return.notPassed', numbers: { number } }), open: '' };
  const left = leftUncovered(failed, loaded);
  if (coversAll(left)) return null;
  const open = await words(tx, loaded.row.assetId, left);
  return { sentence: say({ code: 'return.notCovered', numbers: { number, open } }), open };
}

/** What failed, as what has to be shown. */
async function words(tx: Transaction, assetId: string, failed: Failed): Promise<string> {
  const rows = await tx
    .select({ id: assetChannel.id, label: assetChannel.label })
    .from(assetChannel)
    .where(eq(assetChannel.assetId, assetId));
  const label = (id: string) => rows.find((one) => one.id === id)?.label ?? id;
  const parts = [
    failed.channels.length && say({ code: 'failed.channels', numbers: { list: failed.channels.map(label).join(', ') } }),
    failed.moved.length && say({ code: 'failed.moved', numbers: { list: failed.moved.map(label).join(', ') } }),
    failed.outputs.length &&
      say({ code: 'failed.outputs', numbers: { list: failed.outputs.map((one) => say({ code: `output.${one}` })).join(', ') } }),
    failed.items.length && say({ code: 'failed.items', numbers: { list: failed.items.map((one) => one.label).join(', ') } }),
  ].filter((one): one is string => !!one);
  return parts.join('; ') || say({ code: 'failed.calibration' });
}
