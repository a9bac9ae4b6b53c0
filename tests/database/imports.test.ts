import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  addRows,
  beginImport,
  dropImport,
  importPage,
  judgeImport,
  leaveImport,
  listImports,
  takeImport,
  takeLeftImport,
  takeImportBack,
} from '@/features/imports/server';
import { receive, INSPECTION_ITEMS } from '@/features/counter/server';
import { verifyRecords } from '@/features/office/server';
import { noteCheck } from '@/features/shelf/server';
import { asActor } from '@/platform/as-actor';
import type { UseCaseContext } from '@/platform/use-case';
import { MODELS } from '@/procedures/models';
import { refused } from './refused';
import { openWorld, type World } from './world';

let world: World;
const now = new Date('2026-11-28T09:00:00Z');
const office = { id: 'u-office', name: 'Office', role: 'administrator' as const };
const inTx = <T>(work: (context: UseCaseContext) => Promise<T>, at = now) =>
  world.db.transaction(async (tx) => {
    await asActor(tx, office, 'test');
    return work({ tx, actor: office, now: at });
  });
const [model] = MODELS;

beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());

const HEAD = ['Owner', 'Type', 'S/N', 'Next due', 'Last cal', 'E-mail'];
const MAPPING = { customer: 0, model: 1, serial: 2, due: 3, last: 4, email: 5 };
async function staged(rows: string[][], kind: 'instruments' | 'customers' | 'bottles' = 'instruments', columns = HEAD) {
  const { batchId } = await inTx((context) => beginImport(context, { kind, fileName: 'list.csv', columns }));
  await inTx((context) => addRows(context, { batchId, first: 1, rows, last: true }));
  return batchId;
}
const judge = (batchId: string, decided: { customers?: Record<string, string>; models?: Record<string, string> } = {}) =>
  inTx((context) =>
    judgeImport(context, { batchId, mapping: MAPPING, dayOrder: 'dayFirst', customers: {}, models: {}, ...decided }),
  );
const verdicts = async (batchId: string) =>
  (await inTx(({ tx }) => importPage(tx, { id: batchId })))!.rows.map(({ verdict, problems }) =>
    [verdict, ...problems.map((one) => one.code)].join(' '),
  );
const count = async (table: string) => (await world.app.query(`select count(*)::int as n from ${table}`)).rows[0].n as number;

