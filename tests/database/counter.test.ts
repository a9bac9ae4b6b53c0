import { createHash } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  cancelTicket,
  changeTicket,
  createAsset,
  findAssets,
  findCustomers,
  handBackUncalibrated,
  INSPECTION_ITEMS,
  findAnything,
  receive,
  returnTicket,
  scanTarget,
  ticketSlip,
} from '@/features/counter/server';
import { createCustomer } from '@/features/customers/server';
import { approveRun } from '@/features/certificates/server';
import { and, eq } from 'drizzle-orm';
import { asset, audit, ticket } from '@/data/schema';
import { assetCard, listAssets, retireAsset, takeBackAsset } from '@/features/assets/server';
import type { Problem } from '@/platform/problem';
import type { Transaction } from '@/data/connection';
import { MODELS } from '@/procedures/models';
import { openWorld, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());

const inTx = <T>(work: (context: { tx: Transaction; actor: World['technician']; now: Date }) => Promise<T>) =>
  world.db.transaction((tx) => work({ tx, actor: world.technician, now: new Date('2026-11-24T09:00:00.000Z') }));
const newCustomer = (name: string) =>
  inTx((context) =>
    createCustomer(context, {
      name,
      address: 'Quay 1',
      contact: 'Mara',
      email: '',
      phone: '',
      notes: '',
      wantsReminders: true,
      agreesDue: false,
    }),
  );
const newAsset = (
  serial: string,
  customerId = world.customerId,
  channels: { role: string; status: 'fitted' | 'removed' | 'notCalibrated'; sensorSerial: string }[] = [],
) => inTx((context) => createAsset(context, { customerId, modelId: world.modelId, serial, tag: `TAG-${serial}`, channels }));
const inspection = (fault?: string) =>
  Object.fromEntries(
    INSPECTION_ITEMS.map((item) => [
      item.id,
      item.id === fault ? { result: 'fault' as const, note: 'soiled' } : { result: 'pass' as const, note: '' },
    ]),
  );
const line = (assetId: string, more: Partial<Parameters<typeof receive>[1]['instruments'][number]> = {}) => ({
  assetId,
  service: 'calibrate' as const,
  rule: 'simple' as const,
  promiseOn: '2026-11-30',
  dueAgreed: true,
  note: '',
  inspection: inspection(),
  ...more,
});
const take = (customerId: string, instruments: ReturnType<typeof line>[]) =>
  inTx((context) => receive(context, { customerId, contact: 'Mara', note: '', instruments }));
const problem = (promise: Promise<unknown>) =>
  promise.then(
    () => {
      throw new Error('was not refused');
    },
    (error: Problem) => ({ message: error.message, fields: error.fields, status: error.status, extra: error.extra }),
  );

describe('customers', () => {
  it('a name is there once; a second one is told so beside the field', async () => {
    await newCustomer('Pier Seven Pumps');
    expect(await problem(newCustomer('Pier Seven Pumps'))).toMatchObject({
      status: 409,
      fields: { name: expect.stringContaining('already') },
    });
  });
  it('are found by part of name or contact, the name that begins with it first; signs of the search are only signs', async () => {
    await newCustomer('Old Harbour Lights');
    await newCustomer('Harbour Crane 12 %');
    const names = async (text: string) => (await inTx(({ tx }) => findCustomers(tx, text))).map((one) => one.name);
    expect((await names('harbour'))[0]).toBe('Harbour Crane 12 %');
    expect(await names('harbour')).toContain('Old Harbour Lights');
    expect(await names('%')).toEqual(['Harbour Crane 12 %']);
    expect(await names('_arbour')).toEqual([]);
  });
});

