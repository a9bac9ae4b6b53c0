import { and, asc, eq, ilike, inArray, isNull, or, sql, type SQL } from 'drizzle-orm';
import { samplesAsked } from '@/core/procedure/schools-of';
import type { Transaction } from '@/data/connection';
import { assetsBegun, assetsHaving, plainLike } from '@/data/find-text';
import { asset, assetChannel, certificate, customer, instrumentModel, reference, ticket } from '@/data/schema';
import { proceduresById } from '@/features/procedures/server';
import { readSettings } from '@/platform/settings';
import { numbersMeant } from './short-code';

/** Customers in work by part of the name, best first. */
export async function findCustomers(tx: Transaction, text: string) {
  const like = `%${plainLike(text.trim())}%`;
  return tx
    .select({
      id: customer.id,
      name: customer.name,
      contact: customer.contact,
      email: customer.email,
      agreesDue: customer.agreesDue,
      rule: customer.rule,
    })
    .from(customer)
    .where(
      and(isNull(customer.mergedInto), isNull(customer.retiredAt), or(ilike(customer.name, like), ilike(customer.contact, like))),
    )
    .orderBy(sql`position(lower(${text.trim()}) in lower(${customer.name}))`, customer.name)
    .limit(8);
}

/** Instruments by part of serial or tag, with whose they are and whether they are in the house already. */
export async function findAssets(tx: Transaction, text: string, customerId?: string) {
  const typed = text.trim();
  // Whole or begun codes by an index of their order; parts by trigrams, which need three letters. Each branch stops after a few.
  const begun = assetsBegun(typed, 8);
  const which = typed.length < 3 ? begun : sql`${begun} union ${assetsHaving(typed, 40)}`;
  return instruments(
    tx,
    and(sql`${asset.id} in (${which})`, customerId ? eq(asset.customerId, customerId) : undefined),
    sql`upper(${asset.serial}) <> ${typed.toUpperCase()}`,
    8,
  );
}

/** Instruments taken in at once. */
export const MOST_AT_ONCE = 40;

/** A customer's instruments that are due until a day and not in the house: those that they bring together. Soonest first. */
export const findDue = (tx: Transaction, { customerId, until }: { customerId: string; until: string }) =>
  instruments(
    tx,
    sql`${asset.customerId} = ${customerId} and ${asset.status} = 'inUse' and ${asset.part} = 'body' and ${asset.nextDue} <= ${until}::date
      and not exists (select 1 from ticket t where t.asset_id = ${asset.id} and t.status <> 'returned')`,
    sql`${asset.nextDue}`,
    MOST_AT_ONCE,
  );

/** These instruments, in the order of their serials. */
export const assetsOf = (tx: Transaction, ids: string[]) =>
  ids.length ? instruments(tx, inArray(asset.id, ids), sql`${asset.serial}`, ids.length) : Promise.resolve([]);

/** Instruments as a receipt asks for them. */
async function instruments(tx: Transaction, which: SQL | undefined, order: SQL, limit: number) {
  const rows = await tx
    .select({
      id: asset.id,
      samples: asset.samples,
      procedureId: instrumentModel.procedureId,
      maker: asset.maker,
      model: instrumentModel.name,
      serial: asset.serial,
      tag: asset.tag,
      customerId: asset.customerId,
      customer: customer.name,
      agreesDue: customer.agreesDue,
      rule: customer.rule,
      status: asset.status,
      measurands: sql<
        string[]
      >`array(select distinct ch.measurand from asset_channel ch where ch.asset_id = ${asset.id} order by 1)`,
      openTicket: sql<
        string | null
      >`(select t.code from ticket t where t.asset_id = ${asset.id} and t.status <> 'returned' limit 1)`,
    })
    .from(asset)
    .innerJoin(instrumentModel, eq(asset.modelId, instrumentModel.id))
    .innerJoin(customer, eq(asset.customerId, customer.id))
    .where(which)
    .orderBy(order, asset.serial)
    .limit(limit);
  const procedures = await proceduresById(tx);
  return rows.map(({ procedureId, ...row }) => {
    const procedure = procedures.get(procedureId ?? '');
    return { ...row, asksSamples: procedure ? samplesAsked(procedure) : [] };
  });
}

