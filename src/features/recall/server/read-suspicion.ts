import { asc, eq, sql } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import {
  asset,
  certificate,
  customer,
  instrumentModel,
  nonconformity,
  reference,
  run,
  suspicion,
  suspicionResult,
} from '@/data/schema';
import { booksByWindow } from '@/platform/books-by-window';
import { isId } from '@/platform/shape';

/** One run that rests on it, with its instrument, customer and newest document. */
export type SuspicionLine = Awaited<ReturnType<typeof linesOf>>[number];

const NEWEST = sql`(select d.id from certificate d where d.run_id = ${suspicionResult.runId} and d.withdraws is null order by d.revision desc limit 1)`;

const LATER = sql<
  string | null
>`(select d.number from certificate d join run_summary s on s.run_id = d.run_id where d.asset_id = ${asset.id} and d.withdraws is null and s.started_at > (select o.started_at from run_summary o where o.run_id = ${suspicionResult.runId})
  and not exists (select from certificate w where w.withdraws = d.id) and not exists (select from suspicion_result r where r.suspicion_id = ${suspicionResult.suspicionId} and r.run_id = d.run_id) order by s.started_at desc, d.revision desc limit 1)`;

/** What was judged anew, by customer and instrument. */
export const linesOf = (tx: Transaction, suspicionId: string) =>
  tx
    .select({
      runId: suspicionResult.runId,
      results: suspicionResult.results,
      foundWas: suspicionResult.foundWas,
      foundWould: suspicionResult.foundWould,
      leftWas: suspicionResult.leftWas,
      leftWould: suspicionResult.leftWould,
      decision: suspicionResult.decision,
      decidedBy: suspicionResult.decidedBy,
      mailId: suspicionResult.mailId,
      assetId: asset.id,
      serial: asset.serial,
      maker: asset.maker,
      model: instrumentModel.name,
      customerId: customer.id,
      customer: customer.name,
      email: customer.email,
      language: customer.language,
      books: booksByWindow,
      certificateId: certificate.id,
      number: certificate.number,
      /** A later calibration's document that stands: the instrument goes by that one. */
      since: LATER,
      withdrawn: sql<boolean>`exists (select 1 from certificate w where w.withdraws = ${certificate.id})`,
    })
    .from(suspicionResult)
    .innerJoin(run, eq(run.id, suspicionResult.runId))
    .innerJoin(asset, eq(asset.id, run.assetId))
    .innerJoin(instrumentModel, eq(instrumentModel.id, asset.modelId))
    .innerJoin(customer, eq(customer.id, run.customerId))
    .leftJoin(certificate, eq(certificate.id, NEWEST))
    .where(eq(suspicionResult.suspicionId, suspicionId))
    .orderBy(asc(sql`lower(${customer.name})`), asc(customer.id), asc(asset.serial), asc(suspicionResult.runId));

/** A suspicion with what it rests on. Null where there is none. */
export async function suspicionHead(tx: Transaction, id: string) {
  if (!isId(id)) return null;
  const [row] = await tx
    .select({ suspicion, reference, entry: { id: nonconformity.id, number: nonconformity.number } })
    .from(suspicion)
    .innerJoin(reference, eq(reference.id, suspicion.referenceId))
    .innerJoin(nonconformity, eq(nonconformity.id, suspicion.nonconformityId))
    .where(eq(suspicion.id, id));
  return row ?? null;
}

/** References of the same supplier and kind: what went wrong with one lot may be so with the next. */
const MOST_OTHERS = 12;
const othersOf = (tx: Transaction, row: typeof reference.$inferSelect) =>
  tx
    .select({
      id: reference.id,
      name: reference.name,
      lot: reference.lot,
      expires: reference.expires,
      recalled: reference.recalled,
    })
    .from(reference)
    .where(
      sql`${reference.kind} = ${row.kind} and ${reference.id} <> ${row.id} and ${reference.state} = 'good' and (${reference.expires} is null or ${reference.expires} >= (now() at time zone public_zone())::date)
        and ((${reference.maker} <> '' and ${reference.maker} = ${row.maker}) or (${reference.issuer} is not null and ${reference.issuer} = ${row.issuer}))`,
    )
    .orderBy(asc(reference.name), asc(reference.lot))
    .limit(MOST_OTHERS);

export async function suspicionPage(tx: Transaction, id: string) {
  const head = await suspicionHead(tx, id);
  return head && { ...head, lines: await linesOf(tx, id), others: await othersOf(tx, head.reference) };
}
export type SuspicionPage = NonNullable<Awaited<ReturnType<typeof suspicionPage>>>;

/** Suspicions of a reference, the newest first. */
export const suspicionsOf = (tx: Transaction, referenceId: string) =>
  tx
    .select({ id: suspicion.id, endedAt: suspicion.endedAt, openedAt: suspicion.openedAt })
    .from(suspicion)
    .where(eq(suspicion.referenceId, referenceId))
    .orderBy(sql`${suspicion.openedAt} desc`)
    .limit(5);

/** The suspicion that an entry of the register is about. */
export async function suspicionOfEntry(tx: Transaction, entryId: string): Promise<string | null> {
  if (!isId(entryId)) return null;
  const [row] = await tx.select({ id: suspicion.id }).from(suspicion).where(eq(suspicion.nonconformityId, entryId));
  return row?.id ?? null;
}
