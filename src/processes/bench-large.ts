import { Agent, request } from 'node:http';
import { createHash, createHmac, randomBytes } from 'node:crypto';
import { Pool } from 'pg';
import { SESSION_COOKIE } from '@/platform/session-cookie';
import { verdict } from './in-turn';

/**
 * npm run bench -- million: the pages that people wait for, over HTTP with a session, in the demo and in the same house after years: a million instruments, ten million results, three million bookings. What grows with the
 * house is a fault. Fewer by ROWS.
 */
const ROWS = Number(process.env.ROWS ?? 1_000_000);
/** Instruments a customer. */
const EACH = 50;
const CUSTOMERS = Math.ceil(ROWS / EACH);
const LOOKS = 25;
const GOAL = 1.3;

const superuser = new Pool({ connectionString: process.env.SUPERUSER_DATABASE_URL, max: 2 });
const agent = new Agent({ keepAlive: true });

async function cookieOf(role: string): Promise<string> {
  const token = randomBytes(24).toString('hex');
  await superuser.query(
    `insert into session (id, expires_at, token, user_id) select $1, now() + interval '4 hours', $2, id from "user" where role = $3 and active order by id limit 1`,
    [token.slice(0, 20), createHash('sha256').update(`session ${token}`).digest('hex'), role],
  );
  const seal = createHmac('sha256', process.env.WERKBANK_SECRET!).update(token).digest('base64');
  return `${SESSION_COOKIE}=${encodeURIComponent(`${token}.${seal}`)}`;
}

const get = (cookie: string, path: string): Promise<number> =>
  new Promise((resolve, reject) => {
    const began = performance.now();
    request(`${process.env.WERKBANK_ORIGIN}${path}`, { agent, headers: { cookie } }, (answer) => {
      answer.resume();
      answer.on('end', () =>
        answer.statusCode === 200
          ? resolve(performance.now() - began)
          : reject(new Error(`${path} was answered ${answer.statusCode}`)),
      );
    })
      .on('error', reject)
      .end();
  });

/** Medians in ms, the pages looked at in turn. */
async function look(cookie: string, pages: Record<string, string>): Promise<Record<string, number>> {
  const times: Record<string, number[]> = {};
  for (let round = -3; round < LOOKS; round += 1)
    for (const [name, path] of Object.entries(pages)) {
      const ms = await get(cookie, path);
      if (round >= 0) (times[name] ??= []).push(ms);
    }
  return Object.fromEntries(Object.entries(times).map(([name, all]) => [name, all.sort((a, b) => a - b)[LOOKS >> 1]!]));
}

/** Years of work, straight into the tables: the triggers that keep logs and totals are off while it is filled, and the totals are set to what they would be. */
async function fill(): Promise<void> {
  const client = await superuser.connect();
  const step = async (name: string, text: string) => {
    const began = Date.now();
    await client.query(text);
    console.log(`  ${name}: ${((Date.now() - began) / 1000).toFixed(0)} s`);
  };
  await client.query('set session_replication_role = replica; set synchronous_commit = off; set maintenance_work_mem = 512000');
  await step(
    'instruments',
    `create temp table large as select gen_random_uuid() as asset, gen_random_uuid() as run, gen_random_uuid() as ticket, n from generate_series(1, ${ROWS}) n;
     insert into customer (name, created_at) select 'Large customer ' || n, now() from generate_series(1, ${CUSTOMERS}) n;
     insert into asset (id, customer_id, model_id, maker, serial, tag, next_due, due_basis, created_at)
     select l.asset, c.id, m.id, m.maker, 'LRG-' || l.n, 'T' || l.n, current_date + (l.n % 700)::int - 100, '{"from": "2026-01-01", "reason": "bench"}', now() from large l
     join (select id, row_number() over (order by id) - 1 as k from customer where name like 'Large customer %') c on c.k = l.n % ${CUSTOMERS}
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
  await step(
    'ten results each',
    `insert into channel_result (run_id, channel, point, asset_id, label, unit, measurand, adjusted, at)
     select l.run, 'c' || k, 'span', l.asset, 'CO', 'ppm', 'carbonMonoxide', true, now() - l.n * interval '1 minute' from large l cross join generate_series(1, 10) k`,
  );
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
  await step('analyze', 'vacuum analyze');
  client.release();
}

const cookie = await cookieOf('signatory');
const one = async (text: string) => String(Object.values((await superuser.query(text)).rows[0])[0]);
const gated = {
  'run sheet': `/runs/${await one(`select t.run_id from ticket t join run_summary s on s.run_id = t.run_id where t.status = 'onBench' order by t.code limit 1`)}`,
  'approval page': `/approve/${await one(`select run_id from ticket where status = 'toApprove' and run_id is not null order by code limit 1`)}`,
  'approval list': '/approve',
  shelf: '/shelf',
  bottle: `/shelf/${await one(`select reference_id from reference_booking group by reference_id order by count(*) desc limit 1`)}`,
  'ready probes': '/probes',
  bench: '/',
};
const told = {
  'instrument with its history': `/assets/${await one('select asset_id from run_summary group by asset_id order by count(*) desc limit 1')}`,
  'due list': '/due',
  instruments: '/assets',
  customers: '/customers',
  'customer searched': '/customers?q=brew',
  certificates: '/certificates',
};
const before = await look(cookie, { ...gated, ...told });
console.log(`filling ${ROWS.toLocaleString('en')} instruments`);
await fill();
const after = await look(cookie, { ...gated, ...told });
let met = true;
for (const [name, ms] of Object.entries(after)) {
  const ratio = ms / before[name]!;
  const isGate = name in gated;
  if (isGate) met &&= ratio <= GOAL;
  console.log(
    `${name}: ${before[name]!.toFixed(0)} ms in the demo, ${ms.toFixed(0)} ms: ${isGate ? verdict(ratio, GOAL) : `${ratio.toFixed(2)} ×`}`,
  );
}
await superuser.end();
process.exitCode = met ? 0 : 1;
agent.destroy();
