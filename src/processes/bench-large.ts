import { Pool } from 'pg';
import { verdict } from './in-turn';
import { fill } from './large-house';
import { inHouse, LISTS, SEARCHES, Statements } from './measured-lists';
import { cookieOf, get, hangUp } from './signed-get';

/**
 * npm run bench -- million: the pages that people wait for, over HTTP with a session, in the demo and in the same house after years: ten thousand, a hundred thousand, a million instruments, ten results and three bookings
 * each. What grows with the house is a fault. A list may take half as long again as a bare page and its own prepared statements. Fewer by ROWS.
 */
const ROWS = Number(process.env.ROWS ?? 1_000_000);
const SIZES = [10_000, 100_000, 1_000_000].filter((size) => size <= ROWS);
const LOOKS = 25;
/** Between the smallest of the sizes and the largest; the demo itself is smaller still. */
const GROWTH = 1.3;
const OVER_SQL = 1.5;

const superuser = new Pool({ connectionString: process.env.SUPERUSER_DATABASE_URL, max: 2 });
const app = new Pool({ connectionString: process.env.DATABASE_URL, max: 1, pipeline: true });
/** Medians in ms, everything looked at in turn. */
async function look(acts: Record<string, () => Promise<unknown>>): Promise<Record<string, number>> {
  const times: Record<string, number[]> = {};
  for (let round = -3; round < LOOKS; round += 1)
    for (const [name, act] of Object.entries(acts)) {
      const began = performance.now();
      await act();
      if (round >= 0) (times[name] ??= []).push(performance.now() - began);
    }
  return Object.fromEntries(Object.entries(times).map(([name, all]) => [name, all.sort((a, b) => a - b)[LOOKS >> 1]!]));
}

const cookie = await cookieOf(superuser, 'signatory');
const one = async (text: string) => String(Object.values((await superuser.query(text)).rows[0])[0]);
const pages: Record<string, string> = {
  'run sheet': `/runs/${await one(`select t.run_id from ticket t join run_summary s on s.run_id = t.run_id where t.status = 'onBench' order by t.code limit 1`)}`,
  'approval page': `/approve/${await one(`select run_id from ticket where status = 'toApprove' and run_id is not null order by code limit 1`)}`,
  'approval list': '/approve',
  shelf: '/shelf',
  bottle: `/shelf/${await one(`select reference_id from reference_booking group by reference_id order by count(*) desc limit 1`)}`,
  'ready probes': '/probes',
  bench: '/',
  'instrument with its history': `/assets/${await one('select asset_id from run_summary group by asset_id order by count(*) desc limit 1')}`,
};
const paged = (path: string) => () => get(cookie, path);
const plain = Object.fromEntries(Object.entries(pages).map(([name, path]) => [name, paged(path)]));
const lists = Object.fromEntries(Object.entries(LISTS).map(([name, { path }]) => [name, paged(path)]));
const searches = Object.fromEntries(Object.entries(SEARCHES).map(([name, { use }]) => [name, inHouse(app, use)]));
const statements = new Statements();
let met = true;
const judge = (text: string, ratio: number, goal: number) => {
  met &&= ratio <= goal;
  console.log(`  ${text}: ${verdict(ratio, goal)}`);
};

const demo = await look(plain);
let first: Record<string, number> | null = null;
let from = 0;
for (const size of SIZES) {
  console.log(`${size.toLocaleString('en')} instruments`);
  await fill(superuser, from, size);
  from = size;
  const own = Object.fromEntries(
    await Promise.all(
      Object.entries(LISTS).map(async ([name, { uses }]) => [`its SQL: ${name}`, await statements.prepare(uses)] as const),
    ),
  );
  // A page of somebody signed in, with the bar and nothing else: an address of the house that leads nowhere. One outside it has neither session nor bar.
  const bare = () => get(cookie, '/assets/nothing', 404);
  const ms = await look({ ...plain, ...lists, ...searches, ...own, bare });
  for (const name of Object.keys(lists))
    judge(
      `${name}: ${ms[name]!.toFixed(0)} ms; a bare page ${ms.bare!.toFixed(0)} and its statements ${ms[`its SQL: ${name}`]!.toFixed(1)}`,
      ms[name]! / (ms.bare! + ms[`its SQL: ${name}`]!),
      OVER_SQL,
    );
  if (size === SIZES.at(-1)) {
    for (const name of Object.keys(plain))
      judge(`${name}: ${demo[name]!.toFixed(0)} ms in the demo, ${ms[name]!.toFixed(0)}`, ms[name]! / demo[name]!, GROWTH);
    for (const name of first ? [...Object.keys(lists), ...Object.keys(searches)] : [])
      judge(
        `${name}, growth: ${first![name]!.toFixed(1)} ms at ${SIZES[0]!.toLocaleString('en')}, ${ms[name]!.toFixed(1)}`,
        ms[name]! / first![name]!,
        SEARCHES[name]?.goal ?? GROWTH,
      );
  }
  first ??= ms;
}
await Promise.all([superuser.end(), app.end(), statements.close()]);
process.exitCode = met ? 0 : 1;
hangUp();
