import type { Pool } from 'pg';

/** Instruments a customer. */
const EACH = 50;

/** Years of work, from so many instruments to so many (whole fifties), straight into the tables: the triggers that keep logs and totals are off while it is filled, and the totals are set to what they would be. `runsAlone` leaves out results and bookings. */
export async function fill(superuser: Pool, from: number, to: number, { runsAlone = false } = {}): Promise<void> {
  const client = await superuser.connect();
  const step = async (name: string, text: string) => {
    const began = Date.now();
    await client.query(text);
    console.log(`  ${name}: ${((Date.now() - began) / 1000).toFixed(0)} s`);
  };
  await client.query('set session_replication_role = replica; set synchronous_commit = off; set maintenance_work_mem = 512000');
  await step(
    'instruments',
    `drop table if exists large;
     create temp table large as select gen_random_uuid() as asset, gen_random_uuid() as run, gen_random_uuid() as ticket, n from generate_series(${from + 1}, ${to}) n;
     insert into customer (name, created_at) select 'Large customer ' || n, now() from generate_series(${from / EACH + 1}, ${to / EACH}) n;
     insert into asset (id, customer_id, model_id, maker, serial, tag, next_due, due_basis, created_at)
     select l.asset, c.id, m.id, m.maker, 'LRG-' || l.n, 'T' || l.n, current_date + (l.n % 700)::int - 100, '{"from": "2026-01-01", "reason": "bench"}', now() from large l
     join (select id, row_number() over (order by id) - 1 as k from customer where name like 'Large customer %') c on c.k = l.n % ${to / EACH}
     join (select id, maker, row_number() over (order by id) - 1 as k, count(*) over () as of from instrument_model) m on m.k = l.n % m.of`,
  );
  await step(
    'tickets and runs',
    `insert into ticket (id, receipt_id, customer_id, asset_id, code, service, status, run_id, created_at, returned_at)
     select l.ticket, (select id from receipt limit 1), a.customer_id, l.asset, 'L-' || l.n, 'calibrate', 'returned', l.run, now() - l.n * interval '1 minute', now() from large l join asset a on a.id = l.asset;
     insert into run (id, ticket_id, asset_id, customer_id, procedure_id, procedure_version, created_at)
     select l.run, l.ticket, l.asset, a.customer_id, p.id, p.version, now() - l.n * interval '1 minute' from large l join asset a on a.id = l.asset cross join (select id, version from procedure_version limit 1) p;
     insert into run_summary (run_id, asset_id, customer_id, last_seq, status, as_found, as_left, adjusted, practice, started_at, finished_at, approved_at, technician)
     select l.run, l.asset, a.customer_id, 60, 'approved', 'within', 'within', true, false, now() - l.n * interval '1 minute', now() - l.n * interval '1 minute', now(), 'Bench' from large l join asset a on a.id = l.asset`,
  );
  if (!runsAlone)
    await step(
      'ten results each',
      `insert into channel_result (run_id, channel, point, asset_id, label, unit, measurand, adjusted, at)
     select l.run, 'c' || k, 'span', l.asset, 'CO', 'ppm', 'carbonMonoxide', true, now() - l.n * interval '1 minute' from large l cross join generate_series(1, 10) k`,
    );
  if (!runsAlone)
    await step(
      'three bookings each',
      `insert into reference_booking (reference_id, run_id, seq, litres, at, by)
     select r.id, l.run, k, 0.5, now() - l.n * interval '1 minute', 'Bench' from large l cross join generate_series(1, 3) k
     join (select id, row_number() over (order by id) - 1 as j, count(*) over () as of from reference where kind = 'gas') r on r.j = (l.n + k) % r.of;
     delete from reference_total;
     insert into reference_total (reference_id, litres, since_gauge, gauge_at)
     select r.id, coalesce(sum(b.litres), 0), coalesce(sum(b.litres) filter (where g.at is null or b.at > g.at), 0), g.at from reference r
     left join lateral (select max(at) as at from reference_check c where c.reference_id = r.id and c.what = 'pressure') g on true
     left join reference_booking b on b.reference_id = r.id group by r.id, g.at`,
    );
  await step(
    'what they rest on',
    `insert into run_reference (reference_id, run_id, at)
     select r.id, l.run, now() - l.n * interval '1 minute' from large l join (select id, row_number() over (order by id) - 1 as j, count(*) over () as of from reference where kind = 'gas') r on r.j = l.n % r.of`,
  );
  await step('analyze', 'vacuum analyze');
  client.release();
}