describe('instruments', () => {
  it('a new one takes over its model’s channels, with what was stated about its sensors', async () => {
    const { id } = await newAsset('NEW-1', world.customerId, [
      { role: 'h2s', status: 'removed', sensorSerial: '' },
      { role: 'co', status: 'fitted', sensorSerial: 'CO-77' },
    ]);
    const card = (await inTx(({ tx }) => assetCard(tx, id)))!;
    expect(card.channels.map((channel) => [channel.role, channel.status, channel.sensorSerial])).toEqual([
      ['o2', 'fitted', null],
      ['ex', 'fitted', null],
      ['h2s', 'removed', null],
      ['co', 'fitted', 'CO-77'],
    ]);
    expect(card.runs).toEqual([]);
  });
  it('a serial that the maker has used is not made twice, whatever its case: the existing one is named', async () => {
    const { id } = await newAsset('dup-1');
    expect(await problem(newAsset('DUP-1'))).toMatchObject({
      status: 409,
      fields: { serial: expect.stringContaining('Test Yard') },
      extra: { code: 'duplicateSerial', assetId: id },
    });
  });
  it('are found by serial or tag, the exact one first, with the ticket that they are in the house with', async () => {
    const { id } = await newAsset('FND-1');
    await newAsset('FND-10');
    const { tickets } = await take(world.customerId, [line(id)]);
    const found = await inTx(({ tx }) => findAssets(tx, 'fnd-1'));
    expect(found.map((one) => [one.serial, one.openTicket])).toEqual([
      ['FND-1', tickets[0]!.code],
      ['FND-10', null],
    ]);
    expect(found[0]!.measurands).toEqual(['carbon monoxide', 'hydrogen sulphide', 'methane', 'oxygen']);
    expect((await inTx(({ tx }) => findAssets(tx, 'tag-fnd-10'))).map((one) => one.serial)).toEqual(['FND-10']);
  });
  it('the list is paged by key: every instrument once, in order, also when the search is kept', async () => {
    for (let i = 0; i < 7; i += 1) await newAsset(`PAGE-${i}`);
    const seen: string[] = [];
    let after: string | undefined;
    do {
      const page = await inTx(({ tx }) => listAssets(tx, { q: 'page-', after, pageSize: 3 }));
      seen.push(...page.rows.map((row) => row.serial));
      after = page.next ?? undefined;
    } while (after);
    expect(seen).toEqual(['PAGE-0', 'PAGE-1', 'PAGE-2', 'PAGE-3', 'PAGE-4', 'PAGE-5', 'PAGE-6']);
  });
});

describe('receiving', () => {
  it('several instruments on one receipt: a ticket each, numbered by the year, with service, promise and inspection', async () => {
    const [a, b] = [await newAsset('REC-1'), await newAsset('REC-2')];
    const made = await take(world.customerId, [
      line(a.id, { inspection: inspection('filters') }),
      line(b.id, { service: 'asFoundOnly', rule: 'guarded', promiseOn: null, dueAgreed: false }),
    ]);
    expect(made.number).toMatch(/^R-2026-\d{4}$/);
    const numbers = made.tickets.map((one) => Number(one.code.slice(-4)));
    expect(numbers[1]! - numbers[0]!).toBe(1);
    const slip = (await inTx(({ tx }) => ticketSlip(tx, made.tickets[0]!.id)))!;
    expect(JSON.stringify(slip)).toContain('soiled');
    const { rows } = await world.app.query('select service, rule, promise_on, due_agreed from ticket where id = $1', [
      made.tickets[1]!.id,
    ]);
    expect(rows[0]).toEqual({ service: 'asFoundOnly', rule: 'guarded', promise_on: null, due_agreed: false });
  });
  it('is refused whole when one instrument is in the house, named twice, or another customer’s: no ticket, no number is used up', async () => {
    const [a, b] = [await newAsset('REF-1'), await newAsset('REF-2')];
    const other = await newCustomer('Another Yard');
    await take(world.customerId, [line(a.id)]);
    const count = async () => (await world.app.query('select count(*)::int as n from ticket')).rows[0].n as number;
    const before = await count();
    expect(await problem(take(world.customerId, [line(b.id), line(a.id)]))).toMatchObject({
      status: 409,
      fields: { 'instruments[1].assetId': expect.stringContaining('already') },
    });
    expect(await problem(take(world.customerId, [line(b.id), line(b.id)]))).toMatchObject({
      fields: { 'instruments[1].assetId': expect.any(String) },
    });
    expect(await problem(take(other.id, [line(b.id)]))).toMatchObject({
      fields: { 'instruments[0].assetId': expect.stringContaining('another customer') },
    });
    expect(await problem(take(world.customerId, [line('00000000-0000-4000-8000-000000000000')]))).toMatchObject({ status: 404 });
    expect(await count()).toBe(before);
    const [last] = (await world.app.query('select code from ticket order by code desc limit 1')).rows as { code: string }[];
    const next = await take(world.customerId, [line(b.id)]);
    expect(Number(next.tickets[0]!.code.slice(-4))).toBe(Number(last!.code.slice(-4)) + 1);
  });
  it('twenty counters at once: twenty tickets, no number twice and none left out', async () => {
    const assets = [];
    for (let i = 0; i < 20; i += 1) assets.push(await newAsset(`MANY-${i}`));
    const made = await Promise.all(assets.map(({ id }) => take(world.customerId, [line(id)])));
    const numbers = made.map((one) => Number(one.tickets[0]!.code.slice(-4))).sort((a, b) => a - b);
    expect(numbers).toEqual(Array.from({ length: 20 }, (_one, index) => numbers[0]! + index));
  });
  it('ten counters at once with the same instrument: one ticket, nine are told', async () => {
    const { id } = await newAsset('SAME-1');
    const answers = await Promise.all(
      Array.from({ length: 10 }, () => take(world.customerId, [line(id)]).catch((error: Error) => error.message)),
    );
    expect(answers.filter((one) => typeof one !== 'string')).toHaveLength(1);
    expect(answers.filter((one) => typeof one === 'string' && one.startsWith('SAME-1 is in the house already'))).toHaveLength(9);
    const { rows } = await world.app.query("select 1 from ticket where asset_id = $1 and status <> 'returned'", [id]);
    expect(rows).toHaveLength(1);
  });
  it('hands back only what is approved, once; then the instrument may come again', async () => {
    const { run, ticketId, assetId } = await world.finishedRun();
    const back = () => inTx((context) => returnTicket(context, { ticketId }));
    expect(await problem(back())).toMatchObject({ status: 409 });
    // `finish` moved no ticket here, since the events were recorded directly.
    await world.app.query("update ticket set status = 'toApprove', place = null where id = $1", [ticketId]);
    await world.db.transaction((tx) => approveRun({ tx, actor: world.signatory, now: new Date() }, { runId: run }));
    await back();
    expect(await problem(back())).toMatchObject({ status: 409 });
    expect((await take(world.customerId, [line(assetId)])).tickets).toHaveLength(1);
  });
});

