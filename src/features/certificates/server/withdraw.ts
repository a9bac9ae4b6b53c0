import { and, eq, not, sql, type SQL } from 'drizzle-orm';
import { isVersion2 } from '@/core/certificate';
import { withdrawalContent } from '@/core/certificate/withdrawal';
import { asset } from '@/data/schema';
import { dateIn } from '@/platform/clock';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import { readSettings } from '@/platform/settings';
import { software } from '@/platform/software';
import type { UseCaseContext } from '@/platform/use-case';
import { insertDocument, takeNumber } from './insert-document';
import { standing } from './revise';
import { tellWithdrawal } from './notice';

/** Whether a later run of an instrument has a document that stands. */
const calibratedSince = (assetId: string, runId: string): SQL =>
  sql`exists (select from certificate d join run_summary s on s.run_id = d.run_id where d.asset_id = ${assetId} and d.withdraws is null and s.started_at > (select o.started_at from run_summary o where o.run_id = ${runId})
    and not exists (select from certificate w where w.withdraws = d.id))`;

/** Takes a document back: a document of its own says which one and why, the check page says so, its due date no longer holds. The customer is told, unless whoever withdraws several tells of all of them in one letter. */
export async function withdrawCertificate(
  context: UseCaseContext,
  { certificateId, reason, told = true }: { certificateId: string; reason: string; told?: boolean },
): Promise<{ id: string; number: string }> {
  need(context.actor, 'approve');
  const { tx, now, actor } = context;
  const asked = await standing(tx, certificateId);
  const { content } = asked;
  if (!isVersion2(content)) throw new Problem('A document of the first form is revised first, then withdrawn.', {}, 409);
  const issued = dateIn((await readSettings(tx)).zone, now);
  const { year, serial, number } = await takeNumber(context, 'W');
  const { runId, ticketId, assetId, customerId } = asked;
  const { id } = await insertDocument(
    context,
    { series: 'W', year, serial, runId, ticketId, assetId, customerId, withdraws: asked.id },
    (previous) =>
      withdrawalContent({
        withdrawn: content,
        hash: asked.hash,
        reason,
        number,
        previous,
        issued,
        authorisedBy: actor,
        authorisedAt: now.toISOString(),
        software: software(),
      }),
  );
  // One that was calibrated again since goes by that calibration.
  await tx
    .update(asset)
    .set({ nextDue: issued, dueBasis: { from: issued, reason: `${asked.number} withdrawn` } })
    .where(and(eq(asset.id, assetId), not(calibratedSince(assetId, runId))));
  if (told) await tellWithdrawal(context, asked, { number, reason });
  return { id, number };
}
