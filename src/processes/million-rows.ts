import { format } from 'date-fns';
import { Pool } from 'pg';
import { closeDatabase, database } from '@/data/connection';
import { listAssets } from '@/features/assets/server';
import { findAnything, findAssets } from '@/features/counter/server';
import { customersWithDue, dueCounts, dueList } from '@/features/due/server';

const ROWS = Number(process.env.ROWS ?? 1_000_000);
const LOOKS = 9;
const BENCH = { id: 'bench', name: 'Bench', role: 'administrator' as const };

/** Median of a few looks, in ms: the trial is told, not judged. */
async function median(look: () => Promise<unknown>): Promise<string> {
  const took: number[] = [];
  for (let i = 0; i < LOOKS; i += 1) {
    const began = performance.now();
    await look();
    took.push(performance.now() - began);
  }
  return took.sort((a, b) => a - b)[LOOKS >> 1]!.toFixed(1);
}

async function look(): Promise<Record<string, string>> {
  const db = database();
  const today = format(new Date(), 'yyyy-MM-dd');
  const { rows } = await dueList(db, { window: 'all', today });
  const customerId = rows[0]!.customerId;
  let after: string | null = null;
  for (let page = 0; page < 30; page += 1)
    after = (await dueList(db, { window: 'all', today, ...(after ? { after } : {}) })).next ?? after;
  const within = <T>(work: (tx: Parameters<Parameters<typeof db.transaction>[0]>[0]) => Promise<T>) => db.transaction(work);
  return {
    'due list, first page': await median(() => dueList(db, { window: 'all', today })),
    'due list, 31st page': await median(() => dueList(db, { window: 'all', today, ...(after ? { after } : {}) })),
    'due list of one customer, overdue': await median(() => dueList(db, { window: 'overdue', today, customerId })),
    'counts of the windows': await median(() => within((tx) => dueCounts(tx, today))),
    'customers with something due, by part of the name': await median(() => within((tx) => customersWithDue(tx, 'a'))),
    'anything, by part of a serial': await median(() =>
      within((tx) => findAnything({ tx, actor: BENCH, now: new Date() }, { text: '410-0' })),
    ),
    'anything, misspelt': await median(() =>
      within((tx) => findAnything({ tx, actor: BENCH, now: new Date() }, { text: 'ROW-77x77' })),
    ),
    'anything, two letters': await median(() =>
      within((tx) => findAnything({ tx, actor: BENCH, now: new Date() }, { text: 'RO' })),
    ),
    'instruments, first page': await median(() => within((tx) => listAssets(tx, {}))),
    'instruments, searched by a part of a serial': await median(() => within((tx) => listAssets(tx, { q: '410-0' }))),
    'instruments, searched for what isn’t there': await median(() => within((tx) => listAssets(tx, { q: 'nothing like it' }))),
    'receipt: instrument by part of its serial': await median(() => within((tx) => findAssets(tx, '410-0'))),
  };
}

const owner = new Pool({ connectionString: process.env.OWNER_DATABASE_URL });
await owner.query('analyze');
const before = await look();
await owner.query(
  `insert into asset (customer_id, model_id, maker, serial, tag, next_due, due_basis, created_at)
   select c.id, m.id, m.maker, 'ROW-' || n, 'T' || n, current_date + (n % 700) - 100, '{"from": "2026-01-01", "reason": "trial"}', now()
   from generate_series(1, $1::int - (select count(*)::int from asset)) n,
     lateral (select id from customer order by id offset (n % 9) limit 1) c, lateral (select id, maker from instrument_model order by id offset (n % 10) limit 1) m`,
  [ROWS],
);
await owner.query('vacuum analyze asset');
const after = await look();
await owner.end();
await closeDatabase();
console.log(`| ms, median of ${LOOKS} | demo | ${ROWS.toLocaleString('en')} instruments |\n|---|---|---|`);
for (const [name, ms] of Object.entries(before)) console.log(`| ${name} | ${ms} | ${after[name]} |`);
