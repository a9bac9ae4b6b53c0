import type { Pool } from 'pg';

/** Instruments from one number to another, with one channel each and so many visits half a year apart (a day apart for many). */
export async function fillHistories(superuser: Pool, from: number, to: number, visits: number, days: number): Promise<void> {
  const client = await superuser.connect();
  await client.query('set session_replication_role = replica; set synchronous_commit = off');
  await client.query(`
    drop table if exists filled; create temp table filled as select gen_random_uuid() as asset, gen_random_uuid() as channel, n from generate_series(${from + 1}, ${to}) n;
    insert into asset (id, customer_id, model_id, maker, serial, created_at)
    select f.asset, (select id from customer limit 1), m.id, m.maker, 'HIS-' || f.n, now() from filled f
    join (select id, maker, row_number() over (order by id) - 1 as k, count(*) over () as of from instrument_model) m on m.k = f.n % m.of;
    insert into asset_channel (id, asset_id, position, role, label, measurand, unit, resolution, lowest, highest, tolerance)
    select channel, asset, 0, 'co', 'CO', 'carbon monoxide', 'ppm', '1', '0', '500', '{"absolute": "5"}' from filled;
    drop table if exists visit; create temp table visit as select gen_random_uuid() as run, f.asset, f.channel, f.n, v, now() - (${visits} - v) * interval '${days} days' - interval '1 day' as at from filled f cross join generate_series(1, ${visits}) v;
    insert into run (id, ticket_id, asset_id, customer_id, procedure_id, procedure_version, created_at)
    select run, gen_random_uuid(), asset, (select id from customer limit 1), p.id, p.version, at from visit cross join (select id, version from procedure_version limit 1) p;
    insert into run_summary (run_id, asset_id, customer_id, last_seq, status, as_found, as_left, adjusted, practice, started_at, finished_at, approved_at, technician)
    select run, asset, (select id from customer limit 1), 60, 'approved', 'within', 'within', true, false, at, at, at, 'Bench' from visit;
    insert into channel_result (run_id, channel, point, asset_id, label, unit, measurand, found_reference, found_deviation, found_limit, found_state, left_reference, left_deviation, left_limit, left_state, adjusted, at)
    select run, channel::text, 'span', asset, 'CO', 'ppm', 'carbon monoxide', 100, -2 - (n % 7) * 0.3 - ((n * 31 + v * 17) % 11) * 0.2, 5, 'within', 100, ((n + v) % 3 - 1) * 0.5, 5, 'within', true, at from visit`);
  client.release();
  await superuser.query('analyze asset, asset_channel, run, run_summary, channel_result');
}
