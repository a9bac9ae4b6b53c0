import { and, eq, inArray, ne, sql } from 'drizzle-orm';
import { say } from '@/core/words/say';
import { violatedUnique } from '@/data/database-problem';
import { asset, assetChannel, customer, instrumentModel, ticket } from '@/data/schema';
import { may } from '@/platform/permission';
import { Problem } from '@/platform/problem';
import { recordAudit } from '@/platform/audit';
import type { UseCaseContext } from '@/platform/use-case';
import '@/core/words/en/assets';
import '@/core/words/en/customers';

interface Correction {
  assetId: string;
  serial: string;
  tag: string;
  modelId: string;
  why: string;
  /** What was on the screen. */
  seen: { serial: string; tag: string; modelId: string };
}

function requireKeeper({ actor }: UseCaseContext): void {
  if (!may(actor.role, 'receive')) throw new Problem(say({ code: 'assetEdit.forbidden' }), {}, 403);
}

async function held({ tx }: UseCaseContext, id: string) {
  const [row] = await tx.select().from(asset).where(eq(asset.id, id)).for('update');
  if (!row) throw new Problem(say({ code: 'assetEdit.unknown' }), {}, 404);
  return row;
}

const openTicket = ({ tx }: UseCaseContext, assetId: string, ...status: (typeof ticket.$inferSelect)['status'][]) =>
  tx
    .select({ code: ticket.code, customer: customer.name })
    .from(ticket)
    .innerJoin(customer, eq(customer.id, ticket.customerId))
    .where(and(eq(ticket.assetId, assetId), status.length ? inArray(ticket.status, status) : ne(ticket.status, 'returned')));

/**
 * Corrects serial, tag or model of an instrument. Another model brings its channels; those of the same role keep sensor and status. Issued documents keep what they were issued with.
 * Errors: Problem (403), (404); (409) for a serial that this maker has used, another model while it is being calibrated as this one, or where somebody else changed it since.
 */
export async function correctAsset(context: UseCaseContext, { assetId, seen, why, ...input }: Correction): Promise<void> {
  requireKeeper(context);
  const { tx } = context;
  const row = await held(context, assetId);
  const differs = (['serial', 'tag', 'modelId'] as const).filter((name) => row[name] !== seen[name]);
  if (differs.length)
    throw new Problem(
      say({ code: 'assetEdit.meanwhile' }),
      Object.fromEntries(
        differs.map((name) => [
          name,
          name === 'modelId'
            ? say({ code: 'assetEdit.meanwhile' })
            : say({ code: 'assetEdit.isNow', numbers: { text: row[name] } }),
        ]),
      ),
      409,
      { code: 'changedMeanwhile' },
    );
  if (row.serial === input.serial && row.tag === input.tag && row.modelId === input.modelId)
    throw new Problem(say({ code: 'assetEdit.nothing' }), {}, 409);
  const [model] = await tx.select().from(instrumentModel).where(eq(instrumentModel.id, input.modelId));
  if (!model) throw new Problem(say({ code: 'assetEdit.noModel' }), { modelId: say({ code: 'assetEdit.noModel' }) }, 404);
  if (input.modelId !== row.modelId) {
    const [open] = await openTicket(context, assetId, 'onBench', 'toApprove');
    if (open) {
      const sentence = say({ code: 'assetEdit.onBench', numbers: { code: open.code } });
      throw new Problem(sentence, { modelId: sentence }, 409);
    }
  }
  await writeAsset(context, row.id, { ...input, maker: model.maker, part: model.traits.part ?? 'body' });
  if (input.modelId !== row.modelId) await putChannels(context, row.id, model.channels);
  const before = { serial: row.serial, tag: row.tag, modelId: row.modelId };
  await recordAudit(context, 'correctAsset', assetId, { why, before, after: input });
}

async function writeAsset(
  { tx }: UseCaseContext,
  id: string,
  values: Partial<typeof asset.$inferInsert> & { serial: string; maker: string },
): Promise<void> {
  try {
    // Of its own, so that what the refusal says can still be read.
    await tx.transaction((inner) => inner.update(asset).set(values).where(eq(asset.id, id)));
  } catch (error) {
    if (violatedUnique(error) !== 'asset_serial') throw error;
    const [other] = await tx
      .select({ customer: customer.name })
      .from(asset)
      .innerJoin(customer, eq(customer.id, asset.customerId))
      .where(and(sql`lower(${asset.maker}) = lower(${values.maker})`, sql`upper(${asset.serial}) = upper(${values.serial})`));
    const sentence = say({ code: 'assetEdit.taken', numbers: { customer: other?.customer ?? '' } });
    throw new Problem(sentence, { serial: sentence }, 409);
  }
}

async function putChannels(
  { tx }: UseCaseContext,
  assetId: string,
  channels: (typeof instrumentModel.$inferSelect)['channels'],
): Promise<void> {
  const before = await tx.delete(assetChannel).where(eq(assetChannel.assetId, assetId)).returning();
  if (channels.length === 0) return;
  await tx.insert(assetChannel).values(
    channels.map((channel, position) => {
      const same = before.find((one) => one.role === channel.role && one.measurand === channel.measurand);
      return {
        assetId,
        position,
        ...channel,
        status: same?.status ?? ('fitted' as const),
        sensorSerial: same?.sensorSerial ?? null,
        installedOn: same?.installedOn ?? null,
        warrantyUntil: same?.warrantyUntil ?? null,
      };
    }),
  );
}

/**
 * Gives an instrument to another customer, with its history. Receipts, runs and documents stay with the one they were made for.
 * Errors: Problem (403), (404); (409) where it is theirs already, the customer has ended, or it is in the house for another.
 */
export async function giveToCustomer(
  context: UseCaseContext,
  { assetId, customerId, why }: { assetId: string; customerId: string; why: string },
): Promise<void> {
  requireKeeper(context);
  const { tx } = context;
  const row = await held(context, assetId);
  if (row.customerId === customerId) throw new Problem(say({ code: 'owner.same' }), {}, 409);
  const [to] = await tx.select().from(customer).where(eq(customer.id, customerId)).for('share');
  if (!to) throw new Problem(say({ code: 'customer.unknown' }), {}, 404);
  if (to.retiredAt || to.mergedInto) throw new Problem(say({ code: 'owner.ended' }), {}, 409);
  const [open] = await openTicket(context, assetId);
  if (open) throw new Problem(say({ code: 'owner.inHouse', numbers: { name: open.customer, code: open.code } }), {}, 409);
  await tx.update(asset).set({ customerId, siteId: null }).where(eq(asset.id, assetId));
  await recordAudit(context, 'giveToCustomer', assetId, { why, before: row.customerId, after: customerId });
}
