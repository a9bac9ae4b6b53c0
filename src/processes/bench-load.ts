import { createHash, createHmac, randomBytes, randomUUID } from 'node:crypto';
import { Agent, request, type IncomingMessage } from 'node:http';
import { setTimeout as sleep } from 'node:timers/promises';
import { and, eq, sql } from 'drizzle-orm';
import { closeDatabase, database, pool } from '@/data/connection';
import { asset, instrumentModel, ticket, user } from '@/data/schema';
import { startRun } from '@/features/bench/server';
import { INSPECTION_ITEMS, receive } from '@/features/counter/server';
import { SESSION_COOKIE } from '@/platform/session-cookie';
import { verdict } from './in-turn';

/** The part of npm run bench that knocks at the doors: what a press costs in a long run, and fifty technicians with their sheets open, each beside its peer of the same run. */
const PEOPLE = 50;
const EVERY_MS = 4000;
const SECONDS = 24;
const LENGTHS = [10, 500, 2000];

const agent = new Agent({ keepAlive: true, maxSockets: 400 });
const quantile = (all: number[], q: number) =>
  [...all].sort((x, y) => x - y)[Math.min(all.length - 1, Math.floor(all.length * q))]!;

interface Answer {
  status: number | string;
  ms: number;
}

/** A technician who is signed in, and runs that were begun as the counter and the bench begin them. */
async function openBench(count: number) {
  const db = database();
  const [technician] = await db
    .select()
    .from(user)
    .where(and(eq(user.role, 'technician'), eq(user.active, true)));
  const actor = { id: technician!.id, name: technician!.name, role: 'technician' as const };
  const free = await db
    .select({ id: asset.id, customerId: asset.customerId })
    .from(asset)
    .innerJoin(instrumentModel, eq(asset.modelId, instrumentModel.id))
    .where(
      and(
        eq(asset.status, 'inUse'),
        sql`${instrumentModel.procedureId} is not null and not exists (select from ticket t where t.asset_id = ${asset.id} and t.status <> 'returned')
          and exists (select from asset_channel c where c.asset_id = ${asset.id})`,
      ),
    )
    .limit(count);
  const runs: string[] = [];
  for (const { id, customerId } of free)
    runs.push(
      await db.transaction(async (tx) => {
        const context = { tx, actor, now: new Date() };
        const inspection = Object.fromEntries(INSPECTION_ITEMS.map((item) => [item.id, { result: 'pass' as const, note: '' }]));
        const given = {
          assetId: id,
          service: 'calibrate' as const,
          rule: 'simple' as const,
          promiseOn: null,
          dueAgreed: false,
          note: '',
          inspection,
        };
        const received = await receive(context, { customerId, contact: '', note: '', instruments: [given] });
        const ticketId = received.tickets[0]!.id;
        // More places than a bench has keys: straight into the table.
        await tx
          .update(ticket)
          .set({ status: 'onBench', place: 1000 + runs.length, placedAt: new Date() })
          .where(eq(ticket.id, ticketId));
        return (await startRun(context, { ticketId })).run;
      }),
    );
  const token = randomBytes(24).toString('hex');
  const digest = createHash('sha256').update(`session ${token}`).digest('hex');
  await pool().query(`insert into session (id, expires_at, token, user_id) values ($1, now() + interval '2 hours', $2, $3)`, [
    token.slice(0, 20),
    digest,
    actor.id,
  ]);
  const seal = createHmac('sha256', process.env.WERKBANK_SECRET!).update(token).digest('base64');
  return { runs, cookie: `${SESSION_COOKIE}=${encodeURIComponent(`${token}.${seal}`)}` };
}

function post(cookie: string, path: string, body: object): Promise<Answer> {
  return new Promise((resolve) => {
    const began = performance.now();
    const text = JSON.stringify(body);
    const headers = { cookie, 'content-type': 'application/json', 'content-length': Buffer.byteLength(text) };
    const sent = request(`${process.env.WERKBANK_ORIGIN}${path}`, { method: 'POST', agent, headers }, (answer) => {
      answer.resume();
      answer.on('end', () => resolve({ status: answer.statusCode!, ms: performance.now() - began }));
    });
    sent.on('error', (error: NodeJS.ErrnoException) =>
      resolve({ status: error.code ?? error.message, ms: performance.now() - began }),
    );
    sent.end(text);
  });
}
const note = (cookie: string, run: string) =>
  post(cookie, '/api/bench', {
    run,
    commandId: randomUUID(),
    after: 1_000_000,
    command: { type: 'note', text: 'a note of the bench' },
  });
