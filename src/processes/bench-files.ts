import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Pool } from 'pg';
import { closeDatabase, database } from '@/data/connection';
import { documentsZip, drawAndKeep } from '@/features/certificates/server';
import { addRows, beginImport, judgeImport, takeImport } from '@/features/imports/server';
import { asActor } from '@/platform/as-actor';
import type { UseCaseContext } from '@/platform/use-case';
import { inTurn, verdict } from './in-turn';

/** Files in and out: a table of 100,000 instruments taken in, beside COPY and the same checks by SQL alone; documents as one ZIP, beside reading them. */
const ROWS = Number(process.env.ROWS ?? 100_000);
const CUSTOMERS = ROWS / 20;
const AT_ONCE = 1000;
const office = { id: 'bench', name: 'Bench', role: 'administrator' as const };
const owner = new Pool({ connectionString: process.env.OWNER_DATABASE_URL });

const inTx = <T>(work: (context: UseCaseContext) => Promise<T>) =>
  database().transaction(async (tx) => {
    await asActor(tx, office, 'bench');
    return work({ tx, actor: office, now: new Date() });
  });
const timed = async (work: () => Promise<unknown>): Promise<number> => {
  const began = performance.now();
  await work();
  return (performance.now() - began) / 1000;
};

const { rows: models } = await owner.query<{ maker: string; name: string }>(
  'select maker, name from instrument_model order by maker, name limit 8',
);
/** What a customer’s list looks like: days as people write them, some known, some twice, some without a serial. */
const NAMES = { IMP: 'Imported yard', RAW: 'Copied quarry' };
const table = (mark: keyof typeof NAMES): string[][] =>
  Array.from({ length: ROWS }, (_one, n) => {
    const model = models[n % models.length]!;
    const serial = n % 500 === 7 ? '' : `${mark}-${n % 400 === 3 ? n - 1 : n}`;
    const day = `${(n % 28) + 1}.${(n % 12) + 1}.${2027 + (n % 2)}`;
    return [`${NAMES[mark]} ${n % CUSTOMERS}`, `${model.maker} ${model.name}`, serial, day, `T-${n}`];
  });

/** By the house: read in, judged, taken. */
async function ours(): Promise<number> {
  const rows = table('IMP');
  const { batchId } = await inTx((context) =>
    beginImport(context, { kind: 'instruments', fileName: 'bench.csv', columns: ['Owner', 'Type', 'S/N', 'Due', 'Tag'] }),
  );
  for (let first = 0; first < ROWS; first += AT_ONCE)
    await inTx((context) =>
      addRows(context, { batchId, first: first + 1, rows: rows.slice(first, first + AT_ONCE), last: first + AT_ONCE >= ROWS }),
    );
  const mapping = { customer: 0, model: 1, serial: 2, due: 3, tag: 4 };
  await inTx((context) => judgeImport(context, { batchId, mapping, dayOrder: 'dayFirst', customers: {}, models: {} }));
  return (await inTx((context) => takeImport(context, { batchId }))).instruments;
}

