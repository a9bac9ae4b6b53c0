import { sql } from 'drizzle-orm';
import { mayUseOn, type MayUse, type UseFacts } from '@/core/interval/may-use';
import type { Transaction } from '@/data/connection';
import { measuresGas } from '@/data/measures-gas';
import { dateIn } from '@/platform/clock';
import { isId } from '@/platform/shape';
import { zoneOf } from '@/platform/zone-of';

/** Everything here is asked under the window's role: the database leaves out what isn't theirs. */

const GAS_KINDS = measuresGas(sql`a.id`);

interface AssetFacts extends Record<string, unknown> {
  id: string;
  item: string;
  serial: string;
  tag: string;
  site: string | null;
  status: UseFacts['status'];
  nextDue: string | null;
  asLeft: UseFacts['asLeft'];
  bumped: boolean;
  bumpAt: string | null;
  bumpPassed: boolean | null;
  job: string | null;
  promise: string | null;
}
export interface OwnInstrument extends AssetFacts {
  use: MayUse;
}

export const workshopOf = async (tx: Transaction): Promise<string> =>
  (await tx.execute<{ name: string }>(sql`select public_workshop() as name`)).rows[0]!.name;

async function facts(tx: Transaction, which: ReturnType<typeof sql>): Promise<AssetFacts[]> {
  const { rows } = await tx.execute<AssetFacts>(sql`
    select a.id, a.maker || ' ' || m.name as item, a.serial, a.tag, s.name as site, a.status, a.next_due::text as "nextDue", ${GAS_KINDS} as bumped,
      (select r.as_left from run_summary r where r.asset_id = a.id and r.as_left <> 'notMeasured' order by r.started_at desc limit 1) as "asLeft",
      to_json(b.at)#>>'{}' as "bumpAt", b.passed as "bumpPassed", t.status as job, t.promise_on::text as promise
    from asset a join instrument_model m on m.id = a.model_id left join customer_site s on s.id = a.site_id left join ticket t on t.asset_id = a.id and t.status <> 'returned'
    left join lateral (select at, passed from (select a.bumped_at as at, a.bump_passed as passed where a.bumped_at is not null union all select c.at, c.passed from customer_bump c where c.asset_id = a.id) all_of order by at desc limit 1) b on true
    where a.part = 'body' and ${which} order by s.name nulls last, a.serial`);
  return rows;
}

const withUse = (row: AssetFacts, zone: string, today: string): OwnInstrument => ({
  ...row,
  use: mayUseOn(
    {
      status: row.status,
      inHouse: row.job !== null,
      nextDue: row.nextDue,
      asLeft: row.asLeft,
      bumped: row.bumped,
      lastBump: row.bumpAt === null ? null : { day: dateIn(zone, new Date(row.bumpAt)), passed: row.bumpPassed ?? false },
    },
    today,
  ),
});

/** All instruments of the customer that are not retired, by site, with whether each may be used today. */
export async function ownInstruments(tx: Transaction, now: Date): Promise<OwnInstrument[]> {
  const zone = await zoneOf(tx);
  return (await facts(tx, sql`a.status <> 'retired'`)).map((row) => withUse(row, zone, dateIn(zone, now)));
}

export interface OwnDocument extends Record<string, unknown> {
  id: string;
  number: string;
  revision: number;
  kind: string;
  /** On the workshop's clock. */
  issuedOn: string;
  serial: string;
  item: string;
  withdrawn: boolean;
  replaced: boolean;
}

/** Documents of the customer, the newest first; of one instrument, or of all. */
export async function ownDocuments(tx: Transaction, assetId?: string): Promise<OwnDocument[]> {
  const { rows } = await tx.execute<OwnDocument>(sql`
    select c.id, c.number, c.revision, c.kind, (c.issued_at at time zone public_zone())::date::text as "issuedOn", c.content->'item'->>'serial' as serial, concat_ws(' ', c.content->'item'->>'maker', c.content->'item'->>'model') as item,
      exists (select from certificate w where w.withdraws = c.id) as withdrawn, exists (select from certificate n where n.replaces = c.id) as replaced
    from certificate c where ${assetId ? sql`c.asset_id = ${assetId}::uuid` : sql`true`} order by c.issued_at desc, c.id limit 500`);
  return rows;
}

