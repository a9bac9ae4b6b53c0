import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { addDays, format } from 'date-fns';
import Papa from 'papaparse';
import { listTickets, TICKET_SORTS, ticketList, ticketsCsv } from '@/features/counter/server';
import {
  approveRun,
  certificateList,
  certificatesCsv,
  labelsOf,
  listCertificates,
  newestOfAssets,
  CERTIFICATE_SORTS,
} from '@/features/certificates/server';
import { ASSET_SORTS, assetList, assetsCsv, listAssets } from '@/features/assets/server';
import { createCustomer, customersCsv, listCustomers } from '@/features/customers/server';
import { changeMany, dueList, makeReminders, outbox } from '@/features/due/server';
import type { Transaction } from '@/data/connection';
import { openWorld, type World } from './world';

let world: World;
let mine: string[];
const now = new Date();
const inTx = <T>(work: (context: { tx: Transaction; actor: World['signatory']; now: Date }) => Promise<T>) =>
  world.db.transaction((tx) => work({ tx, actor: world.signatory, now }));
const on = (days: number) => format(addDays(now, days), 'yyyy-MM-dd');

beforeAll(async () => {
  world = await openWorld();
  mine = [];
  // Ties on purpose: equal dates, equal names, one without a date.
  const due = [12, 3, 3, null, -20, 12, 40];
  const customers = [world.customerId];
  for (const name of ['aalen Works', 'Zeta Works'])
    customers.push(
      (await inTx((context) =>
        createCustomer(context, {
          name,
          address: '',
          contact: 'Mara',
          email: `${name.slice(0, 2).toLowerCase()}@list.example`,
          phone: '',
          notes: '',
          wantsReminders: true,
          agreesDue: false,
        }),
      )) as unknown as string,
    );
  for (const [index, days] of due.entries()) {
    const id = await world.newAsset(`LST-${index}`);
    mine.push(id);
    const owner = (await world.app.query('select id from customer order by lower(name), id offset $1 limit 1', [index % 3]))
      .rows[0].id;
    await world.app.query('update asset set next_due = $1, customer_id = $2 where id = $3', [
      days === null ? null : on(days),
      owner,
      id,
    ]);
  }
  for (let i = 0; i < 4; i += 1) await inTx(async (context) => approveRun(context, { runId: (await world.finishedRun()).run }));
});
afterAll(() => world.close());

/** All pages of a list, one after the other. */
async function walked(
  page: (after: string | undefined) => Promise<{ rows: { id: string }[]; next: string | null }>,
): Promise<string[]> {
  const seen: string[] = [];
  let after: string | undefined;
  do {
    const one = await page(after);
    seen.push(...one.rows.map((row) => row.id));
    after = one.next ?? undefined;
  } while (after);
  return seen;
}
const told = async (text: string) => (await world.app.query(text)).rows.map((row: { id: string }) => row.id);