describe('a table of instruments', () => {
  it('each row gets a verdict with its reason; nothing of the house changes by looking', async () => {
    await world.newAsset('THERE-1');
    const before = [await count('asset'), await count('customer')];
    const batchId = await staged([
      ['Quay Works', model!.name, 'N-1', '3.4.2027', '', 'mail@quay.example'],
      ['quay works', model!.name, 'n-1', '', '', ''],
      ['Quay Works', model!.name, 'there-1', '', '', ''],
      ['Tset Yard', model!.name, 'N-2', '', '', ''],
      ['Quay Works', 'Unheard 5', 'N-3', '', '', ''],
      ['', '', '', 'soon', '', 'no mail'],
    ]);
    await judge(batchId);
    expect(await verdicts(batchId)).toEqual([
      'new',
      'bad twice',
      'there',
      'new',
      'ask unknownModel',
      'bad notADay noMail noCustomer noModel noSerial',
    ]);
    expect([await count('asset'), await count('customer')]).toEqual(before);
    const page = (await inTx(({ tx }) => importPage(tx, { id: batchId, verdict: 'bad' })))!;
    expect(page.rows.map((row) => row.line)).toEqual([2, 6]);
    expect(page.counts).toEqual({ new: 2, there: 1, ask: 1, bad: 2 });
  });

  it('a misspelt owner and an unknown model are asked about once, and taken as they were decided', async () => {
    await world.superuser.query("update customer set name = 'Test Ship Yard' where name = 'Test Yard'");
    const batchId = await staged([
      ['Test Ship Yrad', `${model!.maker} ${model!.name}`, 'D-1', '2027-05-01', '', ''],
      ['Test Ship Yrad', 'the old one', 'D-2', '', '2026-05-31', ''],
    ]);
    await judge(batchId);
    expect(await verdicts(batchId)).toEqual(['ask likeCustomer', 'ask likeCustomer unknownModel']);
    const page = (await inTx(({ tx }) => importPage(tx, { id: batchId })))!;
    expect(page.asked).toEqual([
      { code: 'likeCustomer', name: 'Test Ship Yrad', like: 'Test Ship Yard', like_id: world.customerId, n: 2 },
      { code: 'unknownModel', name: 'the old one', like: null, like_id: null, n: 1 },
    ]);
    await judge(batchId, { customers: { 'Test Ship Yrad': world.customerId }, models: { 'the old one': world.modelId } });
    expect(await verdicts(batchId)).toEqual(['new', 'new']);
    expect(await inTx((context) => takeImport(context, { batchId }))).toEqual({ customers: 0, instruments: 2, bottles: 0 });
    const { rows } = await world.app.query(
      "select serial, customer_id, maker, next_due::text, due_basis, (select count(*)::int from asset_channel c where c.asset_id = a.id) as channels from asset a where serial like 'D-%' order by serial",
    );
    // Due eight months after it was last calibrated, as the model's interval says.
    expect(model!.every).toEqual({ months: 8 });
    expect(rows).toEqual([
      expect.objectContaining({
        serial: 'D-1',
        customer_id: world.customerId,
        maker: model!.maker,
        next_due: '2027-05-01',
        channels: model!.channels.length,
      }),
      expect.objectContaining({
        serial: 'D-2',
        next_due: '2027-01-31',
        due_basis: { from: '2026-05-31', reason: 'taken over from the table list.csv' },
      }),
    ]);
  });

  it('taken in with new customers, and taken back as one while nothing rests on it; what was received stays', async () => {
    const rows = Array.from({ length: 1200 }, (_one, index) => [
      `Fleet ${index % 7}`,
      model!.name,
      `F-${index}`,
      '2027-01-31',
      '',
      '',
    ]);
    const { batchId } = await inTx((context) =>
      beginImport(context, { kind: 'instruments', fileName: 'fleet.csv', columns: HEAD }),
    );
    for (let at = 0; at < rows.length; at += 500)
      await inTx((context) =>
        addRows(context, { batchId, first: at + 1, rows: rows.slice(at, at + 500), last: at + 500 >= rows.length }),
      );
    await expect(
      inTx((context) => addRows(context, { batchId, first: 1, rows: rows.slice(0, 1), last: true })),
    ).rejects.toMatchObject({ status: 409 });
    await expect(inTx((context) => takeImport(context, { batchId }))).rejects.toMatchObject({ status: 409 });
    await judge(batchId);
    const before = [await count('asset'), await count('customer'), await count('asset_channel')];
    expect(await inTx((context) => takeImport(context, { batchId }))).toEqual({ customers: 7, instruments: 1200, bottles: 0 });
    await expect(inTx((context) => takeImport(context, { batchId }))).rejects.toMatchObject({ status: 409 });
    const [first] = (await world.app.query("select id, customer_id from asset where serial = 'F-0'")).rows;
    await inTx((context) =>
      receive(context, {
        customerId: first.customer_id,
        contact: '',
        note: '',
        instruments: [
          {
            assetId: first.id,
            service: 'calibrate',
            rule: 'simple',
            promiseOn: null,
            dueAgreed: true,
            note: '',
            inspection: Object.fromEntries(INSPECTION_ITEMS.map((item) => [item.id, { result: 'pass' as const, note: '' }])),
          },
        ],
      }),
    );
    await expect(inTx((context) => takeImportBack(context, { batchId }), new Date('2026-12-09T09:00:00Z'))).rejects.toMatchObject(
      { status: 409 },
    );
    expect(await inTx((context) => takeImportBack(context, { batchId }))).toEqual({
      instruments: 1199,
      customers: 6,
      bottles: 0,
      stayed: 1,
    });
    expect([await count('asset'), await count('customer'), await count('asset_channel')]).toEqual([
      before[0]! + 1,
      before[1]! + 1,
      before[2]! + model!.channels.length,
    ]);
    expect((await inTx(({ tx }) => listImports(tx))).find((one) => one.fileName === 'fleet.csv')).toMatchObject({
      state: 'takenBack',
      takenBackBy: 'Office',
    });
    // The change log followed every row there and back.
    const report = await inTx(({ tx }) => verifyRecords(tx as never));
    expect(report.faults.filter((one) => /asset|customer/.test(JSON.stringify(one)))).toEqual([]);
  });

  it('columns are known again by their headings; put aside, the rows go', async () => {
    const batchId = await staged([['Quay Works', model!.name, 'Z-1', '', '', '']]);
    expect((await inTx(({ tx }) => importPage(tx, { id: batchId })))!.mapping).toEqual({ ...MAPPING, dayOrder: 'dayFirst' });
    const other = await staged([['Quay Works', 'A']], 'customers', ['Kunde', 'Anschrift']);
    expect((await inTx(({ tx }) => importPage(tx, { id: other })))!.mapping).toEqual({ customer: 0, address: 1 });
    await inTx((context) => dropImport(context, { batchId: other }));
    expect((await world.app.query('select 1 from import_row where batch_id = $1', [other])).rowCount).toBe(0);
  });
});

