import { and, asc, eq, isNull, sql } from 'drizzle-orm';
import { probeWords, type ProbeHistoryEntry, type ProbeWords } from '@/core/probe/probe-words';
import type { Transaction } from '@/data/connection';
import { asset, customer, instrumentModel, probeCalibration, probePlace } from '@/data/schema';
import { readSettings } from '@/platform/settings';
import { isId } from '@/platform/shape';

export type ProbeRow = Omit<typeof probeCalibration.$inferSelect, 'at' | 'assetId'> & {
  certificateId: string | null;
  number: string | null;
  on: string;
};

export interface ProbeChannel {
  label: string;
  kind: ProbeRow['kind'];
  unit: string;
  /** The latest ones in full, oldest first. */
  rows: ProbeRow[];
  /** The figures of all, oldest first. */
  history: ProbeHistoryEntry[];
  words: ProbeWords;
}

export interface ProbeSheet {
  asset: typeof asset.$inferSelect;
  model: string;
  kind: string;
  customer: string;
  channels: ProbeChannel[];
  /** Where it is and was, newest first; for a host, what is in it. */
  places: {
    id: string;
    fromAt: Date;
    untilAt: Date | null;
    place: string;
    by: string;
    note: string;
    other: string | null;
    otherId: string | null;
  }[];
}

const MOST = 400;
/** As many as the table shows. */
const DRAWN = 60;

/** The electrode sheet of a probe, or of an instrument with probes of its own: every calibration of every probe channel, with its words and its forecast. */
export async function probeSheet(tx: Transaction, id: string): Promise<ProbeSheet | null> {
  if (!isId(id)) return null;
  const [row] = await tx
    .select({ asset, model: instrumentModel.name, kind: instrumentModel.kind, customer: customer.name })
    .from(asset)
    .innerJoin(instrumentModel, eq(asset.modelId, instrumentModel.id))
    .innerJoin(customer, eq(asset.customerId, customer.id))
    .where(eq(asset.id, id));
  if (!row) return null;
  const { zone } = await readSettings(tx);
  const rows: ProbeRow[] = (await latest(tx, id, zone)).reverse();
  const earlier = await figures(tx, id, zone);
  const labels = [...new Set(rows.map((one) => one.label))];
  return {
    ...row,
    channels: labels.map((label) => {
      const own = rows.filter((one) => one.label === label);
      const last = own.at(-1)!;
      const history = earlier.filter((one) => one.label === label);
      return {
        label,
        kind: last.kind,
        unit: last.unit,
        rows: own,
        history,
        words: probeWords({ result: last, history }),
      };
    }),
    places: await placesOf(tx, id),
  };
}

/** The latest calibrations in full: lines of the chart, rows of the table. */
async function latest(tx: Transaction, id: string, zone: string): Promise<ProbeRow[]> {
  const { rows } = await tx.execute(sql`
    select k.run_id as "runId", k.channel, k.label, k.kind, k.unit, k.slope_percent as "slopePercent", k.offset_mv as "offsetMv", k.cell_constant as "cellConstant",
      k.mv_per_decade as "mvPerDecade", k.response_seconds as "responseSeconds", k.points, k.segments, k.care, k.as_left as "asLeft",
      to_char(k.at at time zone ${zone}, 'YYYY-MM-DD') as "on", c.id as "certificateId", c.number
    from probe_calibration k
      left join certificate c on c.run_id = k.run_id and not exists (select from certificate newer where newer.replaces = c.id)
    where k.asset_id = ${id} order by k.at desc limit ${DRAWN}`);
  return rows as unknown as ProbeRow[];
}

/** The figures of all of them for the trend, oldest first: plain rows, since there may be hundreds. */
async function figures(tx: Transaction, id: string, zone: string): Promise<(ProbeHistoryEntry & { label: string })[]> {
  const { rows } = await tx.execute(sql`
    select label, to_char(at at time zone ${zone}, 'YYYY-MM-DD') as date, slope_percent as "slopePercent", offset_mv as "offsetMv", cell_constant as "cellConstant",
      response_seconds as "responseSeconds", care
    from (select * from probe_calibration where asset_id = ${id} order by at desc limit ${MOST}) latest order by at`);
  return rows as unknown as (ProbeHistoryEntry & { label: string })[];
}