export interface HistoryPoint extends Record<string, unknown> {
  at: string;
  label: string;
  percent: number;
}

/** One instrument with its documents and how it came each time. Null where it isn't theirs. */
export async function ownInstrument(tx: Transaction, id: string, now: Date) {
  if (!isId(id)) return null;
  const zone = await zoneOf(tx);
  const [row] = await facts(tx, sql`a.id = ${id}::uuid`);
  if (!row) return null;
  const { rows: history } = await tx.execute<HistoryPoint>(sql`
    select to_json(min(c.at))#>>'{}' as at, c.label, max(100 * abs(c.found_deviation) / c.found_limit)::float8 as percent
    from channel_result c where c.asset_id = ${id}::uuid and c.found_limit > 0 and c.found_deviation is not null group by c.run_id, c.label order by 1, 2`);
  const { rows: bumps } = await tx.execute<{ at: string; by: string; passed: boolean; note: string }>(
    sql`select to_json(at)#>>'{}' as at, by_name as by, passed, note from customer_bump where asset_id = ${id}::uuid order by at desc limit 10`,
  );
  return { instrument: withUse(row, zone, dateIn(zone, now)), documents: await ownDocuments(tx, id), history, bumps, zone };
}

export interface OwnBooking extends Record<string, unknown> {
  id: string;
  arrivesOn: string;
  wholeWeek: boolean;
  contact: string;
  note: string;
  state: 'announced' | 'arrived' | 'cancelled';
  endedWhy: string;
  assetIds: string[];
  serials: string[];
}
export async function ownBookings(tx: Transaction): Promise<OwnBooking[]> {
  const { rows } = await tx.execute<OwnBooking>(sql`
    select b.id, b.arrives_on::text as "arrivesOn", b.whole_week as "wholeWeek", b.contact, b.note, b.state, b.ended_why as "endedWhy", coalesce(array_agg(a.id::text order by a.serial) filter (where a.id is not null), '{}') as "assetIds",
      coalesce(array_agg(a.serial order by a.serial) filter (where a.id is not null), '{}') as serials
    from booking b left join booking_item i on i.booking_id = b.id left join asset a on a.id = i.asset_id group by b.id order by b.arrives_on desc, b.id limit 50`);
  return rows;
}

/** What may be booked: not here, not retired; with the booking that it stands in. */
export async function ownBookable(tx: Transaction) {
  const { rows } = await tx.execute<{
    id: string;
    serial: string;
    tag: string;
    item: string;
    nextDue: string | null;
    booked: string | null;
  }>(sql`
    select a.id, a.serial, a.tag, a.maker || ' ' || m.name as item, a.next_due::text as "nextDue", (select i.booking_id::text from booking_item i where i.asset_id = a.id and i.open) as booked
    from asset a join instrument_model m on m.id = a.model_id
    where a.part = 'body' and a.status <> 'retired' and not exists (select from ticket t where t.asset_id = a.id and t.status <> 'returned') order by a.next_due nulls last, a.serial limit 500`);
  return rows;
}

/** The file of a document of theirs. Null where it isn't theirs; without bytes while it is being drawn. */
export async function ownPdf(
  tx: Transaction,
  id: string,
): Promise<{ bytes: Buffer | null; number: string; revision: number } | null> {
  if (!isId(id)) return null;
  const { rows } = await tx.execute<{ bytes: Buffer | null; number: string; revision: number }>(
    sql`select c.number, c.revision, p.bytes from certificate c left join certificate_pdf p on p.certificate_id = c.id where c.id = ${id}::uuid`,
  );
  return rows[0] ?? null;
}
