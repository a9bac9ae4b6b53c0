import { desc, eq, sql } from 'drizzle-orm';
import * as yup from 'yup';
import { lotWitness, type LotWitness } from '@/core/supply/lot-witness';
import { resultChannelId } from '@/data/channel-id';
import type { Database, Transaction } from '@/data/connection';
import { houseCheck } from '@/data/schema';

/** How far back earlier lots are looked at, and for how long a lot is looked at after its last use. */
const YEARS_BACK = 3;
const LOOKED_AT_DAYS = 90;
/** False alarms a judgement: with sixty gases of lots a year each judged every night, one a year at most (the core's simulation). */
const CHANCE = 0.002;

export interface LotFound extends LotWitness {
  referenceId: string;
  name: string;
  lot: string;
  substance: string;
}
interface Row extends Record<string, unknown> {
  reference_id: string;
  name: string;
  lot: string;
  substance: string;
  u: number | null;
  deviations: number[];
  newest: boolean;
}

/**
 * Lots in use whose gas the instruments have borne witness of: what was read of each gas as found, each instrument once a lot, against earlier lots of that gas. One lot of several bottles is one.
 * Read of what was approved in three years; in memory a row a lot and gas.
 */
export async function lotWitnesses(tx: Transaction | Database, now: Date): Promise<LotFound[]> {
  const { rows } = await tx.execute<Row>(sql`
    with lots as (
      select f.id, f.name, f.lot, upper(f.lot) as one_lot, c->>'substance' as substance, (c->>'value')::numeric as value, (c->>'expanded')::numeric / nullif((c->>'k')::numeric, 0) as u
      from reference f cross join lateral jsonb_array_elements(f.components) c where f.kind = 'gas' and (c->>'value')::numeric > 0
    ), said as (
      select l.one_lot, l.substance, r.asset_id, (array_agg(r.found_deviation / r.found_reference * 100 order by r.at))[1] as deviation, max(u.at) as at,
        (array_agg(l.id order by u.at desc))[1] as reference_id, (array_agg(l.name order by u.at desc))[1] as name, (array_agg(l.lot order by u.at desc))[1] as lot, max(l.u / l.value) * 100 as u
      from lots l join run_reference u on u.reference_id = l.id join run_summary s on s.run_id = u.run_id and s.status = 'approved'
      join channel_result r on r.run_id = u.run_id join asset_channel h on h.id = ${resultChannelId} and h.calibration_gas = l.substance
      where u.at > ${now.toISOString()}::timestamptz - make_interval(years => ${YEARS_BACK}) and r.found_deviation is not null and abs(r.found_reference - l.value) <= l.value * 0.02
      group by l.one_lot, l.substance, r.asset_id
    )
    select one_lot, substance, (array_agg(reference_id order by at desc))[1]::text as reference_id, (array_agg(name order by at desc))[1] as name, (array_agg(lot order by at desc))[1] as lot, max(u)::float8 as u,
      array_agg(deviation::float8 order by at) as deviations, max(at) as last_at, min(at) as first_at, max(at) > ${now.toISOString()}::timestamptz - make_interval(days => ${LOOKED_AT_DAYS}) as newest
    from said group by one_lot, substance order by substance, min(at)`);
  return rows.flatMap((row, index): LotFound[] => {
    if (!row.newest) return [];
    const earlier = rows.slice(0, index).filter((one) => one.substance === row.substance);
    const judged = lotWitness({ lot: readingsOf(row), earlier: earlier.map(readingsOf), chance: CHANCE });
    return judged ? [{ ...judged, referenceId: row.reference_id, name: row.name, lot: row.lot, substance: row.substance }] : [];
  });
}

const readingsOf = ({ deviations, u }: Row) => ({ deviations, standardUncertainty: u ?? 0 });

/** The night's look at the lots, kept with what it found. */
export async function lookAtLots(db: Database, now: Date): Promise<LotFound[]> {
  const began = Date.now();
  const found = await lotWitnesses(db, now);
  const suspicious = found.filter((one) => one.suspicious);
  await db.insert(houseCheck).values({
    kind: 'lots',
    at: now,
    tookMs: Date.now() - began,
    ok: suspicious.length === 0,
    detail: {
      judged: found.length,
      lots: found,
      faults: suspicious.map(({ lot, substance, shift }) => ({ record: lot, what: `${substance} ${shift.toFixed(1)} %` })),
    },
  });
  return suspicious;
}

const keptSchema = yup.array().of(
  yup.object({
    referenceId: yup.string().uuid().required(),
    name: yup.string().required(),
    lot: yup.string().required(),
    substance: yup.string().required(),
    instruments: yup.number().required(),
    earlier: yup.number().required(),
    shift: yup.number().required(),
    explained: yup.number().required(),
    probability: yup.number().required(),
    suspicious: yup.boolean().required(),
  }),
);

/** What the newest night found of every lot that it judged, and when. */
export async function judgedLots(tx: Transaction): Promise<{ at: Date | null; lots: LotFound[] }> {
  const [row] = await tx
    .select({ detail: houseCheck.detail, at: houseCheck.at })
    .from(houseCheck)
    .where(eq(houseCheck.kind, 'lots'))
    .orderBy(desc(houseCheck.id))
    .limit(1);
  return row ? { at: row.at, lots: (await keptSchema.validate(row.detail.lots ?? [])) ?? [] } : { at: null, lots: [] };
}

/** Those that it found low. */
export const lowLots = async (tx: Transaction): Promise<LotFound[]> =>
  (await judgedLots(tx)).lots.filter((one) => one.suspicious);
