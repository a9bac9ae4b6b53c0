import { and, asc, desc, eq, or, sql } from 'drizzle-orm';
import { samplesAsked } from '@/core/procedure/schools-of';
import type { Transaction } from '@/data/connection';
import { usesOfAsset } from '@/features/due/server';
import { entriesOf } from '@/features/station/server';
import { agreedTolerances, sitesOf } from '@/features/customers/server';
import { responseTimes } from './response-times';
import {
  asset,
  assetChannel,
  certificate,
  channelResult,
  customer,
  instrumentModel,
  intervalPolicy,
  runSummary,
  ticket,
} from '@/data/schema';
import { procedureById } from '@/features/procedures/server';
import { isId } from '@/platform/shape';

const MOST_RESULTS = 1000;

/** Everything on an instrument's card. */
export async function assetCard(tx: Transaction, id: string) {
  if (!isId(id)) return null;
  const [row] = await tx
    .select({ asset, model: instrumentModel, customer })
    .from(asset)
    .innerJoin(instrumentModel, eq(asset.modelId, instrumentModel.id))
    .innerJoin(customer, eq(asset.customerId, customer.id))
    .where(eq(asset.id, id));
  if (!row) return null;
  const channels = await tx.select().from(assetChannel).where(eq(assetChannel.assetId, id)).orderBy(asc(assetChannel.position));
  const runs = await tx
    .select({ run: runSummary, certificateId: certificate.id, number: certificate.number, revision: certificate.revision })
    .from(runSummary)
    .leftJoin(
      certificate,
      and(
        eq(certificate.runId, runSummary.runId),
        sql`not exists (select from certificate newer where newer.replaces = ${certificate.id})`,
      ),
    )
    .where(eq(runSummary.assetId, id))
    .orderBy(desc(runSummary.startedAt))
    .limit(60);
  // The newest, in the order in which they came: an old instrument's first years are on its documents.
  const newest = await tx
    .select()
    .from(channelResult)
    .where(eq(channelResult.assetId, id))
    .orderBy(desc(channelResult.at))
    .limit(MOST_RESULTS);
  const results = newest.toReversed();
  const [open] = await tx
    .select({ id: ticket.id, code: ticket.code, status: ticket.status, runId: ticket.runId })
    .from(ticket)
    .where(and(eq(ticket.assetId, id), sql`${ticket.status} <> 'returned'`));
  const policies = await tx
    .select()
    .from(intervalPolicy)
    .where(
      or(
        eq(intervalPolicy.assetId, id),
        and(
          eq(intervalPolicy.modelId, row.asset.modelId),
          or(sql`${intervalPolicy.customerId} is null`, eq(intervalPolicy.customerId, row.asset.customerId)),
        ),
        and(eq(intervalPolicy.scope, 'customer'), eq(intervalPolicy.customerId, row.asset.customerId)),
      ),
    );
  const procedure = await procedureById(tx, row.model.procedureId);
  const asksSamples = procedure ? samplesAsked(procedure) : [];
  const response = await responseTimes(tx, id);
  const uses = await usesOfAsset(tx, id);
  const agreed = await agreedTolerances(tx, row.asset.customerId, row.asset.modelId);
  const sites = await sitesOf(tx, row.asset.customerId);
  return {
    ...row,
    channels,
    agreed,
    sites,
    runs,
    results,
    asksSamples,
    open: open ?? null,
    policies,
    response,
    uses,
    station: await entriesOf(tx, id),
  };
}