describe('a table of gas bottles, a row for each gas in them', () => {
  const COLUMNS = [
    'Cylinder',
    'Component',
    'Concentration',
    'Unit',
    'Uncertainty',
    'k',
    'Expiry',
    'Certificate',
    'Traceability',
    'Bar',
  ];
  const mapping = {
    lot: 0,
    gas: 1,
    value: 2,
    unit: 3,
    expanded: 4,
    k: 5,
    expires: 6,
    certificate: 7,
    traceability: 8,
    pressure: 9,
  };
  const bottles = async (rows: string[][]) => {
    const batchId = await staged(rows, 'bottles', COLUMNS);
    await inTx((context) => judgeImport(context, { batchId, mapping, dayOrder: 'dayFirst', customers: {}, models: {} }));
    return batchId;
  };
  const shelf = (lot: string) =>
    world.app
      .query(
        'select name, lot, expires::text, balance, certificate, accepted, components, pressure_bar from reference where lot = $1',
        [lot],
      )
      .then(({ rows }) => rows);

  it('rows of a lot become one bottle, in the house’s units, not accepted yet; what is bad is said, and half a bottle is none', async () => {
    const batchId = await bottles([
      ['IMP-1', 'Carbon monoxide', '100', 'µmol/mol', '2 %', '2', '06/2027', 'C-1', 'traceable to the SI', '150'],
      ['IMP-1', 'H2S', '25,0', 'ppm', '0,8', '', '06/2027', '', '', ''],
      ['imp-1', 'Nitrogen', 'balance', '', '', '', '', '', '', ''],
      ['IMP-2', 'Methane', '2.5', '%', '0.05', '2', '30.06.2027', '', '', ''],
      ['IMP-2', 'Oxygen', '18', 'Vol.-%', '0.2', '2', '30.06.2027', '', '', ''],
      ['IMP-3', 'Xenon hexafluoride', '1', 'ppm', '0', '9', 'soon', '', '', ''],
      ['IMP-4', 'CO', '50', 'ppm', '1', '', '2027-06-30', 'C-4', '', ''],
      ['IMP-4', 'CO', '50', 'ppm', '1', '', '2027-07-31', 'C-4', '', ''],
      ['T-1', 'CO', '50', 'ppm', '1', '', '2027-06-30', '', '', ''],
      ['', 'CO', '50', 'ppm', '1', '', '2027-06-30', '', '', ''],
    ]);
    expect(await verdicts(batchId)).toEqual([
      'new',
      'new',
      'new',
      'bad noUnit',
      'bad lotBad',
      'bad noGas noFigure noFigure notADay',
      'bad lotBad',
      'bad twice lotDiffers',
      'there',
      'bad noLot',
    ]);
    expect(await inTx((context) => takeImport(context, { batchId }))).toEqual({ customers: 0, instruments: 0, bottles: 1 });
    const [bottle, ...others] = await shelf('IMP-1');
    expect(others).toEqual([]);
    // 2 % of 100 ppm is 2 ppm; a month on a bottle means its last day (common practice).
    expect(bottle).toMatchObject({
      name: 'CO 100 ppm, H2S 25.0 ppm',
      expires: '2027-06-30',
      balance: 'Nitrogen',
      certificate: 'C-1',
      accepted: null,
      pressure_bar: '150',
      components: [
        { substance: 'CO', value: '100', unit: 'ppm', expanded: '2', k: 2 },
        { substance: 'H2S', value: '25.0', unit: 'ppm', expanded: '0.8', k: 2 },
      ],
    });
    expect(await shelf('IMP-4')).toEqual([]);
    const back = await inTx((context) => takeImportBack(context, { batchId }));
    expect(back).toMatchObject({ bottles: 1, stayed: 0 });
    expect(await shelf('IMP-1')).toEqual([]);
    expect((await inTx(({ tx }) => verifyRecords(tx as never))).faults).toEqual([]);
  });
  it('a bottle that somebody accepted stays when the table is taken back', async () => {
    const batchId = await bottles([['IMP-9', 'CO', '50', 'ppm', '1', '2', '2028-01', 'C-9', 'traceable to the SI', '']]);
    await inTx((context) => takeImport(context, { batchId }));
    const [{ id }] = (await world.app.query("select id from reference where lot = 'IMP-9'")).rows;
    await inTx((context) =>
      noteCheck(context, { id, what: 'accepted', value: '', result: '', note: 'compared with T-1', nextDue: '' } as never),
    );
    expect(await inTx((context) => takeImportBack(context, { batchId }))).toMatchObject({ bottles: 0, stayed: 1 });
    expect(await shelf('IMP-9')).toHaveLength(1);
  });
});

