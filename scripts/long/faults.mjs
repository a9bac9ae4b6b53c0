// The unlucky hour: web, gateway, jobs and PostgreSQL killed twenty times under load, the disk filled while serving, the clock two hours off, slow clients, ten thousand requests. What was acknowledged is there once; memory stays bounded.
import { randomUUID } from 'node:crypto';
import { closeSync, mkdirSync, openSync, readFileSync, readdirSync, rmSync, statfsSync, writeSync } from 'node:fs';
import { Agent, request } from 'node:http';
import { connect } from 'node:net';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import pg from 'pg';
import { clockAt } from '../lib/another-day.mjs';
import { addresses } from '../lib/cluster.mjs';
import { answers, startWeb, stopAll, stopChild } from '../lib/processes.mjs';
import { ensureBuild, runFile } from '../lib/project.mjs';
import { closeHouse, ensureDemoDump, openHouse } from '../lib/seeded.mjs';
import { sessionCookie } from '../lib/sign-in.mjs';
import { supervisor } from '../lib/supervisor.mjs';
import { run, say } from '../lib/system.mjs';

const KILLS = 20;
const REQUESTS = 10_000;

const agent = new Agent({ keepAlive: true, maxSockets: 200 });
function ask(origin, path, { cookie, body } = {}) {
  return new Promise((resolve) => {
    const text = body && JSON.stringify(body);
    const headers = {
      ...(cookie ? { cookie } : {}),
      ...(text ? { 'content-type': 'application/json', 'content-length': Buffer.byteLength(text) } : {}),
    };
    const sent = request(`${origin}${path}`, { method: text ? 'POST' : 'GET', agent, headers, timeout: 30_000 }, (answer) => {
      let said = '';
      answer.on('data', (piece) => (said = (said + piece).slice(0, 2000)));
      answer.on('error', () => resolve({ status: 0, said }));
      answer.on('end', () => resolve({ status: answer.statusCode, said }));
    });
    sent.on('timeout', () => sent.destroy(new Error('timeout')));
    sent.on('error', (error) => resolve({ status: 0, said: error.message }));
    sent.end(text);
  });
}

async function withClient(house, work) {
  const client = new pg.Client({ connectionString: addresses(house.cluster).owner });
  await client.connect();
  try {
    return await work(client);
  } finally {
    await client.end();
  }
}

/** Presses at the open runs of the demo, each given again until it is answered, as the browser's outbox does. */
function pressing(origin, cookie, runs) {
  const acknowledged = [];
  let [going, waits, longest] = [true, 0, 0];
  const hands = runs.map(async (run_) => {
    while (going) {
      const commandId = randomUUID();
      const began = Date.now();
      for (;;) {
        const { status } = await ask(origin, '/api/bench', {
          cookie,
          body: { run: run_, commandId, after: 1e6, command: { type: 'note', text: 'pressed while things fall' } },
        });
        if (status === 200) {
          acknowledged.push([run_, commandId]);
          break;
        }
        waits += 1;
        if (!going) return;
        await sleep(250);
      }
      longest = Math.max(longest, Date.now() - began);
      await sleep(60);
    }
  });
  return {
    async stop() {
      going = false;
      await Promise.all(hands);
      return { acknowledged, waits, longest };
    },
  };
}

/** How many of the acknowledged presses are not there exactly once. */
const missing = (house, acknowledged) =>
  withClient(house, async (client) => {
    const { rows } = await client.query(
      `select count(*)::int as n from unnest($1::uuid[], $2::text[]) as a (run, command)
       where (select count(*) from run_command c where c.run_id = a.run and c.command = a.command) <> 1`,
      [acknowledged.map(([one]) => one), acknowledged.map(([, one]) => one)],
    );
    return rows[0].n;
  });

const openRuns = (client) =>
  client
    .query(
      `select t.run_id from ticket t join run_summary s on s.run_id = t.run_id where t.status = 'onBench' and s.status = 'open'`,
    )
    .then(({ rows }) => rows.map((row) => row.run_id));

/** Processes of ours by what they run, with the house's own folder in their environment. */
function pidOf(file, home) {
  for (const pid of readdirSync('/proc').filter((one) => /^\d+$/.test(one))) {
    try {
      if (
        readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(file) &&
        readFileSync(`/proc/${pid}/environ`, 'utf8').includes(`WERKBANK_HOME=${home}\0`)
      )
        return Number(pid);
    } catch {
      /* gone meanwhile */
    }
  }
  return null;
}
const memoryOf = (pid) => Number(/^Pss:\s+(\d+)/m.exec(readFileSync(`/proc/${pid}/smaps_rollup`, 'utf8'))[1]) / 1024;

function stand(house) {
  const kept = supervisor({ say: () => undefined, lookEveryMs: 500 });
  kept.script('jobs', 'src/processes/jobs.ts', house.env, { quiet: true });
  kept.script('gateway', 'src/processes/gateway.ts', house.env, { quiet: true });
  kept.web('web', house.env, { quiet: true });
  kept.keepCluster(house.cluster);
  return kept;
}