describe('the scan field', () => {
  const scan = (text: string) => inTx(({ tx }) => scanTarget(tx, text));
  it('takes ticket, serial, tag, lot, certificate number and the address behind a label’s code', async () => {
    const { id } = await newAsset('SCAN-1');
    const { tickets } = await take(world.customerId, [line(id)]);
    expect(await scan(tickets[0]!.code.toLowerCase())).toBe(`/tickets/${tickets[0]!.id}`);
    expect(await scan(' scan-1 ')).toBe(`/assets/${id}`);
    expect(await scan('tag-scan-1')).toBe(`/assets/${id}`);
    expect(await scan('t-1')).toBe(`/shelf#${world.bottleId}`);
    const { run } = await world.finishedRun();
    const certificate = await world.db.transaction((tx) =>
      approveRun({ tx, actor: world.signatory, now: new Date() }, { runId: run }),
    );
    expect(await scan(certificate.number)).toBe(`/certificates/${certificate.id}`);
    const { rows } = await world.app.query('select token from certificate where id = $1', [certificate.id]);
    expect(await scan(`https://workshop.example/verify/${rows[0].token}`)).toBe(`/certificates/${certificate.id}`);
  });
  it('leads to the search when nothing fits, and nowhere when nothing was typed', async () => {
    expect(await scan('no such thing & more')).toBe('/assets?q=no%20such%20thing%20%26%20more');
    expect(await scan('   ')).toBeNull();
  });
});

