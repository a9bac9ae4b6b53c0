import { and, asc, desc, eq, getTableColumns, isNull, sql } from 'drizzle-orm';
import type { ElectrodeSegment } from '@/core/ph/fit-electrode';
import type { ProbePoint } from '@/core/probe/probe-result';
import { probeWords, type ProbeHistoryEntry, type ProbeWords } from '@/core/probe/probe-words';
import type { Transaction } from '@/data/connection';
import { asset, certificate, customer, instrumentModel, probeCalibration, probePlace } from '@/data/schema';
import { dateIn } from '@/platform/clock';
import { readSettings } from '@/platform/settings';

export type ProbeRow = typeof probeCalibration.$inferSelect & { certificateId: string | null; number: string | null; on: string };

export interface ProbeChannel {
  label: string;
  kind: ProbeRow['kind'];
  unit: string;
  /** Oldest first. */
  rows: ProbeRow[];
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
  if (!/^[0-9a-f-]{36}$/.test(id)) return null;
  const [row] = await tx
    .select({ asset, model: instrumentModel.name, kind: instrumentModel.kind, customer: customer.name })
    .from(asset)
    .innerJoin(instrumentModel, eq(asset.modelId, instrumentModel.id))
    .innerJoin(customer, eq(asset.customerId, customer.id))
    .where(eq(asset.id, id));
  if (!row) return null;
  const { zone } = await readSettings(tx);
  const found = await tx
    .select({
      ...getTableColumns(probeCalibration),
      // Points and segments are drawn and listed for the latest only.
      points: sql<
        ProbePoint[]
      >`case when row_number() over (order by ${probeCalibration.at} desc) <= ${DRAWN} then ${probeCalibration.points} else '[]' end`,
      segments: sql<
        ElectrodeSegment[]
      >`case when row_number() over (order by ${probeCalibration.at} desc) <= ${DRAWN} then ${probeCalibration.segments} else '[]' end`,
      certificateId: certificate.id,
      number: certificate.number,
    })
    .from(probeCalibration)
    .leftJoin(
      certificate,
      and(
        eq(certificate.runId, probeCalibration.runId),
        sql`not exists (select from certificate newer where newer.replaces = ${certificate.id})`,
      ),
    )
    .where(eq(probeCalibration.assetId, id))
    .orderBy(desc(probeCalibration.at))
    .limit(MOST);
  const rows = found.map((one): ProbeRow => ({ ...one, on: dateIn(zone, one.at) })).reverse();
  const labels = [...new Set(rows.map((one) => one.label))];
  return {
    ...row,
    channels: labels.map((label) => {
      const own = rows.filter((one) => one.label === label);
      const last = own.at(-1)!;
      return {
        label,
        kind: last.kind,
        unit: last.unit,
        rows: own,
        words: probeWords({ result: last, history: own.map(historyEntry) }),
      };
    }),
    places: await placesOf(tx, id),
  };
}

const historyEntry = (row: ProbeRow): ProbeHistoryEntry => ({
  date: row.on,
  slopePercent: row.slopePercent,
  offsetMv: row.offsetMv,
  cellConstant: row.cellConstant,
  responseSeconds: row.responseSeconds,
  care: row.care,
});

async function placesOf(tx: Transaction, id: string): Promise<ProbeSheet['places']> {
  const asProbe = await tx
    .select({ place: probePlace, maker: asset.maker, serial: asset.serial, hostId: asset.id })
    .from(probePlace)
    .leftJoin(asset, eq(asset.id, probePlace.hostId))
    .where(eq(probePlace.probeId, id))
    .orderBy(desc(probePlace.fromAt))
    .limit(50);
  const asHost = await tx
    .select({ place: probePlace, maker: asset.maker, serial: asset.serial, hostId: asset.id })
    .from(probePlace)
    .innerJoin(asset, eq(asset.id, probePlace.probeId))
    .where(and(eq(probePlace.hostId, id)))
    .orderBy(desc(probePlace.fromAt))
    .limit(50);
  return [...asProbe, ...asHost].map(({ place, maker, serial, hostId }) => ({
    id: place.id,
    fromAt: place.fromAt,
    untilAt: place.untilAt,
    place: place.place,
    by: place.by,
    note: place.note,
    other: serial ? `${maker} ${serial}` : null,
    otherId: hostId,
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

/** Meters that take a probe or a cell. */
export function hosts(tx: Transaction) {
  return tx
    .select({
      id: asset.id,
      serial: asset.serial,
      maker: asset.maker,
      model: instrumentModel.name,
      customerId: asset.customerId,
      properties: instrumentModel.properties,
    })
    .from(asset)
    .innerJoin(instrumentModel, eq(asset.modelId, instrumentModel.id))
    .where(and(eq(asset.status, 'active'), sql`${instrumentModel.properties} ? 'host'`))
    .orderBy(asc(asset.serial))
    .limit(300);
}

export const inPlaceNow = (tx: Transaction, probeId: string) =>
  tx
    .select()
    .from(probePlace)
    .where(and(eq(probePlace.probeId, probeId), isNull(probePlace.untilAt)));