async function killed(house) {
  const kept = stand(house);
  const origin = house.env.WERKBANK_ORIGIN;
  await answers(`${origin}/api/health`);
  const { cookie, runs } = await withClient(house, async (client) => ({
    cookie: await sessionCookie(client, house.env.WERKBANK_SECRET, 'technician'),
    runs: await openRuns(client),
  }));
  const load = pressing(origin, cookie, runs);
  const victims = {
    web: () => pidOf('processes/web.', house.home),
    gateway: () => pidOf('processes/gateway.', house.home),
    jobs: () => pidOf('processes/jobs.', house.home),
    PostgreSQL: () => Number(readFileSync(join(house.cluster.data, 'postmaster.pid'), 'utf8').split('\n')[0]),
  };
  const names = Object.keys(victims);
  let done = 0;
  for (let i = 0; done < KILLS; i += 1) {
    await sleep(3000 + (i % 3) * 700);
    const pid = victims[names[i % names.length]]();
    if (!pid) continue;
    process.kill(pid, 'SIGKILL');
    done += 1;
  }
  await answers(`${origin}/api/health`, 90);
  await sleep(4000);
  const { acknowledged, waits, longest } = await load.stop();
  const lost = await missing(house, acknowledged);
  return {
    kept,
    cookie,
    runs,
    ok: lost === 0 && done === KILLS,
    text: `- ${done} kills (-9) of ${names.join(', ')} in turn, ${runs.length} hands pressing: ${acknowledged.length} presses acknowledged, ${lost} of them not there exactly once; ${waits} tries were given again, the longest press took ${(longest / 1000).toFixed(1)} s.`,
  };
}

async function manyRequests(house, { cookie }) {
  const origin = house.env.WERKBANK_ORIGIN;
  const web = () => pidOf('processes/web.', house.home);
  const paths = ['/', '/due', '/assets', '/shelf', '/certificates', '/api/health', '/approve', '/receive'];
  const round = async (count) => {
    const counted = {};
    let next = 0;
    await Promise.all(
      Array.from({ length: 8 }, async () => {
        while (next < count) {
          const i = (next += 1);
          const { status } = await ask(origin, paths[i % paths.length], { cookie });
          counted[status] = (counted[status] ?? 0) + 1;
        }
      }),
    );
    return counted;
  };
  await round(1000);
  const before = memoryOf(web());
  const counted = await round(REQUESTS);
  const after = memoryOf(web());
  const bad = Object.entries(counted).filter(([status]) => status === '0' || Number(status) >= 500);
  return {
    ok: bad.length === 0 && after < before * 1.6 + 150,
    text: `- ${REQUESTS} requests of pages: ${JSON.stringify(counted)}; web process ${before.toFixed(0)} MB before, ${after.toFixed(0)} MB after.`,
  };
}

async function slowClients(house, { cookie }) {
  const origin = house.env.WERKBANK_ORIGIN;
  const port = Number(new URL(origin).port);
  const slow = Array.from({ length: 300 }, () => {
    const socket = connect(port, '127.0.0.1');
    socket.on('error', () => undefined);
    socket.write('POST /api/bench HTTP/1.1\r\nhost: slow\r\ncontent-type: application/json\r\ncontent-length: 5000\r\n');
    const drip = setInterval(() => socket.writable && socket.write('x'), 1000);
    socket.on('close', () => clearInterval(drip));
    return socket;
  });
  await sleep(1500);
  const times = [];
  for (let i = 0; i < 40; i += 1) {
    const began = performance.now();
    const { status } = await ask(origin, '/due', { cookie });
    if (status === 200) times.push(performance.now() - began);
  }
  await sleep(18_000);
  const open = slow.filter((socket) => !socket.destroyed).length;
  slow.forEach((socket) => socket.destroy());
  times.sort((a, b) => a - b);
  return {
    ok: times.length === 40 && open === 0,
    text: `- 300 clients that send a byte a second: 40 of ${times.length} pages answered meanwhile (median ${times[20]?.toFixed(0)} ms); ${open} of the slow ones still held a socket 20 s later.`,
  };
}

async function clockMoved(house, { cookie, runs }) {
  const lines = [];
  let ok = true;
  for (const hours of ['+2h', '-2h']) {
    const port = Number(new URL(house.env.WERKBANK_ORIGIN).port);
    const child = startWeb({ ...house.env, ...clockAt(hours) }, { quiet: true });
    await answers(`http://127.0.0.1:${port}/api/health`, 90);
    const commandId = randomUUID();
    const body = { run: runs[0], commandId, after: 0, command: { type: 'note', text: `pressed with the clock ${hours}` } };
    const { status, said } = await ask(house.env.WERKBANK_ORIGIN, '/api/bench', { cookie, body });
    await stopChild(child);
    const lost = status === 200 ? await missing(house, [[runs[0], commandId]]) : 0;
    ok &&= lost === 0 && (status === 200 || status === 401 || status === 423);
    lines.push(`${hours}: press answered ${status}${status === 200 ? '' : ` (${said.slice(0, 120)})`}`);
  }
  return { ok, text: `- The machine's clock two hours off: ${lines.join('; ')}.` };
}

