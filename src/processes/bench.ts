import { Pool } from 'pg';
import { format } from 'date-fns';
import { drawDefinition } from '@/platform/pdf';
import { closeDatabase, database, pool } from '@/data/connection';
import { certificateDefinition, drawAndKeep, keptPdf } from '@/features/certificates/server';
import { benchChannel } from './bench-channel';
import { benchCore } from './bench-core';
import { benchDips } from './bench-dips';
import { benchExposures } from './bench-exposures';
import { benchGas } from './bench-gas';
import { benchSettling } from './bench-settling';
import { benchJudge } from './bench-judge';
import { benchRecall } from './bench-recall';
import { dueList } from '@/features/due/server';
import { probeSheetAgainstSql } from './bench-probe';
import { inTurn, verdict } from './in-turn';

/** npm run bench. Every figure is a ratio of two things measured in turn in the same run. */
/** The same rows in the same shape, straight from SQL. */
const RAW = `select a.id, a.next_due, a.due_basis, a.maker, m.name as model, a.serial, a.tag, c.id as customer_id, c.name as customer, c.wants_reminders
  from asset a join instrument_model m on m.id = a.model_id join customer c on c.id = a.customer_id
  where a.next_due is not null and a.status = 'inUse' order by a.next_due, a.id limit 41`;

async function dueListAgainstSql(): Promise<boolean> {
  const owner = new Pool({ connectionString: process.env.OWNER_DATABASE_URL });
  const today = format(new Date(), 'yyyy-MM-dd');
  const db = database();
  const pages: Record<string, number> = {};
  let met = true;
  for (const [name, count] of [
    ['1 k', 1_000],
    ['100 k', 100_000],
  ] as const) {
    await owner.query(`insert into asset (customer_id, model_id, maker, serial, tag, next_due, due_basis, created_at)
      select c.id, m.id, m.maker, 'BENCH-${count}-' || n, 'T' || n, current_date + (n % 700) - 100, '{"from": "2026-01-01", "reason": "bench"}', now()
      from generate_series(1, ${count} - (select count(*)::int from asset)) n,
        lateral (select id from customer order by id offset (n % 9) limit 1) c, lateral (select id, maker from instrument_model order by id offset (n % 10) limit 1) m`);
    await owner.query('analyze asset');
    const [ours, raw] = await inTurn(
      150,
      () => dueList(db, { window: 'all', today }),
      () => pool().query(RAW),
    );
    pages[name] = ours!;
    met &&= ours! / raw! <= 1.5;
    console.log(
      `due list, first page of 40 at ${name} assets: ${ours!.toFixed(2)} ms, raw SQL ${raw!.toFixed(2)} ms: ${verdict(ours! / raw!, 1.5)}`,
    );
    let after: string | undefined;
    for (let page = 0; page < 15; page += 1) after = (await dueList(db, { window: 'all', today, after })).next ?? after;
    const [deep, big] = await inTurn(
      60,
      () => dueList(db, { window: 'all', today, after }),
      () => dueList(db, { window: 'all', today, pageSize: 400 }),
    );
    console.log(
      `  16th page ${deep!.toFixed(2)} ms (${(deep! / ours!).toFixed(2)} × the first); a page ten times as long ${big!.toFixed(2)} ms (${(big! / ours!).toFixed(2)} ×)`,
    );
  }
  const growth = pages['100 k']! / pages['1 k']!;
  console.log(`  100 times the table: ${growth.toFixed(2)} × the time of a page`);
  await owner.end();
  return met;
}

async function certificatesAgainstLibrary(): Promise<boolean> {
  const { rows } = await pool().query(
    'select id, content, hash, token, signature, key_id, issued_at from certificate order by serial desc limit 60',
  );
  const fresh = [...rows];
  const definitions = rows.map((row) =>
    certificateDefinition(row.content, {
      hash: row.hash,
      token: row.token,
      signature: row.signature,
      keyId: row.key_id,
      issuedAt: row.issued_at,
      origin: process.env.WERKBANK_ORIGIN ?? '',
    }),
  );
  let bytes = 0;
  const [ours, library] = await inTurn(
    40,
    async () => {
      const { id } = fresh.pop()!;
      await drawAndKeep(database(), id, new Date());
      bytes = (await keptPdf(database(), id)).bytes!.length;
    },
    async () => {
      await drawDefinition(definitions.pop()!);
    },
  );
  console.log(
    `certificates from the database to a kept PDF: ${(1000 / ours!).toFixed(1)} a second (${Math.round(bytes / 1024)} KB each), the library alone with ready data ${(1000 / library!).toFixed(1)}: ${verdict(ours! / library!, 1.2)}`,
  );
  return ours! / library! <= 1.2;
}

const results = [
  ...benchCore(),
  ...benchChannel(),
  benchGas(),
  benchSettling(),
  benchExposures(),
  benchDips(),
  ...(await benchJudge()),
  await benchRecall(),
  await certificatesAgainstLibrary(),
  await probeSheetAgainstSql(),
  await dueListAgainstSql(),
];
console.log(results.every(Boolean) ? 'all goals met' : 'a goal was missed');
await closeDatabase();
