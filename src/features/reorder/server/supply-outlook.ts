import { addDays, format, parseISO } from 'date-fns';
import { sql } from 'drizzle-orm';
import Papa from 'papaparse';
import { forecastSupply, type SupplyForecast } from '@/core/supply/forecast-supply';
import { mondayOf } from '@/core/booking/week-load';
import type { Transaction } from '@/data/connection';
import { supplyTerms } from '@/data/schema';
import { visitsByWeek, WEEKS_AHEAD } from '@/features/bookings/server';
import { referenceSnapshots } from '@/features/shelf/server';
import { gasUsed, type GasUsed } from './gas-used';

/** Days that an order takes where nobody said otherwise; common practice for calibration gas. */
export const USUAL_LEAD_DAYS = 28;

export interface SupplyLine {
  name: string;
  kind: 'gas' | 'buffer' | 'standard' | 'solution';
  /** Runs that are expected, and what they want, L. */
  runs: number;
  wanted: number;
  left: number;
  bottles: (SupplyForecast['bottles'][number] & { lot: string; left: number; until: string | null })[];
  shortOn: string | null;
  /** Last day on which an order comes in time; in the past where it is late already. */
  orderBy: string | null;
  /** How many are wanted, where it is known what one holds. */
  order: number;
  /** Of its newest runs: what they used, and what their readings would have taken; null for what is no gas, or was not used. */
  gas: GasUsed | null;
  terms: { supplier: string; partNumber: string; leadDays: number; holds: number | null; price: number | null; own: boolean };
}

/** What a run of each model draws of what, L: the mean of the last year's approved runs, those that drew nothing of it counted in. */
async function drawnByModel(tx: Transaction, now: Date): Promise<{ model: string; name: string; litres: number }[]> {
  const { rows } = await tx.execute<{ model: string; name: string; litres: number }>(sql`
    with runs as (
      select s.run_id, a.model_id from run_summary s join asset a on a.id = s.asset_id where s.status = 'approved' and not s.practice and s.started_at > ${now.toISOString()}::timestamptz - interval '1 year'
    ), many as (select model_id, count(*) as n from runs group by 1)
    select r.model_id as model, f.name, (sum(b.litres) / max(m.n))::float8 as litres
    from runs r join many m on m.model_id = r.model_id join reference_booking b on b.run_id = r.run_id join reference f on f.id = b.reference_id where f.kind <> 'tool' group by 1, 2`);
  return rows;
}

/** What each mixture, buffer and solution on the shelf will be used for, by what is booked and due in the next twelve weeks; what is short first. */
export async function supplyOutlook(tx: Transaction, today: string, now: Date): Promise<SupplyLine[]> {
  const visits = await visitsByWeek(tx, today);
  const drawn = await drawnByModel(tx, now);
  const terms = await tx.select().from(supplyTerms);
  const gas = await gasUsed(tx);
  const monday = parseISO(mondayOf(today));
  const weeks = Array.from({ length: WEEKS_AHEAD }, (_one, index) => format(addDays(monday, index * 7), 'yyyy-MM-dd'));
  const { rows: usual } = await tx.execute<{
    name: string;
    maker: string;
    part: string;
    holds: string | null;
    price: string | null;
  }>(sql`
    select distinct on (name) name, coalesce(nullif(maker, ''), issuer, '') as maker, part_number as part, (nullif(water_volume_l, '')::numeric * nullif(pressure_bar, '')::numeric / 1.01325)::text as holds, price::text from reference where kind <> 'tool' order by name, created_at desc`);
  const shelf = (await referenceSnapshots(tx)).filter((one) => one.kind !== 'tool' && !one.recalled && !one.unusable);
  const names = [...new Set([...shelf.map((one) => one.name), ...drawn.map((one) => one.name)])];
  const lines = names.map((name): SupplyLine => {
    const of = drawn.filter((one) => one.name === name);
    const models = new Map(of.map((one) => [one.model, one.litres]));
    const coming = visits.filter((one) => models.has(one.model));
    const bottles = shelf
      .filter((one) => one.name === name && (!one.expires || one.expires >= today))
      .map((one) => ({
        id: one.id,
        lot: one.lot,
        kind: one.kind,
        left: one.availableL ? Number(one.availableL) : one.leftMl ? Number(one.leftMl) / 1000 : 0,
        until: earlier(one.expires ?? null, one.openedUntil ?? null),
      }))
      .filter((one) => one.until === null || one.until >= today);
    const forecast = forecastSupply({
      today,
      bottles,
      weeks: weeks.map((week) => ({
        week,
        wanted: coming.filter((one) => one.week === week).reduce((sum, one) => sum + one.n * models.get(one.model)!, 0),
      })),
    });
    const own = terms.find((one) => one.name === name);
    const last = usual.find((one) => one.name === name);
    const bought = {
      supplier: own?.supplier ?? last?.maker ?? '',
      partNumber: own?.partNumber ?? last?.part ?? '',
      leadDays: own?.leadDays ?? USUAL_LEAD_DAYS,
      holds: numberOr(own?.holds ?? last?.holds),
      price: numberOr(own?.price ?? last?.price),
      own: own !== undefined,
    };
    const { shortOn } = forecast;
    return {
      name,
      kind: (bottles[0]?.kind ?? 'gas') as SupplyLine['kind'],
      runs: coming.reduce((sum, one) => sum + one.n, 0),
      wanted: coming.reduce((sum, one) => sum + one.n * models.get(one.model)!, 0),
      left: bottles.reduce((sum, one) => sum + one.left, 0),
      bottles: forecast.bottles.map((one, index) => ({ ...one, ...pick(bottles[index]!) })),
      shortOn,
      orderBy: shortOn ? format(addDays(parseISO(shortOn), -bought.leadDays), 'yyyy-MM-dd') : null,
      order: forecast.missing > 0 ? (bought.holds ? Math.ceil(forecast.missing / bought.holds) : 1) : 0,
      gas: gas.get(name) ?? null,
      terms: bought,
    };
  });
  return lines
    .filter((one) => one.wanted > 0 || one.bottles.length > 0)
    .sort(
      (a, b) => (a.orderBy ?? '9999').localeCompare(b.orderBy ?? '9999') || b.wanted - a.wanted || a.name.localeCompare(b.name),
    );
}

const pick = ({ lot, left, until }: { lot: string; left: number; until: string | null }) => ({ lot, left, until });
const numberOr = (text: string | null | undefined): number | null => (text ? Number(text) : null);
const earlier = (one: string | null, other: string | null): string | null =>
  one === null ? other : other === null ? one : one < other ? one : other;

/** What is to be ordered, as a table. */
export async function reorderCsv(tx: Transaction, today: string, now: Date): Promise<string> {
  const lines = (await supplyOutlook(tx, today, now)).filter((one) => one.order > 0);
  return Papa.unparse(
    {
      fields: [
        'name',
        'supplier',
        'part_number',
        'order',
        'price_each',
        'price',
        'order_by',
        'short_on',
        'wanted_litres',
        'left_litres',
      ],
      data: lines.map(({ name, terms, order, orderBy, shortOn, wanted, left }) => [
        name,
        terms.supplier,
        terms.partNumber,
        order,
        terms.price ?? '',
        terms.price === null ? '' : (terms.price * order).toFixed(2),
        orderBy ?? '',
        shortOn ?? '',
        wanted.toFixed(1),
        left.toFixed(1),
      ]),
    },
    { escapeFormulae: true },
  );
}