/** The peer: the same way in, one row written. */
const hand = (cookie: string, run: string) => post(cookie, '/api/hand', { run, screen: 'bench-screen', take: true });

async function pressInALongRun(cookie: string, run: string): Promise<boolean> {
  let met = true;
  const lines: string[] = [];
  for (const length of LENGTHS) {
    for (;;) {
      const { rows } = await pool().query<{ seq: number }>('select max(seq) as seq from run_event where run_id = $1', [run]);
      if (rows[0]!.seq >= length) break;
      await note(cookie, run);
    }
    const [ours, peer]: [Answer[], Answer[]] = [[], []];
    for (let i = 0; i < 40; i += 1) {
      ours.push(await note(cookie, run));
      peer.push(await hand(cookie, run));
    }
    const wrong = [...ours, ...peer].find((one) => one.status !== 200);
    if (wrong) throw new Error(`a press was answered ${wrong.status}`);
    const [mine, other] = [ours, peer].map((all) =>
      quantile(
        all.map((one) => one.ms),
        0.5,
      ),
    );
    met &&= mine! / other! <= 3;
    lines.push(
      `${length} events ${mine!.toFixed(1)} ms, HTTP and one row ${other!.toFixed(1)} ms: ${verdict(mine! / other!, 3)}`,
    );
  }
  console.log(`a press in a run of so many events (before: 2.6 to 17 ×):\n  ${lines.join('\n  ')}`);
  return met;
}

async function fiftySheets(cookie: string, runs: string[]): Promise<boolean> {
  const round = async () => {
    const answers: Answer[] = [];
    await Promise.all(
      runs.map(async (run, i) => {
        await sleep((i * EVERY_MS) / runs.length);
        for (let n = 0; n < (SECONDS * 1000) / EVERY_MS; n += 1) {
          const next = performance.now() + EVERY_MS;
          answers.push(await note(cookie, run));
          await sleep(Math.max(0, next - performance.now()));
        }
      }),
    );
    return answers;
  };
  const alone = await round();
  const heard = { notices: 0 };
  const streams = await Promise.all(runs.map(() => listen(cookie, heard)));
  const watched = await round();
  streams.forEach((close) => close());
  const refused = [...alone, ...watched].filter((one) => one.status !== 200).length;
  const [before, after] = [alone, watched].map((all) =>
    quantile(
      all.map((one) => one.ms),
      0.99,
    ),
  );
  console.log(
    `${runs.length} technicians, a press each ${EVERY_MS / 1000} s: p99 ${after!.toFixed(0)} ms with their sheets open (${heard.notices} notices heard), ${before!.toFixed(0)} ms without: ${verdict(after! / before!, 3)}, ${refused} refused (before: 1.8 presses a second, p50 10 s, 85 refused)`,
  );
  return after! / before! <= 3 && refused === 0;
}

function listen(cookie: string, heard: { notices: number }): Promise<() => void> {
  return new Promise((resolve, reject) => {
    const sent = request(`${process.env.WERKBANK_ORIGIN}/api/stream`, { headers: { cookie } }, (answer: IncomingMessage) => {
      answer.on('data', (piece: Buffer) => (heard.notices += String(piece).split('event: run').length - 1));
      answer.on('error', () => undefined);
      resolve(() => void sent.destroy());
    });
    sent.on('error', reject);
    sent.end();
  });
}

const { runs, cookie } = await openBench(PEOPLE + 1);
const met = [await pressInALongRun(cookie, runs[0]!), await fiftySheets(cookie, runs.slice(1))];
agent.destroy();
await closeDatabase();
process.exitCode = met.every(Boolean) ? 0 : 1;
