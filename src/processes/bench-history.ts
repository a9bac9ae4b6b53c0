import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { eq } from 'drizzle-orm';
import { Pool } from 'pg';
import { closeDatabase, database, pool } from '@/data/connection';
import { asset } from '@/data/schema';
import { adviseNightly, assetOutlook } from '@/features/advice/server';
import { readSettings } from '@/platform/settings';
import { fillHistories } from './filled-histories';
import { inTurn, verdict } from './in-turn';

/**
 * npm run bench -- history: the night's advice on ten and a hundred thousand instruments of four visits each, what it costs for each and the memory it takes; and one instrument's outlook with two hundred visits beside its own SQL.
 */
const SIZES = (process.env.ROWS ?? '10000,100000').split(',').map(Number);
const GROWTH = 1.3;
const MEMORY = 1.5;
const VISITS = 200;

setFlagsFromString('--expose-gc');
const collect = runInNewContext('gc') as () => void;
const superuser = new Pool({ connectionString: process.env.SUPERUSER_DATABASE_URL, max: 2 });
const db = database();

const nights: { size: number; each: number; mb: number }[] = [];
let filled = 0;
for (const size of SIZES) {
  await fillHistories(superuser, filled, size, 4, 180);
  filled = size;
  let most = 0;
  // What lives: garbage that nobody had to collect yet says how much memory the machine has, not how much is needed.
  const watch = setInterval(() => {
    collect();
    most = Math.max(most, process.memoryUsage().heapUsed);
  }, 1000);
  const began = performance.now();
  await adviseNightly(db, new Date());
  clearInterval(watch);
  nights.push({ size, each: (performance.now() - began) / size, mb: most / 2 ** 20 });
  const { size: of, each, mb } = nights.at(-1)!;
  console.log(
    `  a night over ${of.toLocaleString('en')} instruments: ${((each * of) / 1000).toFixed(1)} s, ${each.toFixed(2)} ms each, ${mb.toFixed(0)} MB of heap at most`,
  );
}
const [small, large] = [nights[0]!, nights.at(-1)!];
const growth = large.each / small.each;
const memory = large.mb / small.mb;
console.log(`  growth for each: ${verdict(growth, GROWTH)}; of memory: ${verdict(memory, MEMORY)}`);

await fillHistories(superuser, filled, filled + 1, VISITS, 30);
const [row] = await db
  .select()
  .from(asset)
  .where(eq(asset.serial, `HIS-${filled + 1}`));
const { id } = row!;
const settings = await readSettings(db);
const SQL = [
  `select asset_id, channel, role, label, run_id, at, found, "left" from (
     select distinct on (r.run_id, r.channel) r.asset_id, r.channel, h.role, h.label, h.position, r.run_id, to_json(r.at)#>>'{}' as at, (r.found_deviation / nullif(r.found_limit, 0) * 100)::float8 as found,
       (coalesce(r.left_deviation / nullif(r.left_limit, 0), 0) * 100)::float8 as "left"
     from channel_result r join run_summary s on s.run_id = r.run_id and s.status = 'approved' and not s.practice join asset_channel h on h.id = r.channel::uuid where r.asset_id = $1
     order by r.run_id, r.channel, abs(r.found_reference) desc) v order by asset_id, position, channel, at, run_id`,
  `select e.type, e.data, e.occurred_at from run_event e join run r on r.id = e.run_id where r.asset_id = $1 and e.type in ('adjusted', 'partReplaced') order by e.occurred_at, e.seq`,
  `select p.* from interval_policy p join asset a on a.id = $1 and (p.asset_id = a.id or p.customer_id = a.customer_id or p.model_id = a.model_id)`,
  `select h.* from model_history h join asset a on a.model_id = h.model_id where a.id = $1`,
  `select (select sum(b.litres) from reference_booking b where b.run_id = s.run_id) from run_summary s where s.asset_id = $1 order by s.started_at desc limit 1`,
];
const [ours, raw] = await inTurn(
  40,
  () => db.transaction((tx) => assetOutlook(tx, row!, settings)),
  async () => {
    for (const [index, text] of SQL.entries()) await pool().query({ name: `history-${index}`, text, values: [id] });
  },
);
console.log(
  `  outlook with ${VISITS} visits: ${ours!.toFixed(2)} ms, its SQL prepared ${raw!.toFixed(2)} ms: ${(ours! / raw!).toFixed(2)} × (of the card as a whole: npm run bench -- card)`,
);
await superuser.end();
await closeDatabase();
process.exitCode = growth <= GROWTH && memory <= MEMORY ? 0 : 1;
