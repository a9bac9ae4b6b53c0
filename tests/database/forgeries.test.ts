import { writeFileSync } from 'node:fs';
import { drizzle } from 'drizzle-orm/node-postgres';
import { afterAll, beforeAll, expect, it } from 'vitest';
import type { Transaction } from '@/data/connection';
import { approveRun, drawAndKeep, withdrawCertificate } from '@/features/certificates/server';
import { keepUse, makeReminders } from '@/features/due/server';
import { makeAnchor, type Anchor } from '@/features/office/server';
import { AS_STORED, verifyIn } from '@/features/office/server/verify/verify-records';
import { recordAudit } from '@/platform/audit';
import { openWorld, type World } from './world';

/**
 * Somebody with the superuser's password changes one value, takes one row away, adds one or swaps two, with the triggers off: the verification names it. A few a table each day; with FORGERIES=all every column of many rows
 * (`npm run test:long -- forgeries`).
 */
const ALL = process.env.FORGERIES === 'all';
const ROWS = ALL ? 6 : 1;

/** What no record rests on: five kinds, each with why. */
const NOT_COVERED: Record<string, string> = {
  session: 'who is signed in',
  verification: 'who is signed in',
  sign_in_failure: 'who is signed in',
  live_frame: 'what passes by: what was captured stands in the events',
  gateway_lease: 'what passes by',
  run_hand: 'what passes by',
  panel_ask: 'what passes by',
  drawn_sheet: 'what passes by',
  model_history: 'what passes by: made anew each night from the results',
  interval_advice: 'what passes by: made anew each night from the results',
  device_line: 'where devices are; each change is in the audit',
  number_counter: 'only the next number: a gap or a number used twice is found in the documents',
  schema_migration: 'which migrations ran: the migration itself refuses one that was changed',
  change_kept: 'which tables are followed is known to the verification as well',
};

let world: World;
let anchor: Anchor;
beforeAll(async () => {
  world = await openWorld();
  const context = { actor: world.signatory, now: new Date() };
  for (let i = 0; i < 3; i += 1) {
    const { run } = await world.finishedRun();
    await world.db.transaction(async (tx) => {
      await approveRun({ tx, ...context }, { runId: run });
      await recordAudit({ tx, ...context }, 'approve', run);
    });
  }
  const documents = (await world.app.query<{ id: string }>('select id from certificate order by issue_no')).rows;
  await drawAndKeep(world.db, documents[0]!.id, new Date());
  await world.db
    .transaction((tx) =>
      withdrawCertificate({ tx, ...context }, { certificateId: documents[1]!.id, reason: 'A trial of forgery.' } as never),
    )
    .catch(() => undefined);
  const asset = await world.newAsset('FORGE-1');
  await world.app.query('update asset set next_due = current_date where id = $1', [asset]);
  await world.db.transaction((tx) => makeReminders({ tx, ...context }));
  await world.db.transaction((tx) => keepUse({ tx, ...context }, { assetId: asset, readOn: '2026-01-02', count: 5 }));
  anchor = await makeAnchor(world.db, new Date());
});
afterAll(() => world.close());

interface Column {
  table: string;
  column: string;
  type: string;
}
const quoted = (name: string) => `"${name}"`;

/** Another value of the same type. */
function forged({ column, type }: Column): string | null {
  const name = quoted(column);
  switch (type) {
    case 'text':
      return `${name} || 'x'`;
    case 'jsonb':
      return `case jsonb_typeof(${name}) when 'object' then ${name} || '{"forged": 1}' when 'array' then ${name} || '["forged"]' else '"forged"' end`;
    case 'int2':
    case 'int4':
    case 'int8':
    case 'float8':
    case 'numeric':
      return `${name} + 1`;
    case 'bool':
      return `not ${name}`;
    case 'timestamptz':
      return `${name} + interval '1 day'`;
    case 'date':
      return `${name} + 1`;
    case 'uuid':
      return 'gen_random_uuid()';
    case 'bytea':
      return `${name} || '\\x00'::bytea`;
    case '_text':
      return `${name} || '{x}'`;
    default:
      return null;
  }
}

