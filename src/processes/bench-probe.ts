import { Pool, type PoolClient } from 'pg';
import { database, pool } from '@/data/connection';
import { probeSheet } from '@/features/probes/server';
import { inTurn, verdict } from './in-turn';

const CALIBRATIONS = 200;
const GOAL = 1.5;

/** What the sheet asks the database for, straight from SQL. */
const RAW = [
  'select a.*, m.name as model, m.kind, c.name as customer from asset a join instrument_model m on m.id = a.model_id join customer c on c.id = a.customer_id where a.id = $1',
  `select k.*, c.id as certificate_id, c.number, to_char(k.at at time zone 'Europe/Berlin', 'YYYY-MM-DD') as day from probe_calibration k
   left join certificate c on c.run_id = k.run_id and not exists (select from certificate newer where newer.replaces = c.id) where k.asset_id = $1 order by k.at desc limit 60`,
  `select label, to_char(at at time zone 'Europe/Berlin', 'YYYY-MM-DD') as date, slope_percent, offset_mv, cell_constant, response_seconds, care
   from (select * from probe_calibration where asset_id = $1 order by at desc limit 400) latest order by at`,
  `select p.*, a.maker || ' ' || a.serial as other, a.id as other_id from probe_place p left join asset a on a.id = case when p.probe_id = $1 then p.host_id else p.probe_id end
   where p.probe_id = $1 or p.host_id = $1 order by p.from_at desc limit 60`,
];

/** The electrode sheet of a probe with two hundred calibrations, with its words and its forecast, against its raw queries. */
export async function probeSheetAgainstSql(): Promise<boolean> {
  const owner = new Pool({ connectionString: process.env.OWNER_DATABASE_URL });
  const { rows } = await owner.query<{ id: string }>(
    `insert into asset (customer_id, model_id, maker, serial, part, created_at)
     select a.customer_id, a.model_id, a.maker, 'BENCH-PROBE-' || extract(epoch from now())::bigint, 'probe', now() from asset a where a.part = 'probe' limit 1 returning id`,
  );
  const id = rows[0]!.id;
  await owner.query(
    `with source as (select k.* from probe_calibration k where k.kind = 'pH' order by k.at desc limit 1),
       made as (insert into run (id, asset_id, customer_id, procedure_id, procedure_version, created_at)
         select gen_random_uuid(), $1, r.customer_id, r.procedure_id, r.procedure_version, now() - (n || ' days')::interval
         from generate_series(1, ${CALIBRATIONS}) n, source s join run r on r.id = s.run_id returning id, created_at)
     insert into probe_calibration (run_id, channel, asset_id, label, kind, unit, at, slope_percent, offset_mv, response_seconds, points, segments, care, as_left)
     select made.id, s.channel, $1, s.label, s.kind, s.unit, made.created_at, 99 - extract(epoch from now() - made.created_at) * -0.0000003 - random(), s.offset_mv, 20, s.points, s.segments, '[]', 'within'
     from made, source s`,
    [id],
  );
  await owner.query('analyze probe_calibration');
  await owner.end();
  const raw = async (client: PoolClient) => {
    await client.query('begin');
    await client.query("select value from setting where key = 'workshop'");
    for (const sql of RAW) await client.query(sql, [id]);
    await client.query('commit');
  };
  const client = await pool().connect();
  const [ours, queries] = await inTurn(
    80,
    () => database().transaction((tx) => probeSheet(tx, id)),
    () => raw(client),
  );
  client.release();
  const ratio = ours! / queries!;
  console.log(
    `electrode sheet of a probe with ${CALIBRATIONS} calibrations: ${ours!.toFixed(2)} ms, its raw queries ${queries!.toFixed(2)} ms: ${verdict(ratio, GOAL)}`,
  );
  return ratio <= GOAL;
}