/** The database's folder on a file system of its own that is filled to the last block. */
async function diskFull() {
  const dump = await ensureDemoDump();
  const mount = '/tmp/werkbank-small-disk';
  mkdirSync(mount, { recursive: true });
  run('mount', ['-t', 'tmpfs', '-o', 'size=700m,mode=755', 'tmpfs', mount]);
  const before = process.env.TMPDIR;
  process.env.TMPDIR = mount;
  let house;
  try {
    house = await openHouse(dump, 'disk', { acknowledges: true });
    const kept = stand(house);
    const origin = house.env.WERKBANK_ORIGIN;
    await answers(`${origin}/api/health`);
    const { cookie, runs } = await withClient(house, async (client) => ({
      cookie: await sessionCookie(client, house.env.WERKBANK_SECRET, 'technician'),
      runs: await openRuns(client),
    }));
    const load = pressing(origin, cookie, runs);
    await sleep(3000);
    const filler = openSync(join(mount, 'filler'), 'w');
    const block = Buffer.alloc(1 << 20);
    const fill = () => {
      try {
        for (;;) writeSync(filler, block);
      } catch {
        /* full */
      }
    };
    // Large entries use up what the server still had reserved.
    const words = {};
    const until = Date.now() + 25_000;
    while (Date.now() < until) {
      fill();
      const answer = await ask(origin, '/api/bench', {
        cookie,
        body: { run: runs[0], commandId: randomUUID(), after: 1e6, command: { type: 'note', text: 'x'.repeat(900) } },
      });
      const key = `${answer.status} ${/"code":"([\w.]+)"/.exec(answer.said)?.[1] ?? ''}`;
      words[key] = (words[key] ?? 0) + 1;
      await withClient(house, (client) =>
        client.query('create table if not exists ballast as select repeat($1, 5000) as t from generate_series(1, 2000)', ['z']),
      ).catch(() => undefined);
      await sleep(200);
    }
    const free = statfsSync(mount);
    closeSync(filler);
    rmSync(join(mount, 'filler'));
    await answers(`${origin}/api/health`, 90);
    const again = await ask(origin, '/api/bench', {
      cookie,
      body: { run: runs[0], commandId: randomUUID(), after: 1e6, command: { type: 'note', text: 'there is room again' } },
    });
    const { acknowledged } = await load.stop();
    const lost = await missing(house, acknowledged);
    const verified = runFile(['src/processes/verify.ts'], house.env, { mayFail: true });
    await kept.stop();
    const refused = Object.keys(words).some((one) => /database\.full|databaseAway/.test(one));
    return {
      ok: lost === 0 && again.status === 200 && verified.status === 0 && refused,
      text: `- The database's disk filled to ${((free.bavail * free.bsize) / 1e6).toFixed(1)} MB left: presses were answered ${JSON.stringify(words)}; with room again ${again.status}. ${acknowledged.length} acknowledged, ${lost} lost; records: ${verified.stdout.trim().split('\n').at(-1)}`,
    };
  } finally {
    await stopAll();
    if (house) closeHouse(house);
    if (before) process.env.TMPDIR = before;
    else delete process.env.TMPDIR;
    run('umount', ['-l', mount], { mayFail: true });
  }
}

export async function faults({ only } = {}) {
  await ensureBuild();
  if (only === 'disk') return diskFull();
  const house = await openHouse(await ensureDemoDump(), 'faults', { acknowledges: true });
  const parts = [];
  const keep = (part) => {
    parts.push(part);
    say(part.text);
    return part;
  };
  try {
    const first = keep(await killed(house));
    keep(await manyRequests(house, first));
    keep(await slowClients(house, first));
    await first.kept.stop();
    keep(await clockMoved(house, first));
    const verified = runFile(['src/processes/verify.ts'], house.env, { mayFail: true });
    keep({ ok: verified.status === 0, text: `- After all of it: ${verified.stdout.trim().split('\n').at(-1)}` });
  } finally {
    await stopAll();
    closeHouse(house);
  }
  keep(await diskFull());
  return {
    ok: parts.every((one) => one.ok),
    text: parts.map(({ ok, text }) => (ok ? text : `${text} **DOES NOT HOLD**`)).join('\n'),
  };
}

if (import.meta.url === `file://${process.argv[1]}`) {
  const { ok, text } = await faults({ only: process.argv[2] });
  console.log(text);
  process.exit(ok ? 0 : 1);
}