/** Models that are in use. */
export async function listModels(tx: Transaction) {
  return tx
    .select()
    .from(instrumentModel)
    .where(isNull(instrumentModel.retiredAt))
    .orderBy(asc(instrumentModel.maker), asc(instrumentModel.name));
}

export type ModelName = Awaited<ReturnType<typeof modelNames>>[number];

/** Models in use by name, for a choice among them: their documents aren't read for it. */
export const modelNames = (tx: Transaction) =>
  tx
    .select({
      id: instrumentModel.id,
      maker: instrumentModel.maker,
      name: instrumentModel.name,
      kind: instrumentModel.kind,
    })
    .from(instrumentModel)
    .where(isNull(instrumentModel.retiredAt))
    .orderBy(asc(instrumentModel.maker), asc(instrumentModel.name));

export async function channelsOf(tx: Transaction, assetIds: string[]) {
  return assetIds.length
    ? tx.select().from(assetChannel).where(inArray(assetChannel.assetId, assetIds)).orderBy(assetChannel.position)
    : [];
}

/** Where a scanned code leads: ticket, certificate, serial, tag or lot; several hits lead to the list. */
export async function scanTarget(tx: Transaction, raw: string): Promise<string | null> {
  const text = raw.trim();
  if (!text) return null;
  const token = /\/verify\/([\w-]+)/.exec(text)?.[1] ?? text;
  const [foundTicket] = await tx
    .select({ id: ticket.id, runId: ticket.runId })
    .from(ticket)
    .where(eq(ticket.code, text.toUpperCase()));
  if (foundTicket) return foundTicket.runId ? `/runs/${foundTicket.runId}` : `/tickets/${foundTicket.id}`;
  const [foundCertificate] = await tx
    .select({ id: certificate.id })
    .from(certificate)
    .where(or(eq(certificate.number, text.toUpperCase()), eq(certificate.token, token)))
    .orderBy(sql`${certificate.number} desc, ${certificate.revision} desc`)
    .limit(1);
  if (foundCertificate) return `/certificates/${foundCertificate.id}`;
  const assets = await tx
    .select({ id: asset.id })
    .from(asset)
    .where(
      or(
        sql`upper(${asset.serial}) = ${text.toUpperCase()}`,
        sql`${asset.tag} <> '' and upper(${asset.tag}) = ${text.toUpperCase()}`,
      ),
    )
    .limit(2);
  if (assets.length === 1) return `/assets/${assets[0]!.id}`;
  const [lot] = await tx
    .select({ id: reference.id })
    .from(reference)
    .where(sql`upper(${reference.lot}) = ${text.toUpperCase()}`);
  if (lot) return `/shelf#${lot.id}`;
  return (await shortCode(tx, text)) ?? `/assets?q=${encodeURIComponent(text)}`;
}

/** A number typed short ("c-62"): where nothing is called so by its whole name, the newest that it may mean. */
async function shortCode(tx: Transaction, text: string): Promise<string | null> {
  const meant = numbersMeant(text, new Date().getFullYear(), (await readSettings(tx)).numbers);
  if (meant.length === 0) return null;
  const [work] = await tx
    .select({ id: ticket.id, runId: ticket.runId })
    .from(ticket)
    .where(inArray(ticket.code, meant))
    .orderBy(sql`${ticket.code} desc`)
    .limit(1);
  if (work) return work.runId ? `/runs/${work.runId}` : `/tickets/${work.id}`;
  const [document] = await tx
    .select({ id: certificate.id })
    .from(certificate)
    .where(inArray(certificate.number, meant))
    .orderBy(sql`${certificate.number} desc, ${certificate.revision} desc`)
    .limit(1);
  return document ? `/certificates/${document.id}` : null;
}