/** By COPY and SQL alone: the same checks, the same rows written, with the same keys, indexes and log of changes. */
async function rawly(): Promise<number> {
  const file = join(mkdtempSync(join(tmpdir(), 'werkbank-bench-')), 'rows.tsv');
  writeFileSync(
    file,
    table('RAW')
      .map((row, n) => [n, ...row].join('\t'))
      .join('\n') + '\n',
  );
  await owner.query(
    'create table bench_given (line int primary key, customer text, model text, serial text, due text, tag text)',
  );
  execFileSync('psql', [process.env.OWNER_DATABASE_URL!, '-qc', `\\copy bench_given from '${file}'`]);
  const client = await owner.connect();
  await client.query('begin');
  await client.query('set local enable_nestloop = off');
  await client.query(
    `select set_config('werkbank.actor', '${JSON.stringify(office)}', true), set_config('werkbank.door', 'bench', true)`,
  );
  await client.query(`create temp table judged as
    select g.*, to_date(g.due, 'DD.MM.YYYY') as day, m.id as model_id, m.maker, c.id as customer_id, a.id as there,
      row_number() over (partition by lower(g.model), upper(g.serial) order by g.line) as turn, n.near
    from bench_given g left join instrument_model m on lower(m.maker || ' ' || m.name) = lower(g.model)
    left join customer c on lower(c.name) = lower(g.customer) and c.merged_into is null
    left join asset a on lower(a.maker) = lower(m.maker) and upper(a.serial) = upper(g.serial)
    left join (select names.customer, (select k.name from customer k where k.merged_into is null and lower(k.name) % lower(names.customer) and similarity(lower(k.name), lower(names.customer)) > 0.5
      order by similarity(lower(k.name), lower(names.customer)) desc, k.id limit 1) as near from (select distinct customer from bench_given) names) n on n.customer = g.customer and c.id is null`);
  await client.query(
    `delete from judged where serial = '' or model_id is null or there is not null or turn > 1 or near is not null`,
  );
  // What any database programmer does next: else it plans for a table it knows nothing of.
  await client.query('analyze judged');
  await client.query(
    `insert into customer (name, created_at) select distinct customer, now() from judged where customer_id is null`,
  );
  await client.query('analyze customer');
  const made =
    await client.query(`insert into asset (customer_id, model_id, maker, serial, tag, part, next_due, due_basis, created_at)
    select c.id, j.model_id, j.maker, j.serial, j.tag, coalesce(m.traits->>'part', 'body'), j.day, '{"from": "2026-11-28", "reason": "bench"}', now()
    from judged j join customer c on lower(c.name) = lower(j.customer) join instrument_model m on m.id = j.model_id`);
  await client.query(`insert into asset_channel (asset_id, position, role, label, measurand, unit, resolution, lowest, highest, tolerance, calibration_gas, principle, clean_air, scale, water, alarms)
    select a.id, ch.place - 1, ch.one->>'role', ch.one->>'label', ch.one->>'measurand', ch.one->>'unit', ch.one->>'resolution', ch.one->>'lowest', ch.one->>'highest', ch.one->'tolerance',
      ch.one->>'calibrationGas', ch.one->>'principle', ch.one->>'cleanAir', ch.one->'scale', ch.one->'water', ch.one->'alarms'
    from asset a join instrument_model m on m.id = a.model_id cross join jsonb_array_elements(m.channels) with ordinality as ch (one, place) where a.serial like 'RAW-%'`);
  await client.query('commit');
  client.release();
  await owner.query('drop table bench_given');
  return made.rowCount ?? 0;
}

let met = true;
const [taken, byHand] = [{ n: 0 }, { n: 0 }];
const byHouse = await timed(async () => (taken.n = await ours()));
const bySql = await timed(async () => (byHand.n = await rawly()));
met &&= byHouse / bySql <= 2 && taken.n === byHand.n;
console.log(
  `a table of ${ROWS.toLocaleString('en')} rows taken in: ${byHouse.toFixed(1)} s (${taken.n.toLocaleString('en')} instruments), COPY and the same checks in SQL ${bySql.toFixed(1)} s (${byHand.n.toLocaleString('en')}): ${verdict(byHouse / bySql, 2)}`,
);

const { rows: documents } = await owner.query<{ id: string }>('select id from certificate order by number, revision limit 1000');
for (const { id } of documents) await drawAndKeep(database(), id, new Date());
const ids = documents.map((one) => one.id);
const reader = new Pool({ connectionString: process.env.DATABASE_URL, max: 1 });
const [zipped, read] = await inTurn(
  5,
  async () => {
    for await (const part of (await documentsZip(ids))!) void part;
  },
  async () => {
    for (const id of ids)
      await reader.query({
        name: 'document',
        text: 'select d.number, d.revision, d.content, d.signature, p.bytes from certificate d join certificate_pdf p on p.certificate_id = d.id where d.id = $1',
        values: [id],
      });
  },
);
met &&= zipped! / read! <= 1.3;
console.log(
  `ZIP of ${ids.length} documents (PDF and data): ${zipped!.toFixed(0)} ms, reading them ${read!.toFixed(0)} ms: ${verdict(zipped! / read!, 1.3)}`,
);
await Promise.all([owner.end(), reader.end(), closeDatabase()]);
process.exitCode = met ? 0 : 1;
