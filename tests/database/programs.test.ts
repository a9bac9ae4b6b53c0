import Ajv2020 from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import { Validator } from '@seriousme/openapi-schema-validator';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Actor } from '@/core/record/event';
import type { Transaction } from '@/data/connection';
import { approveRun } from '@/features/certificates/server';
import {
  changeToken,
  endToken,
  listTokens,
  makeToken,
  OPENAPI,
  readDocuments,
  readDue,
  readInstruments,
} from '@/features/programs/server';
import { refused } from './refused';
import { openWorld, type World } from './world';

let world: World;
const now = new Date();
let admin: Actor;
beforeAll(async () => {
  world = await openWorld();
  admin = { ...world.signatory, role: 'administrator' };
  for (let n = 0; n < 2; n += 1) {
    const { run } = await world.finishedRun();
    await inTx((context) => approveRun(context, { runId: run }), world.signatory);
  }
});
afterAll(() => world.close());

const inTx = <T>(work: (context: { tx: Transaction; actor: Actor; now: Date }) => Promise<T>, actor = admin) =>
  world.db.transaction((tx) => work({ tx, actor, now }));
const query = (text = '') => new URLSearchParams(text);
type Read = (tx: Transaction, query: URLSearchParams) => Promise<{ items: { id: string }[]; next: string | null }>;
const READS = { instruments: readInstruments, due: readDue, documents: readDocuments } satisfies Record<string, Read>;
const read = (path: keyof typeof READS): Read => READS[path];

const ajv = new Ajv2020({ strict: false });
addFormats(ajv);
ajv.addSchema({ $id: 'openapi', components: OPENAPI.components });
/** The schema of an answer, with its references pointing into the published document. */
const schemaOf = (path: keyof typeof READS): object =>
  JSON.parse(
    JSON.stringify(OPENAPI.paths[`/api/v1/${path}`].get.responses[200].content['application/json'].schema).replaceAll(
      '"#/',
      '"openapi#/',
    ),
  ) as object;

describe('what programs read', () => {
  it('is described by a document that an outside reader of OpenAPI takes', async () => {
    const result = await new Validator().validate(JSON.parse(JSON.stringify(OPENAPI)) as Record<string, unknown>);
    expect(result.errors ?? []).toEqual([]);
    expect(result.valid).toBe(true);
  });

  it.each(Object.keys(READS) as (keyof typeof READS)[])(
    '%s: each page is as described, and all pages together bring each one once',
    async (path) => {
      const holds = ajv.compile(schemaOf(path));
      const seen: string[] = [];
      let after: string | null = null;
      for (let guard = 0; guard < 500; guard += 1) {
        const page: { items: { id: string }[]; next: string | null } = await inTx(({ tx }) =>
          read(path)(tx, query(`limit=1${after ? `&after=${encodeURIComponent(after)}` : ''}`)),
        );
        expect(holds(JSON.parse(JSON.stringify(page))), JSON.stringify(holds.errors)).toBe(true);
        seen.push(...page.items.map((one) => one.id));
        after = page.next;
        if (after === null) break;
      }
      const whole: { items: { id: string }[] } = await inTx(({ tx }) => read(path)(tx, query('limit=200')));
      expect(seen).toEqual(whole.items.map((one) => one.id));
      expect(new Set(seen).size).toBe(seen.length);
      expect(seen.length).toBeGreaterThan(0);
    },
  );

  it.each([
    ['instruments', 'limit=0'],
    ['instruments', 'after=1'],
    ['due', 'from=2026-13-01'],
    ['due', 'after=2026-01-01~x'],
    ['documents', 'after=-1'],
    ['documents', 'limit=1e3'],
  ] as const)('%s?%s is refused by the parameter’s name', async (path, text) => {
    expect(await refused(inTx(({ tx }) => read(path)(tx, query(text))))).toMatchObject({ status: 400 });
  });
});

describe('a token of a program', () => {
  it('is given once, kept as its digest alone, changed, and ended; nobody but the administrator does so', async () => {
    const input = { name: 'Planner', scopes: ['due' as const], goodUntil: '2027-01-31' };
    const { token } = await inTx((context) => makeToken(context, input));
    expect(token).toMatch(/^wbp_[\w-]{32}$/);
    const dump = await world.superuser.query<{ all: string }>('select row_to_json(t)::text as all from program_token t');
    expect(dump.rows.map((one) => one.all).join()).not.toContain(token.slice(4));
    const [row] = await inTx(({ tx }) => listTokens(tx));
    await inTx((context) => changeToken(context, { tokenId: row!.id, name: 'Planner 2', goodUntil: '2027-02-28' }));
    expect((await inTx(({ tx }) => listTokens(tx)))[0]).toMatchObject({ name: 'Planner 2', goodUntil: '2027-02-28' });
    await inTx((context) => endToken(context, { tokenId: row!.id }));
    expect(await refused(inTx((context) => endToken(context, { tokenId: row!.id })))).toMatchObject({ status: 409 });
    const { rows } = await world.superuser.query("select id from change_log where table_name = 'program_token'");
    expect(rows.length).toBe(3);
    expect(await refused(inTx((context) => makeToken(context, input), world.signatory))).toMatchObject({ status: 403 });
  });
});
