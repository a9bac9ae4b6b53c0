// Everything that takes something in is sent what no page of ours sends: every server action, every route that writes, every page and route by its address. Each must answer in words (4xx, or a page that says so); nothing may end in "unforeseen" or 5xx.
import { randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { openDoors } from '../lib/doors.mjs';
import { stopAll } from '../lib/processes.mjs';
import { ensureBuild } from '../lib/project.mjs';
import { closeHouse, ensureDemoDump, openHouse } from '../lib/seeded.mjs';
import { sessionCookie } from '../lib/sign-in.mjs';
import { ROOT } from '../lib/system.mjs';
import { addresses } from '../lib/cluster.mjs';

const HOSTILE = [
  null,
  undefined,
  '',
  ' ',
  0,
  -1,
  1e20,
  1.5,
  true,
  [],
  {},
  [[]],
  [null],
  { toString: 1 },
  { constructor: 1 },
  JSON.parse('{"__proto__":{"a":1}}'),
  { length: 1e9 },
  '-'.repeat(36),
  '00000000-0000-0000-0000-000000000000',
  'a\u0000b',
  'a\ud800',
  '\u202e',
  '😀'.repeat(50),
  'x'.repeat(10_000),
  "'; drop table run; --",
  '../../etc/passwd',
  '%00',
  '{}',
  'NaN',
  'Infinity',
  '1e400',
  '2026-02-31',
  '9999-99-99',
  '99999999999999999999',
  Array(2000).fill(0),
  'constructor',
  '__proto__',
  'hasOwnProperty',
  '0.5',
  '-0',
  '１２',
  '10,5',
];
/** The same numbers every time: what failed is found again. */
const drawn = (seed) => () => (seed = (seed * 1664525 + 1013904223) >>> 0) / 2 ** 32;
const deep = (levels) => (levels ? { a: deep(levels - 1) } : 1);

/** Names of fields as they stand in the sources: an object that has them all gets past the first look of any schema. */
function fieldNames() {
  const files = [
    'assets',
    'bench',
    'budgets',
    'certificates',
    'counter',
    'due',
    'lines',
    'office',
    'probes',
    'shelf',
    'station',
  ].map((room) => join(ROOT, 'src/features', room, 'actions.ts'));
  const more = ['counter/receive-schema.ts', 'lines/server/panel.ts', 'lines/server/change-lines.ts', 'budgets/schemas.ts'].map(
    (file) => join(ROOT, 'src/features', file),
  );
  const names = [...files, ...more].flatMap((file) =>
    [...readFileSync(file, 'utf8').matchAll(/^\s+(\w+):/gm)].map((found) => found[1]),
  );
  return [...new Set(names)]
    .filter((name) => !['name', 'permission', 'schema', 'audit', 'transaction'].includes(name))
    .concat('name');
}

export async function shapes({ rounds = 40, seed = 20261127, house: given, session } = {}) {
  await ensureBuild();
  const house = given ?? (await openHouse(await ensureDemoDump(), 'shapes'));
  const random = drawn(seed);
  const pick = (all) => all[Math.floor(random() * all.length)];
  const bad = [];
  const counts = {};
  try {
    if (!given) await openDoors(house);
    const origin = house.env.WERKBANK_ORIGIN;
    const cookie = session ?? (await signedIn(house));
    const ids = await idsOf(house);
    const note = (door, what, status, text) => {
      counts[`${Math.floor(status / 100)}xx`] = (counts[`${Math.floor(status / 100)}xx`] ?? 0) + 1;
      const unforeseen = status >= 500 || /"code":"unforeseen"|Something went wrong/.test(text);
      if (unforeseen)
        bad.push(`${door} ${JSON.stringify(what)?.slice(0, 160)} → ${status} ${text.slice(0, 120).replace(/\s+/g, ' ')}`);
    };
    const send = async (door, path, options, what) => {
      try {
        const answer = await fetch(`${origin}${path}`, {
          redirect: 'manual',
          ...options,
          headers: { cookie, ...options.headers },
          signal: AbortSignal.timeout(20_000),
        });
        if (answer.headers.get('content-type')?.includes('event-stream')) {
          await answer.body.cancel();
          return note(door, what, answer.status, '');
        }
        note(door, what, answer.status, await answer.text());
      } catch (error) {
        bad.push(`${door} ${JSON.stringify(what)?.slice(0, 160)} → no answer: ${error.message}`);
      }
    };
    const names = fieldNames();
    const some = () => (random() < 0.45 ? pick(ids) : pick(HOSTILE));
    const object = () =>
      Object.fromEntries(
        names.filter(() => random() < 0.8).map((name) => [name, random() < 0.15 ? { [pick(names)]: some() } : some()]),
      );

    const manifest = JSON.parse(readFileSync(join(ROOT, '.next/server/server-reference-manifest.json'), 'utf8')).node;
    for (const [action, { exportedName, workers }] of Object.entries(manifest)) {
      if (/signOut|removePerson|changePerson|setActive/i.test(exportedName ?? '')) continue;
      const worker = Object.keys(workers)[0];
      const page =
        worker
          .replace(/^app/, '')
          .replace(/\/\(\w+\)/g, '')
          .replace(/\/page$/, '')
          .replace('[id]', ids[0])
          .replace('[token]', 'a'.repeat(24)) || '/';
      for (let i = 0; i < rounds; i += 1) {
        const what = i < 6 ? [null, 'text', [], 1, deep(50), object()][i] : object();
        const body = i === 7 ? '[{"a":' : JSON.stringify([what]);
        await send(
          `action ${exportedName ?? action.slice(0, 8)}`,
          page,
          { method: 'POST', body, headers: { 'next-action': action, 'content-type': 'text/plain;charset=UTF-8', origin } },
          what,
        );
      }
    }
    const routes = {
      '/api/bench': [
        'run',
        'commandId',
        'after',
        'command',
        'type',
        'step',
        'screen',
        'by',
        'ageMs',
        'text',
        'unit',
        'status',
        'answer',
      ],
      '/api/hand': ['run', 'screen', 'take'],
      '/api/lines': ['screen', 'line', 'said', 'hello', 'serial', 'maker'],
    };
    const types = [
      'start',
      'answer',
      'capture',
      'bind',
      'stimulus',
      'adjust',
      'save',
      'bump',
      'decide',
      'strike',
      'note',
      'finish',
      'abort',
      'skip',
      'constructor',
    ];
    for (const [path, fields] of Object.entries(routes))
      for (let i = 0; i < rounds * 5; i += 1) {
        const flat = Object.fromEntries(fields.map((name) => [name, some()]));
        const what =
          path === '/api/bench' && random() < 0.8
            ? { run: pick(ids), commandId: randomBytes(8).toString('hex'), after: 0, command: { ...flat, type: pick(types) } }
            : flat;
        const body =
          i % 17 === 3
            ? JSON.stringify(what).slice(0, -3)
            : i % 17 === 4
              ? `{"run":"\\ud800"}`
              : i % 17 === 5
                ? JSON.stringify(deep(3000))
                : JSON.stringify(what);
        await send(path, path, { method: 'POST', body, headers: { 'content-type': 'application/json', origin } }, what);
      }
    const pages = Object.values(JSON.parse(readFileSync(join(ROOT, '.next/app-path-routes-manifest.json'), 'utf8'))).filter(
      (one) => !one.startsWith('/_'),
    );
    const texts = HOSTILE.filter((one) => typeof one === 'string' && !one.includes('\ud800')).map((one) => one.slice(0, 1500));
    const keys = [
      'after',
      'before',
      'window',
      'customer',
      'q',
      'page',
      'lines',
      'asset',
      'ticket',
      'model',
      'kind',
      'tab',
      'reference',
      'serial',
    ];
    for (const page of pages)
      for (let i = 0; i < Math.ceil(rounds / 2); i += 1) {
        const path = page.replace(/\[\w+\]/g, () => encodeURIComponent(random() < 0.3 ? pick(ids) : pick(texts) || 'x'));
        const search = new URLSearchParams(
          keys.filter(() => random() < 0.5).map((key) => [key, random() < 0.3 ? `2026-01-01~${pick(ids)}` : pick(texts)]),
        );
        await send(page, `${path}?${i % 9 === 1 ? 'after=%ff%00' : search}`, { method: 'GET' }, path);
      }
    return { bad, counts };
  } finally {
    if (!given) {
      await stopAll();
      closeHouse(house);
    }
  }
}

/** A session of the administrator, as the sign-in would have made it. */
async function signedIn(house) {
  const { Client } = (await import('pg')).default;
  const client = new Client({ connectionString: addresses(house.cluster).owner });
  await client.connect();
  const cookie = await sessionCookie(client, house.env.WERKBANK_SECRET);
  await client.end();
  return cookie;
}

async function idsOf(house) {
  const { Client } = (await import('pg')).default;
  const client = new Client({ connectionString: addresses(house.cluster).owner });
  await client.connect();
  const ids = [];
  for (const table of [
    'asset',
    'ticket',
    'run',
    'certificate',
    'customer',
    'instrument_model',
    'reference',
    'device_line',
    'mail',
  ])
    ids.push(...(await client.query(`select id::text from ${table} order by id limit 2`)).rows.map((row) => row.id));
  await client.end();
  return ids;
}