describe('lists: every order, forwards and backwards, page by page, has each row once, as one plain statement puts them', () => {
  const ASSETS = {
    serial: 'a.serial, a.id',
    tag: `a.tag = '', a.tag, a.id`,
    kind: 'lower(m.kind), m.id, a.serial, a.id',
    instrument: 'lower(m.maker), lower(m.name), m.id, a.serial, a.id',
    customer: 'lower(c.name), c.id, a.serial, a.id',
    due: 'a.next_due asc nulls last, a.id',
  };
  it.each(ASSET_SORTS.flatMap((sort) => [false, true].map((down) => ({ sort, down }))))(
    'instruments by $sort, down $down',
    async ({ sort, down }) => {
      const order = await told(
        `select a.id from asset a join instrument_model m on m.id = a.model_id join customer c on c.id = a.customer_id order by ${ASSETS[sort]}`,
      );
      const seen = await walked((after) => inTx(({ tx }) => listAssets(tx, { sort, down, after, pageSize: 3 })));
      expect(seen).toEqual(down ? order.reverse() : order);
    },
  );
  const DOCUMENTS = {
    issued: 'd.issued_at, d.id',
    number: 'd.number, d.revision, d.id',
    customer: 'lower(c.name), c.id, d.issued_at, d.id',
  };
  it.each(CERTIFICATE_SORTS.flatMap((sort) => [false, true].map((down) => ({ sort, down }))))(
    'documents by $sort, down $down',
    async ({ sort, down }) => {
      const order = await told(
        `select d.id from certificate d join customer c on c.id = d.customer_id order by ${DOCUMENTS[sort]}`,
      );
      const seen = await walked((after) => inTx(({ tx }) => listCertificates(tx, { sort, down, after, pageSize: 3 })));
      expect(seen).toEqual(down ? order.reverse() : order);
    },
  );
  const TICKETS = {
    received: 't.created_at, t.code, t.id',
    promised: 't.promise_on asc nulls last, t.id',
    customer: 'lower(c.name), c.id, t.created_at, t.id',
  };
  it.each(TICKET_SORTS.flatMap((sort) => [false, true].map((down) => ({ sort, down }))))(
    'tickets by $sort, down $down',
    async ({ sort, down }) => {
      const order = await told(`select t.id from ticket t join customer c on c.id = t.customer_id order by ${TICKETS[sort]}`);
      const seen = await walked((after) => inTx(({ tx }) => listTickets(tx, { sort, down, after, pageSize: 3 })));
      expect(seen).toEqual(down ? order.reverse() : order);
    },
  );
  it('what is exported is what the list says, in its order: choice, search, direction; without any all of it', async () => {
    const rows = (csv: string, column: string) =>
      Papa.parse<Record<string, string>>(csv, { header: true }).data.map((row) => row[column]);
    const search = { q: 'LST-', sort: 'due', down: 'yes' };
    const shown = await inTx(({ tx }) => listAssets(tx, assetList(search).asked));
    expect(shown.rows).toHaveLength(mine.length);
    expect(rows(await inTx(({ tx }) => assetsCsv(tx, assetList(search).asked)), 'serial')).toEqual(
      shown.rows.map((row) => row.serial),
    );
    expect(rows(await inTx(({ tx }) => assetsCsv(tx)), 'serial')).toHaveLength((await told('select id from asset')).length);
    const here = await inTx(({ tx }) => ticketsCsv(tx, ticketList({ state: 'toReturn', sort: 'received', down: 'no' }).asked));
    expect(rows(here, 'ticket')).toEqual(
      (await world.app.query("select code from ticket where status = 'toReturn' order by created_at, code, id")).rows.map(
        (row: { code: string }) => row.code,
      ),
    );
    const [numbers, customers] = [
      await inTx(({ tx }) => certificatesCsv(tx, certificateList({ sort: 'number', down: 'no' }).asked)),
      await inTx(({ tx }) => customersCsv(tx, { q: 'works', down: true })),
    ];
    expect(rows(numbers, 'number')).toEqual([...rows(numbers, 'number')].sort());
    expect(rows(customers, 'name').map((name) => name?.slice(0, 4))).toEqual(['Zeta', 'aale']);
  });
  it('customers and the due list backwards', async () => {
    const names = await told('select id from customer where merged_into is null order by lower(name) desc, id desc');
    expect(
      await walked((after) => inTx(({ tx }) => listCustomers(tx, { today: on(0), down: true, after, pageSize: 1 }))),
    ).toEqual(names);
    const due = await told(
      "select id from asset where next_due is not null and status = 'inUse' order by next_due desc, id desc",
    );
    expect(
      await walked((after) => inTx(({ tx }) => dueList(tx, { window: 'all', today: on(0), down: true, after, pageSize: 2 }))),
    ).toEqual(due);
  });
  it('a choice keeps its order: state, kind, found outside; a row that is gone begins anew', async () => {
    await world.app.query("update asset set status = 'atService' where id = any($1)", [mine.slice(0, 2)]);
    const away = await inTx(({ tx }) => listAssets(tx, { status: 'atService', sort: 'due' }));
    expect(away.rows.map((row) => row.id)).toEqual([mine[1], mine[0]]);
    await world.app.query("update asset set status = 'inUse' where id = any($1)", [mine.slice(0, 2)]);
    const outside = await told(
      "select d.id from certificate d join run_summary r on r.run_id = d.run_id where r.as_found = 'outside' order by d.issued_at desc, d.id desc",
    );
    expect((await inTx(({ tx }) => listCertificates(tx, { outside: true }))).rows.map((row) => row.id)).toEqual(outside);
    expect((await inTx(({ tx }) => listCertificates(tx, { kind: 'withdrawal' }))).rows).toEqual([]);
    const gone = await inTx(({ tx }) => listAssets(tx, { after: '00000000-0000-4000-8000-000000000000', pageSize: 1 }));
    expect(gone.rows[0]!.id).toBe((await told('select id from asset order by serial, id limit 1'))[0]);
  });
});

