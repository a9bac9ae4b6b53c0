import { and, asc, desc, eq, ne, or, sql } from 'drizzle-orm';
import { samplesAsked } from '@/core/procedure/schools-of';
import type { Transaction } from '@/data/connection';
import { usesOfAsset } from '@/features/due/server';
import { entriesOf } from '@/features/station/server';
import { agreedTolerances, sitesOf } from '@/features/customers/server';
import { responseTimes } from './response-times';
import { asset, assetChannel, certificate, customer, instrumentModel, intervalPolicy, runSummary, ticket } from '@/data/schema';
import { procedureById } from '@/features/procedures/server';
import { isId } from '@/platform/shape';

/** Visits that stand on the card at first, and all that it shows when asked for. */
const NEWEST = 10;
const MOST_VISITS = 1000;

/** Everything on an instrument's card. */
export async function assetCard(tx: Transaction, id: string, { allVisits = false } = {}) {
  if (!isId(id)) return null;
  const [row] = await tx
    .select({
      asset,
      model: {
        id: instrumentModel.id,
        maker: instrumentModel.maker,
        name: instrumentModel.name,
        kind: instrumentModel.kind,
        procedureId: instrumentModel.procedureId,
      },
      customer: { id: customer.id, name: customer.name, language: customer.language },
      open: { id: ticket.id, code: ticket.code, runId: ticket.runId },
    })
    .from(asset)
    .innerJoin(instrumentModel, eq(asset.modelId, instrumentModel.id))
    .innerJoin(customer, eq(asset.customerId, customer.id))
    .leftJoin(ticket, and(eq(ticket.assetId, asset.id), ne(ticket.status, 'returned')))
    .where(eq(asset.id, id))
    .limit(1);
  if (!row) return null;
  const most = allVisits ? MOST_VISITS : NEWEST;
  const [channels, runs, policies, procedure, response, agreed, sites, station] = await Promise.all([
    tx.select().from(assetChannel).where(eq(assetChannel.assetId, id)).orderBy(asc(assetChannel.position)),
    visitsOf(tx, id, most + 1),
    policiesAbout(tx, row.asset),
    procedureById(tx, row.model.procedureId),
    responseTimes(tx, id),
    agreedTolerances(tx, row.asset.customerId, row.asset.modelId),
    sitesOf(tx, row.asset.customerId),
    entriesOf(tx, id),
  ]);
  const uses = policies.some((policy) => policy.every.uses) ? await usesOfAsset(tx, id) : [];
  return {
    ...row,
    channels,
    agreed,
    sites,
    runs: runs.slice(0, most),
    /** There are older ones than these. */
    more: runs.length > most,
    asksSamples: procedure ? samplesAsked(procedure) : [],
    policies,
    response,
    uses,
    station,
  };
}

const visitsOf = (tx: Transaction, assetId: string, most: number) =>
  tx
    .select({
      runId: runSummary.runId,
      startedAt: runSummary.startedAt,
      asFound: runSummary.asFound,
      asLeft: runSummary.asLeft,
      technician: runSummary.technician,
      status: runSummary.status,
      certificateId: certificate.id,
      number: certificate.number,
      revision: certificate.revision,
    })
    .from(runSummary)
    .leftJoin(
      certificate,
      and(
        eq(certificate.runId, runSummary.runId),
        sql`not exists (select from certificate newer where newer.replaces = ${certificate.id})`,
      ),
    )
    .where(eq(runSummary.assetId, assetId))
    .orderBy(desc(runSummary.startedAt))
    .limit(most);

/** All that say something about it, whichever of them counts. */
const policiesAbout = (tx: Transaction, row: Pick<typeof asset.$inferSelect, 'id' | 'modelId' | 'customerId'>) =>
  tx
    .select()
    .from(intervalPolicy)
    .where(
      or(
        eq(intervalPolicy.assetId, row.id),
        and(
          eq(intervalPolicy.modelId, row.modelId),
          or(sql`${intervalPolicy.customerId} is null`, eq(intervalPolicy.customerId, row.customerId)),
        ),
        and(eq(intervalPolicy.scope, 'customer'), eq(intervalPolicy.customerId, row.customerId)),
      ),
    );