it('instruments come with the site that their table names, made where the customer has none of it', async () => {
  const rows = ['S-1', 'S-2', 'S-3'].map((serial, index) => [
    'Sited Works',
    model!.name,
    serial,
    '',
    '',
    '',
    index < 2 ? 'Hall 7' : '',
  ]);
  const batchId = await staged(rows, 'instruments', [...HEAD, 'Plant']);
  await inTx((context) =>
    judgeImport(context, { batchId, mapping: { ...MAPPING, site: 6 }, dayOrder: 'dayFirst', customers: {}, models: {} }),
  );
  await inTx((context) => takeImport(context, { batchId }));
  const { rows: sites } = await world.app.query(
    'select s.name, count(*)::int as n from customer_site s join asset a on a.site_id = s.id group by s.name',
  );
  expect(sites).toEqual([{ name: 'Hall 7', n: 2 }]);
  expect(await inTx((context) => takeImportBack(context, { batchId }))).toMatchObject({ instruments: 3, customers: 1 });
});

describe('left to the job', () => {
  const left = async (serial: string, by: string) => {
    const batchId = await staged([['Test Ship Yard', model!.name, serial, '2027-05-01', '', '']]);
    await judge(batchId);
    await inTx((context) => leaveImport({ ...context, actor: { ...office, id: by } }, { batchId }));
    return batchId;
  };
  const pageOf = async (id: string) => (await inTx(({ tx }) => importPage(tx, { id })))!;
  it('is taken in once, in the name of whoever left it, however often the job is tried; the page says what came of it', async () => {
    const [{ id: by, name }] = (await world.superuser.query('select id, name from "user" where active limit 1')).rows;
    await world.superuser.query('update "user" set role = \'administrator\' where id = $1', [by]);
    const batchId = await left('J-1', by);
    expect((await pageOf(batchId)).batch.state).toBe('taking');
    expect(await refused(inTx((context) => leaveImport(context, { batchId })))).toMatchObject({ status: 409 });
    expect(await refused(inTx((context) => dropImport(context, { batchId })))).toMatchObject({ status: 409 });
    const { rows: jobs } = await world.superuser.query(
      "select j.attempts from graphile_worker.jobs j where j.task_identifier = 'takeImport' and j.key = $1",
      [`import-${batchId}`],
    );
    expect(jobs).toHaveLength(1);
    await Promise.all([takeLeftImport(world.db, { batchId, by }, now), takeLeftImport(world.db, { batchId, by }, now)]);
    await takeLeftImport(world.db, { batchId, by }, now);
    const { batch, made } = await pageOf(batchId);
    expect(batch).toMatchObject({ state: 'taken', takenBy: name, problem: '' });
    expect(made).toEqual({ customers: 0, instruments: 1, bottles: 0 });
  });
  it('of somebody who may not any more is looked at again, and says why', async () => {
    const batchId = await left('J-2', 'somebody who left');
    await takeLeftImport(world.db, { batchId, by: 'somebody who left' }, now);
    expect((await pageOf(batchId)).batch).toMatchObject({ state: 'judged', problem: expect.stringContaining('any more') });
    expect((await world.app.query("select 1 from asset where serial = 'J-2'")).rows).toHaveLength(0);
  });
});