it('whatever was forged in a record is found by name', async () => {
  const { rows: columns } = await world.superuser.query<Column>(
    `select table_name as table, column_name as column, udt_name as type from information_schema.columns join information_schema.tables using (table_schema, table_name)
     where table_schema = 'public' and table_type = 'BASE TABLE' order by 1, ordinal_position`,
  );
  const tables = [...new Set(columns.map((one) => one.table))].filter((one) => !(one in NOT_COVERED));
  const client = await world.superuser.connect();
  const db = drizzle(client);
  const tally = new Map<string, { made: number; seen: number; refused: number }>();
  const unseen: string[] = [];
  const forge = async (table: string, change: string) => {
    const mine = tally.get(table) ?? { made: 0, seen: 0, refused: 0 };
    tally.set(table, mine);
    await client.query('begin');
    try {
      await client.query('set local session_replication_role = replica');
      const done = await client.query(change).catch(() => null);
      if (done === null) return void (mine.refused += 1);
      if (done.rowCount === 0) return;
      mine.made += 1;
      await db.execute(AS_STORED);
      const { found } = await verifyIn(db as unknown as Transaction, anchor);
      if (found) mine.seen += 1;
      else unseen.push(change);
    } finally {
      await client.query('rollback');
    }
  };
  for (const table of tables) {
    const own = columns.filter((one) => one.table === table);
    const { rows } = await client.query<{ ctid: string }>(
      `select ctid::text from ${quoted(table)} order by random() limit ${ROWS}`,
    );
    for (const [index, { ctid }] of rows.entries()) {
      const changed = own.filter((one) => forged(one) !== null);
      for (const column of ALL ? changed : changed.slice(-1))
        await forge(
          table,
          `update ${quoted(table)} set ${quoted(column.column)} = ${forged(column)} where ctid = '${ctid}' and ${quoted(column.column)} is not null`,
        );
      await forge(table, `delete from ${quoted(table)} where ctid = '${ctid}'`);
      if (index === 0 && rows[1])
        for (const { column } of own)
          await forge(
            table,
            `update ${quoted(table)} a set ${quoted(column)} = b.${quoted(column)} from ${quoted(table)} b where a.ctid = '${ctid}' and b.ctid = '${rows[1].ctid}' and a.${quoted(column)} is distinct from b.${quoted(column)}`,
          );
      const key = own.find(({ type }) => type === 'uuid' || type === 'text')!;
      await forge(
        table,
        `insert into ${quoted(table)} (${own
          .filter((one) => one.column !== 'ord' && !(one.column === 'id' && one.type === 'int8'))
          .map((one) => quoted(one.column))
          .join(', ')})
         select ${own
           .filter((one) => one.column !== 'ord' && !(one.column === 'id' && one.type === 'int8'))
           .map((one) => (one === key ? forged(one) : quoted(one.column)))
           .join(', ')} from ${quoted(table)} where ctid = '${ctid}'`,
      );
    }
  }
  client.release();
  const total = [...tally.values()].reduce((sum, one) => sum + one.made, 0);
  const lines = [...tally].map(([table, { made, seen, refused }]) => `| ${table} | ${made} | ${seen} | ${refused} |`);
  if (process.env.FORGERIES_OUT)
    writeFileSync(
      process.env.FORGERIES_OUT,
      [
        '| table | forged | found | refused by the database itself |',
        '|---|---|---|---|',
        ...lines,
        `| **all** | ${total} | ${total - unseen.length} | |`,
      ].join('\n'),
    );
  expect(unseen).toEqual([]);
  expect(total).toBeGreaterThan(ALL ? 1000 : 50);
}, 1_800_000);

it('what was redone so that it fits in itself is found by the anchor: an event’s chain, the end of the audit, a change', async () => {
  const client = await world.superuser.connect();
  const db = drizzle(client);
  const redone = async (...changes: string[]) => {
    await client.query('begin');
    await client.query('set local session_replication_role = replica');
    for (const change of changes) await client.query(change);
    await db.execute(AS_STORED);
    const alone = await verifyIn(db as unknown as Transaction, null);
    const held = await verifyIn(db as unknown as Transaction, anchor);
    await client.query('rollback');
    return [alone.found, held.faults.map((one) => `${one.record}: ${one.what}`)] as const;
  };
  // The last audit entry cut off: nothing in the table itself says so.
  const [cutAlone, cut] = await redone('delete from audit where id = (select max(id) from audit)');
  expect(cutAlone).toBe(0);
  expect(cut).toEqual([expect.stringMatching(/^audit 1 to \d+ .*: it is not what it was on/)]);
  // A customer's name changed, with a change log that says so and fits: only the anchor knows that it was not there.
  const [logAlone, log] = await redone(
    `update customer set name = 'Forged' where id = '${world.customerId}'`,
    `update change_log l set digest = kept_digest('customer', to_jsonb(c)) from customer c where l.table_name = 'customer' and l.row_key = c.id::text and c.id = '${world.customerId}'`,
    `set local timezone = 'UTC'`,
    `update change_log l set hash = change_hash(at, actor, door, table_name, row_key, kind, before, after, digest) where table_name = 'customer'`,
  );
  expect(logAlone).toBe(0);
  expect(log.length).toBeGreaterThan(0);
  expect(log.join()).toContain(`customer ${world.customerId}`);
  client.release();
});

it('the database itself refuses what doesn’t continue a chain, a key, and a change of people or the log, from the application', async () => {
  const refused = (text: string) =>
    world.app.query(text).then(
      () => 'taken',
      (error: { code: string }) => error.code,
    );
  const event = (seq: string, previous: string) =>
    `insert into run_event (run_id, seq, version, type, command, occurred_at, recorded_at, actor, source, data, previous_hash, hash)
     select run_id, ${seq}, version, 'noted', 'forged', now(), now(), actor, source, '{}', ${previous}, repeat('a', 64) from run_event order by ord desc limit 1`;
  expect(await refused(event('seq + 2', 'hash'))).toBe('23000');
  expect(await refused(event('seq + 1', `repeat('b', 64)`))).toBe('23000');
  expect(
    await refused(
      `insert into audit (at, actor, action, previous_hash, hash) values (now(), '{}', 'x', repeat('b', 64), repeat('a', 64))`,
    ),
  ).toBe('23000');
  for (const text of [
    `insert into signing_key (id, public_key, created_at) values ('k', 'k', now())`,
    `update "user" set role = 'administrator'`,
    `update account set password = 'x'`,
    `insert into account (id, account_id, provider_id, user_id, password) select 'x', id, 'credential', id, 'x' from "user" limit 1`,
    `insert into change_log (at, actor, door, table_name, row_key, kind, digest, hash) values (now(), '{}', '', 'customer', 'x', 'made', '', '')`,
    `select state_changed_shapes()`,
    `update change_kept set manner = 'digest'`,
  ])
    expect([text, await refused(text)]).toEqual([text, '42501']);
});
