import { spawn } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import nodemailer from 'nodemailer';
import { Pool } from 'pg';
import { closeDatabase, database, pool } from '@/data/connection';
import { makeReminders } from '@/features/due/server';
import { freePort } from './free-port';
import { verdict } from './in-turn';

/** Reminders for 100,000 instruments of 20,000 customers: made, beside the same rows by SQL alone; and sent, beside the same mails pushed into the same server by the mail library alone. */
const INSTRUMENTS = 100_000;
const CUSTOMERS = 20_000;
const SENT = 2000;

const owner = new Pool({ connectionString: process.env.OWNER_DATABASE_URL });
const timed = async (work: () => Promise<unknown>): Promise<number> => {
  const began = performance.now();
  await work();
  return performance.now() - began;
};

async function fill(): Promise<void> {
  await owner.query(
    `insert into customer (name, email, created_at) select 'Bench customer ' || n, 'bench-' || n || '@yard.example', now() from generate_series(1, ${CUSTOMERS}) n`,
  );
  await owner.query(`insert into asset (customer_id, model_id, maker, serial, tag, next_due, due_basis, created_at)
    select c.id, m.id, m.maker, 'REM-' || n, '', current_date - 1, '{"from": "2026-01-01", "reason": "bench"}', now()
    from generate_series(1, ${INSTRUMENTS}) n
    join (select id, row_number() over (order by name) as k from customer where name like 'Bench customer %') c on c.k = (n - 1) % ${CUSTOMERS} + 1
    cross join (select id, maker from instrument_model order by id limit 1) m`);
  await owner.query('analyze asset; analyze customer');
}

/** The same mails and bookings, rendered and written by the database alone, then taken back. */
async function rawly(): Promise<void> {
  const client = await owner.connect();
  await client.query('begin');
  await client.query(`
    with due as (
      select a.id, a.next_due, a.customer_id, c.email, m.name as model, a.maker, a.serial from asset a join customer c on c.id = a.customer_id join instrument_model m on m.id = a.model_id
      left join reminder r on r.asset_id = a.id and r.due_on = a.next_due and r.stage = 'at'
      where a.serial like 'REM-%' and c.wants_reminders and r.id is null
    ), letters as (
      insert into mail (id, customer_id, recipient, subject, body, message_id, created_at)
      select gen_random_uuid(), customer_id, min(email), 'Calibration due: ' || count(*), string_agg(next_due || ' ' || maker || ' ' || model || ', serial ' || serial, E'\\n'), '<' || gen_random_uuid() || '@x>', now()
      from due group by customer_id returning id, customer_id
    )
    insert into reminder (asset_id, customer_id, due_on, stage, mail_id) select d.id, d.customer_id, d.next_due, 'at', l.id from due d join letters l using (customer_id)`);
  await client.query('rollback');
  client.release();
}

async function made(): Promise<boolean> {
  const actor = { id: 'bench', name: 'Bench', role: 'administrator' as const };
  await rawly();
  const raw = await timed(rawly);
  const ours = await timed(() => database().transaction((tx) => makeReminders({ tx, actor, now: new Date() })));
  console.log(
    `reminders for ${INSTRUMENTS.toLocaleString('en')} instruments: ${(ours / 1000).toFixed(1)} s with their mails in the outbox, the rows by SQL alone ${(raw / 1000).toFixed(1)} s: ${verdict(ours / raw, 2)} (before: a crash over 65,535 values; 51 k in 95 s)`,
  );
  return ours / raw <= 2;
}

async function sent(): Promise<boolean> {
  const port = await freePort();
  const url = `smtp://127.0.0.1:${port}`;
  const env = {
    ...process.env,
    SMTP_PORT: String(port),
    SMTP_URL: url,
    WERKBANK_MAIL_FOLDER: mkdtempSync(join(tmpdir(), 'werkbank-bench-mail-')),
    LOG_LEVEL: 'fatal',
  };
  const begin = (file: string) => spawn(process.execPath, ['--import', 'tsx', file], { env, stdio: 'ignore' });
  const server = begin('src/standins/mail-server.ts');
  await sleep(3000);
  const transport = nodemailer.createTransport({ url, pool: true, maxConnections: 4, ignoreTLS: true } as object);
  const alone = await timed(() =>
    Promise.all(
      Array.from({ length: SENT }, (_one, i) =>
        transport.sendMail({
          from: 'w@x.example',
          to: `alone-${i}@yard.example`,
          subject: 'Calibration due',
          text: 'One instrument is due.',
        }),
      ),
    ),
  );
  transport.close();
  const count = async () =>
    Number((await pool().query<{ n: string }>(`select count(*) as n from mail where state = 'sent'`)).rows[0]!.n);
  const jobs = begin('src/processes/jobs.ts');
  while ((await count()) < 50) await sleep(50);
  const from = await count();
  const began = performance.now();
  while ((await count()) < from + SENT) await sleep(50);
  const ours = performance.now() - began;
  [jobs, server].forEach((child) => child.kill('SIGTERM'));
  const rate = (ms: number) => ((SENT * 1000) / ms).toFixed(0);
  console.log(
    `mails a second: ${rate(ours)} by the jobs process, with the state of each written before and after, ${rate(alone)} by the mail library alone: ${verdict(ours / alone, 2)} (before: 6.7 a second)`,
  );
  return ours / alone <= 2;
}

await fill();
const met = [await made(), await sent()];
await owner.end();
await closeDatabase();
process.exitCode = met.every(Boolean) ? 0 : 1;
