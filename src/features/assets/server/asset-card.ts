import { and, asc, desc, eq, or, sql } from 'drizzle-orm';
import { samplesAsked } from '@/core/procedure/schools-of';
import type { Transaction } from '@/data/connection';
import { usesOfAsset } from '@/features/due/server';
import { entriesOf } from '@/features/station/server';
import { responseTimes } from './response-times';
import { assetsBegun, assetsHaving, CUSTOMER_TEXT, plainLike } from '@/data/find-text';
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
  return {
    ...row,
    channels,
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

/** As many are looked at by each way of matching; whoever finds more types more. */
const MOST_MATCHES = 2000;
/** Instruments whose serial, tag, model or customer has the text in it: each by an index of its own, so that what is rare is found as fast in a large house. */
const matching = (typed: string) => {
  const low = `%${plainLike(typed.toLowerCase())}%`;
  const codes = assetsBegun(typed, MOST_MATCHES);
  // Trigrams need three letters: with fewer only a beginning is looked for.
  if (typed.length < 3) return codes;
  return sql`${codes}
  union ${assetsHaving(typed, MOST_MATCHES)}
  union (select a.id from instrument_model m join asset a on a.model_id = m.id where lower(m.maker || ' ' || m.name || ' ' || m.kind) like ${low} limit ${MOST_MATCHES})
  union (select a.id from customer c join asset a on a.customer_id = c.id where ${CUSTOMER_TEXT} like ${low} limit ${MOST_MATCHES})`;
};

/** Instruments by serial, tag, maker, model or customer; paged by key (serial and id). */
export async function listAssets(
  tx: Transaction,
  { q, after, pageSize = 40 }: { q?: string | undefined; after?: string | undefined; pageSize?: number },
) {
  const split = (after ?? '').lastIndexOf('~');
  const [serial, id] = split < 0 ? ['', ''] : [after!.slice(0, split), after!.slice(split + 1)];
  const rows = await tx
    .select({
      id: asset.id,
      serial: asset.serial,
      tag: asset.tag,
      maker: asset.maker,
      model: instrumentModel.name,
      kind: instrumentModel.kind,
      customer: customer.name,
      nextDue: asset.nextDue,
      status: asset.status,
    })
    .from(asset)
    .innerJoin(instrumentModel, eq(asset.modelId, instrumentModel.id))
    .innerJoin(customer, eq(asset.customerId, customer.id))
    .where(
      and(
        // As an array: the planner would else take so many for most of the table, and read all of it.
        q?.trim() ? sql`${asset.id} = any(array(${matching(q.trim())}))` : undefined,
        isId(id) ? sql`(${asset.serial}, ${asset.id}) > (${serial}, ${id}::uuid)` : undefined,
      ),
    )
    .orderBy(asset.serial, asset.id)
    .limit(pageSize + 1);
  const last = rows[pageSize - 1];
  return { rows: rows.slice(0, pageSize), next: rows.length > pageSize && last ? `${last.serial}~${last.id}` : null };
}