describe('a choice of many, one act', () => {
  it('an interval for several: all of them or none, each with its line in the audit; who only looks is refused', async () => {
    const chosen = mine.slice(0, 3);
    const every = { months: 6 };
    await expect(
      world.db.transaction((tx) =>
        changeMany({ tx, actor: { ...world.signatory, role: 'counter' }, now }, { assetIds: chosen, every, reason: '' }),
      ),
    ).rejects.toThrow();
    const before = Number((await world.app.query("select count(*) from audit where action = 'changePolicy'")).rows[0].count);
    expect(
      await inTx((context) =>
        changeMany(context, { assetIds: [...chosen, '00000000-0000-4000-8000-000000000000'], every, reason: 'their new rule' }),
      ),
    ).toMatchObject({ count: 3 });
    const set = (await world.app.query('select every from interval_policy where asset_id = any($1)', [chosen])).rows;
    expect(set.map((row: { every: unknown }) => row.every)).toEqual([every, every, every]);
    expect(Number((await world.app.query("select count(*) from audit where action = 'changePolicy'")).rows[0].count)).toBe(
      before + 3,
    );
  });
  it('reminders of a choice: only its customers get a mail, and what was told is not told again by the whole list', async () => {
    await world.app.query('update asset set next_due = $1 where id = any($2)', [on(2), mine.slice(0, 3)]);
    const one = await inTx((context) => makeReminders(context, { assetIds: [mine[1]!] }));
    expect(one).toEqual({ mails: 1, letters: 0, instruments: 1 });
    const all = await inTx((context) => makeReminders(context));
    const booked = (await world.app.query('select asset_id, count(*)::int as n from reminder group by 1')).rows;
    expect(booked.every((row: { n: number }) => row.n === 1)).toBe(true);
    expect(booked).toHaveLength(1 + all.instruments);
    const found = await inTx(({ tx }) => outbox(tx, { q: 'aa@list' }));
    expect(found.rows.length).toBeGreaterThan(0);
    expect(found.rows.every((row) => row.mail.recipient === 'aa@list.example')).toBe(true);
    expect((await inTx(({ tx }) => outbox(tx, { state: 'refused' }))).rows).toEqual([]);
  });
  it('labels: the newest document of each that still holds; what has none is named; a replaced one gives none', async () => {
    const { rows } = await world.app.query('select id, asset_id from certificate order by issued_at desc, id desc limit 1');
    const [{ id, asset_id: assetId }] = rows as [{ id: string; asset_id: string }];
    const newest = await inTx(({ tx }) => newestOfAssets(tx, [assetId, mine[3]!, 'no id']));
    expect(newest).toEqual({ documents: [id], without: ['LST-3'] });
    const [label] = await inTx(({ tx }) => labelsOf(tx, newest.documents));
    expect(label).toMatchObject({ assetId, outcome: 'passed' });
    expect(label!.check).toMatch(/\/verify\/[\w-]{20,}$/);
  });
});