/** Where a probe was; for a meter, what was in it. Newest first. */
async function placesOf(tx: Transaction, id: string): Promise<ProbeSheet['places']> {
  const { rows } = await tx.execute(sql`
    select p.id, p.from_at as "fromAt", p.until_at as "untilAt", p.place, p.by, p.note, a.maker || ' ' || a.serial as other, a.id as "otherId"
    from probe_place p left join asset a on a.id = case when p.probe_id = ${id} then p.host_id else p.probe_id end
    where p.probe_id = ${id} or p.host_id = ${id} order by p.from_at desc limit 60`);
  const instant = (value: unknown) => (value === null ? null : new Date(String(value)));
  return (rows as unknown as ProbeSheet['places']).map((row) => ({
    ...row,
    fromAt: instant(row.fromAt)!,
    untilAt: instant(row.untilAt),
  }));
}

export interface ProbeOnShelf {
  id: string;
  serial: string;
  maker: string;
  model: string;
  part: 'probe' | 'cell' | 'body' | 'module';
  customer: string;
  customerId: string;
  readyUntil: string | null;
  nextDue: string | null;
  status: string;
  host: string | null;
  hostId: string | null;
  place: string | null;
  since: Date | null;
  slopePercent: number | null;
}

/** Digital probes and analogue cells: what stands ready, until when, and what is out in which meter and place. */
export async function probesOnShelf(tx: Transaction): Promise<ProbeOnShelf[]> {
  const host = sql.raw('host');
  const rows = await tx.execute(sql`
    select a.id, a.serial, a.maker, m.name as model, a.part, c.name as customer, c.id as "customerId", a.ready_until as "readyUntil", a.next_due as "nextDue", a.status,
      case when host.id is null then null else host.maker || ' ' || host.serial end as host, host.id as "hostId", p.place, p.from_at as since,
      (select k.slope_percent from probe_calibration k where k.asset_id = a.id and k.slope_percent is not null order by k.at desc limit 1) as "slopePercent"
    from asset a join instrument_model m on m.id = a.model_id join customer c on c.id = a.customer_id
      left join probe_place p on p.probe_id = a.id and p.until_at is null left join asset ${host} on host.id = p.host_id
    where a.part in ('probe', 'cell') and a.status <> 'retired'
    order by c.name, a.part desc, a.ready_until desc nulls last, a.serial limit 300`);
  return (rows.rows as unknown as (Omit<ProbeOnShelf, 'since'> & { since: string | Date | null })[]).map((row) => ({
    ...row,
    since: row.since ? new Date(row.since) : null,
  }));
}

/** Meters that take a probe or a cell, of customers who have one: a probe goes into a meter of its owner. */
export function hosts(tx: Transaction) {
  return tx
    .select({
      id: asset.id,
      serial: asset.serial,
      maker: asset.maker,
      model: instrumentModel.name,
      customerId: asset.customerId,
      traits: instrumentModel.traits,
    })
    .from(asset)
    .innerJoin(instrumentModel, eq(asset.modelId, instrumentModel.id))
    .where(
      and(
        eq(asset.status, 'inUse'),
        sql`${instrumentModel.traits} ? 'host'`,
        sql`${asset.customerId} in (select one.customer_id from asset one where one.part in ('probe', 'cell') and one.status <> 'retired')`,
      ),
    )
    .orderBy(asc(asset.serial))
    .limit(300);
}

export const inPlaceNow = (tx: Transaction, probeId: string) =>
  tx
    .select()
    .from(probePlace)
    .where(and(eq(probePlace.probeId, probeId), isNull(probePlace.untilAt)));
