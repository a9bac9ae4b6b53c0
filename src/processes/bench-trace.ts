import { Pool } from 'pg';
import { closeDatabase, database, pool } from '@/data/connection';
import { countUsed, whereUsed } from '@/features/recall/server';
import { inTurn, verdict } from './in-turn';
import { fill } from './large-house';

/** npm run bench -- trace: what rests on a bottle, among a million runs (ROWS), beside the same rows and figures by SQL alone; a page at the start, one deep in it, one between two days, and the counts. */
const ROWS = Number(process.env.ROWS ?? 1_000_000);
const GOAL = 1.5;

const superuser = new Pool({ connectionString: process.env.SUPERUSER_DATABASE_URL, max: 2 });
const { rows: there } = await superuser.query<{ n: number }>('select count(*)::int as n from run');
if (there[0]!.n < ROWS) await fill(superuser, 0, ROWS, { runsAlone: true });
const { rows: bottles } = await superuser.query<{ id: string; n: number }>(
  'select reference_id as id, count(*)::int as n from run_reference group by 1 order by 2 desc limit 1',
);
const bottle = bottles[0]!;
console.log(`a bottle that ${bottle.n.toLocaleString('en')} of ${ROWS.toLocaleString('en')} runs rest on`);

const PAGE = (where: string) => `
  select u.run_id, u.at, s.technician, a.id, a.serial, a.maker || ' ' || m.name, k.id, k.name, s.as_found, s.as_left, d.id, d.number
  from run_reference u join run_summary s on s.run_id = u.run_id and not s.practice join asset a on a.id = s.asset_id join instrument_model m on m.id = a.model_id join customer k on k.id = s.customer_id
  left join lateral (select d.id, d.number from certificate d where d.run_id = u.run_id and d.withdraws is null order by d.revision desc limit 1) d on true
  where u.reference_id = $1 ${where} order by u.at desc, u.run_id desc limit 41`;
const COUNTS = `
  select count(*), count(distinct s.asset_id), count(distinct s.customer_id), count(*) filter (where exists (select 1 from certificate d where d.run_id = u.run_id))
  from run_reference u join run_summary s on s.run_id = u.run_id and not s.practice where u.reference_id = $1`;

const db = database();
const asked = { what: 'reference' as const, of: bottle.id, zone: 'UTC' };
let after: string | undefined;
for (let page = 0; page < 12; page += 1) after = (await db.transaction((tx) => whereUsed(tx, { ...asked, after }))).next ?? after;
const { rows: marks } = await superuser.query<{ at: Date; id: string; from: string; to: string }>(
  `select at, run_id as id, (at::date - 60)::text as "from", (at::date - 30)::text as "to" from run_reference where run_id = $1 and reference_id = $2`,
  [after, bottle.id],
);
const mark = marks[0]!;
const { from, to } = mark;
const acts: [string, () => Promise<unknown>, () => Promise<unknown>][] = [
  ['first page', () => db.transaction((tx) => whereUsed(tx, asked)), () => pool().query(PAGE(''), [bottle.id])],
  [
    '13th page',
    () => db.transaction((tx) => whereUsed(tx, { ...asked, after })),
    () => pool().query(PAGE('and (u.at, u.run_id) < ($2, $3)'), [bottle.id, mark.at, mark.id]),
  ],
  [
    'between two days',
    () => db.transaction((tx) => whereUsed(tx, { ...asked, from, to })),
    () => pool().query(PAGE(`and u.at >= $2::date and u.at < $3::date + 1`), [bottle.id, from, to]),
  ],
  ['counts', () => db.transaction((tx) => countUsed(tx, asked)), () => pool().query(COUNTS, [bottle.id])],
];
let met = true;
for (const [name, ours, raw] of acts) {
  const [mine, theirs] = await inTurn(name === 'counts' ? 7 : 60, ours, raw);
  // A page has its transaction and where the last one ended to pay for too: of a page of milliseconds that is told, not hidden.
  met &&= mine! / theirs! <= GOAL;
  console.log(`  ${name}: ${mine!.toFixed(2)} ms, raw SQL ${theirs!.toFixed(2)} ms: ${verdict(mine! / theirs!, GOAL)}`);
}
await superuser.end();
await closeDatabase();
process.exitCode = met ? 0 : 1;