describe('an instrument that is retired', () => {
  const as =
    (actor: World['technician']) =>
    (work: (context: { tx: Transaction; actor: World['technician']; now: Date }) => Promise<void>) =>
      world.db.transaction((tx) => work({ tx, actor, now: new Date('2026-11-25T09:00:00.000Z') }));
  const statusOf = async (id: string) => (await inTx(({ tx }) => assetCard(tx, id)))!.asset;
  it('not while it is in the house; taken back only by a signatory; the audit says from what to what', async () => {
    const { id } = await newAsset('OLD-1');
    const { tickets } = await take(world.customerId, [line(id)]);
    const retire = () => as(world.technician)((context) => retireAsset(context, { assetId: id, why: 'sold to a scrapyard' }));
    expect(await problem(retire())).toMatchObject({ status: 409, message: expect.stringContaining(tickets[0]!.code) });
    await inTx(({ tx }) =>
      tx
        .update(ticket)
        .set({ status: 'returned' })
        .where(eq(ticket.id, tickets[0]!.id))
        .then(() => undefined),
    );
    await retire();
    expect(await statusOf(id)).toMatchObject({
      status: 'retired',
      statusWhy: 'sold to a scrapyard',
      statusBy: world.technician.name,
    });
    expect(await problem(retire())).toMatchObject({ status: 409 });
    const back = (actor: World['technician']) =>
      as(actor)((context) => takeBackAsset(context, { assetId: id, why: 'found again' }));
    expect(await problem(back(world.technician))).toMatchObject({ status: 403 });
    await back(world.signatory);
    expect((await statusOf(id)).status).toBe('inUse');
    const moves = await inTx(({ tx }) =>
      tx
        .select()
        .from(audit)
        .where(and(eq(audit.action, 'instrumentStatus'), eq(audit.subject, id))),
    );
    expect(moves.map((one) => one.detail)).toMatchObject([
      { before: 'inUse', after: 'retired' },
      { before: 'retired', after: 'inUse' },
    ]);
  });
  it('what had failed before has still to be covered when it comes back', async () => {
    const { id } = await newAsset('OLD-2');
    await inTx(({ tx }) =>
      tx
        .update(asset)
        .set({ status: 'outOfService', statusFailed: { channels: [], moved: [], outputs: ['sound'], items: [] } })
        .where(eq(asset.id, id))
        .then(() => undefined),
    );
    await as(world.technician)((context) => retireAsset(context, { assetId: id, why: 'lost' }));
    await as(world.signatory)((context) => takeBackAsset(context, { assetId: id, why: 'found again' }));
    expect((await statusOf(id)).status).toBe('outOfService');
  });
});

describe('a ticket that changes or ends without a calibration', () => {
  const inAs = <T>(work: (context: { tx: Transaction; actor: World['technician']; now: Date }) => Promise<T>) =>
    world.db.transaction((tx) => work({ tx, actor: world.technician, now: new Date() }));
  const rowOf = async (id: string) => (await world.db.select().from(ticket).where(eq(ticket.id, id)))[0]!;
  const status = (promise: Promise<unknown>) =>
    promise.then(
      () => 200,
      (error: Problem) => error.status,
    );
  const wish = { service: 'bumpOnly' as const, promiseOn: '2026-12-24', note: 'call first', dueAgreed: false };

  it('wish, promise and note are changed, from what to what; once work has begun the wish stays', async () => {
    const { id, code } = await world.newTicket();
    await inAs((context) => changeTicket(context, { ticketId: id, ...wish }));
    expect(await rowOf(id)).toMatchObject(wish);
    const told = await world.db.select().from(audit).where(eq(audit.subject, code));
    expect(told.at(-1)!.detail).toMatchObject({ before: { service: 'calibrate' }, after: { service: 'bumpOnly' } });
    const { ticketId } = await world.finishedRun();
    const { service } = await rowOf(ticketId);
    expect(await status(inAs((context) => changeTicket(context, { ticketId, ...wish })))).toBe(409);
    expect(await status(inAs((context) => changeTicket(context, { ticketId, ...wish, service })))).toBe(200);
  });
  it('cancelled before anything was done: the instrument is free to come again, the number stays on record', async () => {
    const { id, code, assetId } = await world.newTicket();
    await inAs((context) => cancelTicket(context, { ticketId: id, why: 'taken down twice' }));
    expect(await rowOf(id)).toMatchObject({ code, status: 'returned', ended: 'cancelled', endedNumber: null });
    expect((await world.newTicket({ assetId })).code).not.toBe(code);
    const begun = await world.finishedRun();
    expect(await status(inAs((context) => cancelTicket(context, { ticketId: begun.ticketId, why: 'too late' })))).toBe(409);
  });
  it('handed back uncalibrated: a paper of a series of its own, without gaps; not while a run is open or a result waits', async () => {
    const papers: string[] = [];
    for (let i = 0; i < 3; i += 1) {
      const { id } = await world.newTicket();
      papers.push((await inAs((context) => handBackUncalibrated(context, { ticketId: id, why: 'no spare part' }))).number);
      expect(await status(inAs((context) => handBackUncalibrated(context, { ticketId: id, why: 'again' })))).toBe(409);
    }
    const year = new Date().getFullYear();
    expect(papers).toEqual([1, 2, 3].map((n) => `U-${year}-000${n}`));
    const waiting = await world.finishedRun();
    const open = await world.finishedRun({ stopAt: 'zero' });
    for (const { ticketId } of [waiting, open])
      expect(await status(inAs((context) => handBackUncalibrated(context, { ticketId, why: 'no' })))).toBe(409);
  });
  it('the database refuses an end without its reason or its number', async () => {
    const { id } = await world.newTicket();
    for (const set of [
      "status = 'returned', ended = 'uncalibrated', ended_why = 'x'",
      "status = 'returned', ended = 'cancelled'",
      "ended = 'cancelled', ended_why = 'x'",
    ])
      await expect(world.app.query(`update ticket set ${set} where id = $1`, [id])).rejects.toMatchObject({ code: '23514' });
  });
});

