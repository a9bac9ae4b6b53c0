import { and, desc, eq, isNull } from 'drizzle-orm';
import { isVersion2, type CertificateVersion2 } from '@/core/certificate';
import { revisedContent } from '@/core/certificate/revised';
import { say } from '@/core/words/say';
import { certificate } from '@/data/schema';
import type { Transaction } from '@/data/connection';
import { giveCommand, loadRun, type LoadedRun } from '@/features/bench/server';
import { dueAfter } from '@/features/due/server';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import { isRefusal } from '@/core/words/refusal';
import { readSettings } from '@/platform/settings';
import type { UseCaseContext } from '@/platform/use-case';
import { contentOf } from './facts';
import { insertDocument } from './insert-document';
import type { Annexes } from './annexes';
import { workedOn } from './worked-on';
import '@/core/words/en/certificate';

type Row = typeof certificate.$inferSelect;

/** The newest document of a run; withdrawals are documents of their own. */
export async function newestOf(tx: Transaction, runId: string): Promise<Row | null> {
  const [row] = await tx
    .select()
    .from(certificate)
    .where(and(eq(certificate.runId, runId), isNull(certificate.withdraws)))
    .orderBy(desc(certificate.revision))
    .limit(1);
  return row ?? null;
}

/** The newest one of its run, still standing: what may be revised, reopened or withdrawn. */
export async function standing(tx: Transaction, certificateId: string): Promise<Row> {
  const [asked] = await tx.select().from(certificate).where(eq(certificate.id, certificateId));
  if (!asked || asked.withdraws) throw new Problem('This certificate does not exist.', {}, 404);
  const newest = (await newestOf(tx, asked.runId))!;
  if (newest.id !== asked.id) throw new Problem(`Revision ${newest.revision} has replaced this one already.`, {}, 409);
  const [taken] = await tx.select({ number: certificate.number }).from(certificate).where(eq(certificate.withdraws, asked.id));
  if (taken) throw new Problem(`This one was withdrawn by ${taken.number}.`, {}, 409);
  return asked;
}

/** A revision of a document from its run as it stands now: same number, next revision, names what it replaces, why, and what changed. */
export async function insertRevision(
  context: UseCaseContext,
  loaded: LoadedRun,
  earlier: Row,
  { reason, due, annexes = {} }: { reason: string; due: CertificateVersion2['due']; annexes?: Annexes },
): Promise<{ id: string }> {
  const { id } = await insertDocument(
    context,
    {
      series: 'C',
      year: earlier.year,
      serial: earlier.serial,
      runId: earlier.runId,
      ticketId: earlier.ticketId,
      assetId: earlier.assetId,
      customerId: earlier.customerId,
      replaces: earlier.id,
    },
    async (previous) => {
      const language = isVersion2(earlier.content) ? earlier.content.language : undefined;
      const next = await contentOf(context, loaded, { number: earlier.number, previous, due, annexes, language });
      if (isVersion2(earlier.content)) return revisedContent({ previous: earlier.content, next, reason });
      const { number, revision } = earlier.content;
      const changed = [say({ code: 'changed.form' })];
      return { ...next, revision: revision + 1, replaces: { number, revision, reason, changed } };
    },
  );
  return { id };
}

/** Issues a revision: customer and item as they are on record now, a due date that went stale renewed; measured values never change by this way. */
export async function reviseCertificate(
  context: UseCaseContext,
  { certificateId, reason }: { certificateId: string; reason: string },
): Promise<{ id: string }> {
  need(context.actor, 'approve');
  const { tx } = context;
  const asked = await standing(tx, certificateId);
  const loaded = (await loadRun(tx, asked.runId))!;
  if (loaded.state.status !== 'approved')
    throw new Problem('The run of this certificate is open again: approving it issues the revision.', {}, 409);
  return insertRevision(context, loaded, asked, { reason, due: await dueNow(context, loaded, asked) });
}

/** The due date by today's policy from the same calibration, where one was stated. */
async function dueNow(context: UseCaseContext, { state }: LoadedRun, asked: Row): Promise<CertificateVersion2['due']> {
  if (!asked.content.due) return null;
  const { zone } = await readSettings(context.tx);
  const from = workedOn(state, zone);
  const due = await dueAfter(context, { assetId: asked.assetId, from, inTolerance: true });
  return due ? { date: due.date, reason: due.basis.reason } : null;
}

/** Opens the run of a document again, so that a wrong value or reference can be mended; approving it again issues the revision and tells the customer. */
export async function reopenCertificate(
  context: UseCaseContext,
  { certificateId, reason }: { certificateId: string; reason: string },
): Promise<{ run: string }> {
  need(context.actor, 'approve');
  const asked = await standing(context.tx, certificateId);
  const given = await giveCommand(context, {
    run: asked.runId,
    commandId: `reopen-${certificateId}`,
    command: { type: 'reopen', reason },
  });
  if (isRefusal(given)) throw Problem.fromRefusal(given);
  return { run: asked.runId };
}
