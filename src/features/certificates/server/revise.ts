import { desc, eq } from 'drizzle-orm';
import { revisedContent } from '@/core/certificate/content';
import { asset, certificate, customer, instrumentModel } from '@/data/schema';
import { dateIn } from '@/platform/clock';
import { Problem } from '@/platform/problem';
import { readSettings } from '@/platform/settings';
import type { UseCaseContext } from '@/platform/use-case';
import { insertCertificate } from './approve';

/** Issues a revision: same number, next revision, names and replaces the old one and says why. Customer and item are taken as they are on record now; measured values never change. */
export async function reviseCertificate(
  context: UseCaseContext,
  { certificateId, reason }: { certificateId: string; reason: string },
): Promise<{ id: string }> {
  const { tx, now, actor } = context;
  const [asked] = await tx.select().from(certificate).where(eq(certificate.id, certificateId));
  if (!asked) throw new Problem('This certificate does not exist.', {}, 404);
  const [newest] = await tx
    .select()
    .from(certificate)
    .where(eq(certificate.runId, asked.runId))
    .orderBy(desc(certificate.revision))
    .limit(1);
  if (newest!.id !== asked.id) throw new Problem(`Revision ${newest!.revision} has replaced this one already.`, {}, 409);
  const [found] = await tx
    .select({ asset, model: instrumentModel.name, customer })
    .from(asset)
    .innerJoin(instrumentModel, eq(asset.modelId, instrumentModel.id))
    .innerJoin(customer, eq(asset.customerId, customer.id))
    .where(eq(asset.id, asked.assetId));
  const { zone } = await readSettings(tx);
  const content = revisedContent({
    previous: asked.content,
    reason,
    issued: dateIn(zone, now),
    authorisedBy: actor,
    changes: {
      customer: { name: found!.customer.name, address: found!.customer.address, contact: asked.content.customer.contact },
      item: { ...asked.content.item, serial: found!.asset.serial, tag: found!.asset.tag },
    },
  });
  return {
    id: await insertCertificate(context, {
      content,
      year: asked.year,
      serial: asked.serial,
      runId: asked.runId,
      ticketId: asked.ticketId,
      assetId: asked.assetId,
      customerId: asked.customerId,
      replaces: asked.id,
    }),
  };
}
