import { and, eq, inArray, or, sql } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { asset, customer, stationEntry } from '@/data/schema';
import type { StationRow } from '@/core/station/station-row';
import { dateIn } from '@/platform/clock';
import { zoneOf } from '@/platform/zone-of';
import { readLog } from '../read-log';

export type RowVerdict = 'good' | 'broken' | 'duplicate' | 'unknown' | 'doubtful';

export interface DryRow {
  line: number;
  verdict: RowVerdict;
  why: string;
  row: StationRow | null;
  assetId: string | null;
  customer: string | null;
}

const key = (maker: string, serial: string) => `${maker.toLowerCase()}/${serial.toUpperCase()}`;
const same = (row: { station: string; maker: string; serial: string; kind: string; at: string }) =>
  `${row.station}/${key(row.maker, row.serial)}/${row.kind}/${row.at}`;

/** What would come of a log, row by row, without writing anything. */
export async function dryRun(tx: Transaction, text: string, now: Date): Promise<DryRow[]> {
  const lines = readLog(text);
  const rows = lines.flatMap((line) => line.row ?? []);
  const owners = await assetsOf(tx, rows);
  const taken = await takenBefore(tx, rows);
  const seen = new Set<string>();
  const zone = await zoneOf(tx);
  return lines.map(({ line, row, why }): DryRow => {
    const plain = { line, row, assetId: null, customer: null };
    if (!row) return { ...plain, verdict: 'broken', why };
    const owner = owners.get(key(row.maker, row.serial));
    const found = { ...plain, assetId: owner?.id ?? null, customer: owner?.customer ?? null };
    if (taken.has(same(row))) return { ...found, verdict: 'duplicate', why: 'taken in before' };
    if (seen.has(same(row))) return { ...found, verdict: 'duplicate', why: 'stands in this file twice' };
    seen.add(same(row));
    if (Date.parse(row.at) > now.getTime() + 3_600_000)
      return { ...found, verdict: 'doubtful', why: 'its time lies ahead: the station’s clock is wrong' };
    const old = row.gases.find((gas) => gas.expires && gas.expires < dateIn(zone, new Date(row.at)));
    if (old) return { ...found, verdict: 'doubtful', why: `the station’s gas ${old.lot} had expired on ${old.expires}` };
    if (!owner) return { ...found, verdict: 'unknown', why: `${row.maker} ${row.serial} is not on record` };
    return { ...found, verdict: 'good', why: row.passed ? '' : 'failed at the station: goes on the bench list' };
  });
}

async function assetsOf(tx: Transaction, rows: StationRow[]): Promise<Map<string, { id: string; customer: string }>> {
  const serials = [...new Set(rows.map((row) => row.serial.toUpperCase()))];
  if (serials.length === 0) return new Map();
  const found = await tx
    .select({ id: asset.id, maker: asset.maker, serial: asset.serial, customer: customer.name })
    .from(asset)
    .innerJoin(customer, eq(customer.id, asset.customerId))
    .where(inArray(sql`upper(${asset.serial})`, serials));
  return new Map(found.map((one) => [key(one.maker, one.serial), one]));
}

async function takenBefore(tx: Transaction, rows: StationRow[]): Promise<Set<string>> {
  const stations = [...new Set(rows.map((row) => row.station))];
  const serials = [...new Set(rows.map((row) => row.serial.toUpperCase()))];
  if (rows.length === 0) return new Set();
  const found = await tx
    .select()
    .from(stationEntry)
    .where(and(inArray(stationEntry.station, stations), or(inArray(sql`upper(${stationEntry.serial})`, serials))));
  return new Set(found.map((one) => same({ ...one, at: one.at.toISOString() })));
}