describe('anything is found', () => {
  const find = (text: string, role: 'counter' | 'administrator' = 'administrator') =>
    inTx(({ tx }) => findAnything({ tx, actor: { ...world.technician, role }, now: new Date() }, { text }));
  const hrefs = async (text: string) => (await find(text)).flatMap((one) => one.hits.map((hit) => hit.href));
  it('a ticket by its code, whole or short; an instrument by the beginning, a part or a wrong sign of its serial', async () => {
    const asset = await world.newAsset('QX-73519');
    const ticket = await world.newTicket({ assetId: asset });
    const [, year, serial] = /T-(\d+)-(\d+)/.exec(ticket.code)!;
    for (const text of [ticket.code, ticket.code.toLowerCase(), `t-${Number(serial)}`, `t-${year}-${Number(serial)}`])
      expect(await hrefs(text), text).toContain(`/tickets/${ticket.id}`);
    for (const text of ['QX-73519', 'qx', '73519', 'QX-7351']) expect(await hrefs(text), text).toContain(`/assets/${asset}`);
    const near = (await find('QX-73915')).find((one) => one.group === 'instruments')!;
    expect(near).toMatchObject({ alike: true });
    expect(near.hits.map((hit) => hit.href)).toContain(`/assets/${asset}`);
    expect(await find('%')).toEqual([]);
    expect(await find('   ')).toEqual([]);
  });
  it('customers by name and misspelt; contacts, models, lots, people; nobody finds what their role may not read', async () => {
    const [yard] = (await world.app.query('select name from customer where id = $1', [world.customerId])).rows;
    expect(await hrefs(yard.name.slice(0, 6))).toContain(`/customers/${world.customerId}`);
    expect(await hrefs(MODELS[0]!.name)).toContain(`/models/${world.modelId}`);
    expect((await find('Four-gas')).map((one) => one.group)).toContain('models');
    expect((await find('tech@test')).map((one) => one.group)).toContain('people');
    expect((await find('tech@test', 'counter')).map((one) => one.group)).not.toContain('people');
    const [bottle] = (await world.app.query('select lot from reference where id = $1', [world.bottleId])).rows;
    expect(await hrefs(bottle.lot)).toContain(`/shelf/${world.bottleId}`);
    const ticket = await world.newTicket();
    await world.app.query(
      `insert into device_line (kind, name, host, port) values ('barometer', 'Barometer of the finder', '127.0.0.1', 9)`,
    );
    const bytes = Buffer.from(`%PDF-1.7 ${'a paper of the finder '.repeat(9)}`);
    await world.app.query(
      `insert into kept_file (about, about_id, name, mime, hash, bytes, kept_by, kept_at) values ('ticket', $1, 'Crack in the case.pdf', 'application/pdf', $2, $3, 'Tam', now())`,
      [ticket.id, createHash('sha256').update(bytes).digest('hex'), bytes],
    );
    expect(await hrefs('of the finder')).toEqual(['/devices']);
    expect(await hrefs('crack in')).toEqual([`/tickets/${ticket.id}`]);
  });
});
