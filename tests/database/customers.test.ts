import { eq } from 'drizzle-orm';
import Papa from 'papaparse';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Actor } from '@/core/record/event';
import type { Transaction } from '@/data/connection';
import { asset, certificate, customer, customerContact, mail, ticket } from '@/data/schema';
import { annexesWanted, approveRun } from '@/features/certificates/server';
import { findAssets, findCustomers } from '@/features/counter/server';
import {
  correctCustomer,
  createCustomer,
  customerCard,
  customersCsv,
  customersLike,
  dropContact,
  keepContact,
  listCustomers,
  mergeCustomers,
  personData,
  retireCustomer,
  takeBackCustomer,
  undoMerge,
  type CustomerInput,
} from '@/features/customers/server';
import { makeReminders } from '@/features/due/server';
import { asActor } from '@/platform/as-actor';
import { refused } from './refused';
import { openWorld, type World } from './world';

let world: World;
const NOW = new Date();
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());

const EMPTY: CustomerInput = {
  name: '',
  address: '',
  contact: '',
  email: '',
  phone: '',
  notes: '',
  wantsReminders: true,
  agreesDue: false,
};
const inTx = <T>(
  work: (context: { tx: Transaction; actor: Actor; now: Date }) => Promise<T>,
  { actor = world.technician as Actor, now = NOW } = {},
) =>
  world.db.transaction(async (tx) => {
    await asActor(tx, actor, 'test');
    return work({ tx, actor, now });
  });
const make = (name: string, more: Partial<CustomerInput> = {}) =>
  inTx((context) => createCustomer(context, { ...EMPTY, name, ...more }));
const list = (q?: string, more: object = {}) =>
  inTx(({ tx }) => listCustomers(tx, { q, today: '2026-11-28', ...more })).then((page) => page);
const names = async (q?: string) => (await list(q)).rows.map((row) => row.name);
const NOBODY: Actor = { id: 'x', name: 'Somebody', role: 'visitor' as never };

describe('finding a customer', () => {
  it('by any words of name, contact, mail, telephone or address, theirs or a further contact’s', async () => {
    const { id } = await make('Grauwinkel Brewery', {
      contact: 'Ilse Marn',
      address: 'Lock 4, Oststadt',
      phone: '0551 770',
      email: 'office@grauwinkel.example',
    });
    await inTx((context) =>
      keepContact(context, {
        customerId: id,
        name: 'Ruben Tal',
        email: 'ruben@grauwinkel.example',
        phone: '',
        purposes: ['calls'],
      }),
    );
    for (const q of ['grau', 'brewery grauw', 'marn', 'oststadt lock', '770', 'office@grau', 'ruben'])
      expect(await names(q), q).toEqual(['Grauwinkel Brewery']);
    expect(await names('grau 100%_')).toEqual([]);
  });
  it('misspelt as well, and so a second one is noticed before it is made', async () => {
    const found = await list('Grauwinckel Brewry');
    expect(found).toMatchObject({ alike: true, rows: [{ name: 'Grauwinkel Brewery' }] });
    expect(await inTx(({ tx }) => customersLike(tx, { text: 'Grauwinckel Brewry' }))).toMatchObject([
      { name: 'Grauwinkel Brewery' },
    ]);
    expect(await inTx(({ tx }) => customersLike(tx, { text: 'Harbour Office' }))).toEqual([]);
  });
  it('page by page by name: each once', async () => {
    for (let i = 0; i < 7; i += 1) await make(`Paged ${i}`);
    const seen: string[] = [];
    let after: string | undefined;
    do {
      const page = await list('paged', { after, pageSize: 3 });
      seen.push(...page.rows.map((row) => row.name));
      after = page.next ?? undefined;
    } while (after);
    expect(seen).toEqual(Array.from({ length: 7 }, (_one, i) => `Paged ${i}`));
  });
});

describe('wishes', () => {
  it('the decision rule stands at its instruments when they are received, the annexes with the document of their run', async () => {
    const { run, assetId } = await world.finishedRun();
    const [row] = await world.db.select().from(customer).where(eq(customer.id, world.customerId));
    const { name, address, contact, email, phone, notes, wantsReminders, agreesDue, version } = row!;
    const given = { customerId: row!.id, name, address, contact, email, phone, notes, wantsReminders, agreesDue };
    const wish = (more: Partial<CustomerInput>, at: number) =>
      inTx((context) => correctCustomer(context, { ...given, ...more, version: at }));
    await wish({ rule: 'guarded', annexBudgets: true }, version);
    const [own] = (await world.app.query('select serial from asset where id = $1', [assetId])).rows;
    expect((await inTx(({ tx }) => findAssets(tx, own.serial)))[0]).toMatchObject({ id: assetId, rule: 'guarded' });
    expect(await inTx(({ tx }) => annexesWanted(tx, run))).toEqual({ budgets: true, traces: false });
    await world.db.transaction((tx) => approveRun({ tx, actor: world.signatory, now: NOW }, { runId: run }));
    const [issued] = await world.db.select().from(certificate).where(eq(certificate.runId, run));
    expect((issued!.content as { annexes?: object }).annexes).toEqual({ budgets: true, traces: false });
    // A form of before, which knows nothing of wishes, takes none away.
    await wish({ notes: 'rings first' }, version + 1);
    expect(await inTx(({ tx }) => annexesWanted(tx, run))).toMatchObject({ budgets: true });
    await wish({ rule: 'simple', annexBudgets: false }, version + 2);
  });
});

describe('correcting', () => {
  it('says who changed what from what to what; issued documents keep what they were issued with', async () => {
    const { run } = await world.finishedRun();
    await world.db.transaction((tx) => approveRun({ tx, actor: world.signatory, now: NOW }, { runId: run }));
    const before = (await world.db.select().from(certificate).where(eq(certificate.runId, run)))[0]!;
    const [row] = await world.db.select().from(customer).where(eq(customer.id, world.customerId));
    const { name, contact, email, phone, notes, wantsReminders, agreesDue, version } = row!;
    await inTx((context) =>
      correctCustomer(context, {
        customerId: row!.id,
        version,
        name,
        contact,
        email,
        phone,
        notes,
        wantsReminders,
        agreesDue,
        address: 'New Quay 12',
      }),
    );
    const card = (await inTx(({ tx }) => customerCard(tx, row!.id, NOW)))!;
    expect(card.history[0]).toMatchObject({
      actor: { name: world.technician.name },
      before: { address: row!.address },
      after: { address: 'New Quay 12' },
    });
    expect((await world.db.select().from(certificate).where(eq(certificate.id, before.id)))[0]).toEqual(before);
  });
  it('the second of two at one customer sees the first one’s words beside the field, and nothing is lost; saved again it holds', async () => {
    const { id } = await make('Two at once', { phone: '1' });
    const input = { ...EMPTY, customerId: id, name: 'Two at once', version: 1 };
    await inTx((context) => correctCustomer(context, { ...input, phone: '22' }));
    expect(await refused(inTx((context) => correctCustomer(context, { ...input, phone: '333' })))).toMatchObject({
      status: 409,
      fields: { phone: expect.stringContaining('22') },
    });
    await inTx((context) => correctCustomer(context, { ...input, version: 2, phone: '333' }));
    expect((await inTx(({ tx }) => customerCard(tx, id, NOW)))!.customer).toMatchObject({ phone: '333', version: 3 });
  });
  it('a name that is taken is refused at its field', async () => {
    const { id } = await make('Only one');
    await make('Another');
    expect(
      await refused(inTx((context) => correctCustomer(context, { ...EMPTY, customerId: id, version: 1, name: 'ANOTHER' }))),
    ).toMatchObject({ status: 409, fields: { name: expect.any(String) } });
  });
  it('a person is given all that is held on them, theirs alone, and that it was given out is on record', async () => {
    const { id } = await make('Held Harbour Lights');
    const keep = (name: string) =>
      inTx((context) =>
        keepContact(context, {
          customerId: id,
          name,
          email: `${name.toLowerCase()}@held.example`,
          phone: '',
          purposes: ['calls'],
        }),
      );
    await keep('Berit');
    await keep('Osk');
    const contacts = await world.db.select().from(customerContact).where(eq(customerContact.customerId, id));
    const { id: contactId } = contacts.find((one) => one.name === 'Berit')!;
    await world.superuser.query(
      `insert into mail (id, recipient, subject, body, message_id, created_at) values (gen_random_uuid(), 'Berit@held.example', 'Due soon', 'Yours', 'm-held-1', now()), (gen_random_uuid(), 'osk@held.example', 'Not hers', '', 'm-held-2', now())`,
    );
    const held = await inTx((context) => personData(context, { customerId: id, contactId }));
    expect(held.entry).toMatchObject({ name: 'Berit', customer: 'Held Harbour Lights' });
    expect(held.mails.map((one) => one.subject)).toEqual(['Due soon']);
    expect(held.changes.length).toBeGreaterThan(0);
    expect(JSON.stringify(held)).not.toContain('Osk');
    const { rows } = await world.superuser.query<{ subject: string }>(
      "select subject from audit where action = 'givePersonData'",
    );
    expect(rows).toEqual([{ subject: expect.stringMatching(/^contact [0-9a-f-]{36}, Held Harbour Lights$/) }]);
    await expect(inTx((context) => personData(context, { customerId: contactId, contactId }))).rejects.toMatchObject({
      status: 404,
    });
  });
  it('reminders go to the contact who is there for them, and to the customer’s own mail again when it is gone', async () => {
    const { id } = await make('Reminded', { email: 'own@reminded.example' });
    const remind = async () => {
      await world.superuser.query('delete from reminder');
      await inTx(makeReminders);
      return (await world.db.select().from(mail).where(eq(mail.customerId, id))).map((row) => row.recipient).sort();
    };
    const assetId = await world.newAsset('REMINDED-1');
    await world.db.update(asset).set({ customerId: id, nextDue: '2026-01-01' }).where(eq(asset.id, assetId));
    await inTx((context) =>
      keepContact(context, { customerId: id, name: 'Post', email: 'post@reminded.example', phone: '', purposes: ['reminders'] }),
    );
    expect(await remind()).toEqual(['post@reminded.example']);
    const [contact] = await world.db.select().from(customerContact).where(eq(customerContact.customerId, id));
    await inTx((context) => dropContact(context, { contactId: contact!.id }));
    expect(await remind()).toEqual(['own@reminded.example', 'post@reminded.example']);
  });
});

describe('ending', () => {
  it('retired: offered and reminded no more, found where asked for; taken back it is in work again', async () => {
    const { id } = await make('Closed down', { email: 'a@closed.example' });
    await inTx((context) => retireCustomer(context, { customerId: id, why: 'closed' }));
    expect(await names('closed down')).toEqual([]);
    expect(await inTx(({ tx }) => findCustomers(tx, 'closed down'))).toEqual([]);
    expect((await list('closed down', { retired: true })).rows).toMatchObject([{ retired: true }]);
    expect(await refused(inTx((context) => retireCustomer(context, { customerId: id, why: 'again' })))).toMatchObject({
      status: 409,
    });
    await inTx((context) => takeBackCustomer(context, { customerId: id, why: 'open again' }));
    expect(await names('closed down')).toEqual(['Closed down']);
  });
  it('not while an instrument of theirs is in the house', async () => {
    const { id } = await make('Has work');
    const { id: ticketId } = await world.newTicket();
    await world.db.update(ticket).set({ customerId: id }).where(eq(ticket.id, ticketId));
    expect(await refused(inTx((context) => retireCustomer(context, { customerId: id, why: 'closed' })))).toMatchObject({
      status: 409,
    });
  });
});

describe('merging two that are one', () => {
  const pair = async (name: string) => {
    const stays = await make(name);
    const gone = await make(`${name} (twice)`);
    const assetId = await world.newAsset(`MERGE-${name}`);
    await world.db.update(asset).set({ customerId: gone.id }).where(eq(asset.id, assetId));
    await inTx((context) => keepContact(context, { customerId: gone.id, name: 'Kept', email: '', phone: '1', purposes: [] }));
    await inTx((context) => mergeCustomers(context, { stays: stays.id, gone: gone.id, why: '' }));
    return { stays: stays.id, gone: gone.id, assetId };
  };
  const owner = async (id: string) => (await world.db.select().from(asset).where(eq(asset.id, id)))[0]!.customerId;
  const mergeOf = async (id: string) => (await inTx(({ tx }) => customerCard(tx, id, NOW)))!.merges[0]!;

  it('instruments and contacts come over; it can be undone for a day and no longer', async () => {
    const { stays, gone, assetId } = await pair('Twin');
    expect(await owner(assetId)).toBe(stays);
    expect(await names('twin')).toEqual(['Twin']);
    const { id, mayUndo } = await mergeOf(stays);
    expect(mayUndo).toBe(true);
    const late = new Date(NOW.getTime() + 25 * 3_600_000);
    expect(await refused(inTx((context) => undoMerge(context, { mergeId: id }), { now: late }))).toMatchObject({ status: 409 });
    await inTx((context) => undoMerge(context, { mergeId: id }));
    expect(await owner(assetId)).toBe(gone);
    expect((await inTx(({ tx }) => customerCard(tx, gone, NOW)))!.contacts).toMatchObject([{ name: 'Kept' }]);
    expect(await refused(inTx((context) => undoMerge(context, { mergeId: id })))).toMatchObject({ status: 409 });
  });
  it('what was given to a third one meanwhile stays there when it is undone', async () => {
    const { stays, assetId } = await pair('Triplet');
    const third = await make('Third');
    await world.db.update(asset).set({ customerId: third.id }).where(eq(asset.id, assetId));
    await inTx(async (context) => undoMerge(context, { mergeId: (await mergeOf(stays)).id }));
    expect(await owner(assetId)).toBe(third.id);
  });
  it('two who merge the same pair at the same moment: one does, one is told', async () => {
    const [a, b] = [await make('Race a'), await make('Race b')];
    const results = await Promise.all([
      refused(inTx((context) => mergeCustomers(context, { stays: a.id, gone: b.id, why: '' }))),
      refused(inTx((context) => mergeCustomers(context, { stays: b.id, gone: a.id, why: '' }))),
    ]);
    expect(results.map((one) => one?.status ?? 200).sort()).toEqual([200, 409]);
  });
});

describe('who may, and what comes out', () => {
  it('only who receives keeps customers', async () => {
    const { id } = await make('Guarded');
    const works: ((context: Parameters<typeof createCustomer>[0]) => Promise<unknown>)[] = [
      (context) => createCustomer(context, { ...EMPTY, name: 'By nobody' }),
      (context) => correctCustomer(context, { ...EMPTY, name: 'x', customerId: id, version: 1 }),
      (context) => keepContact(context, { customerId: id, name: 'x', email: '', phone: '', purposes: [] }),
      (context) => dropContact(context, { contactId: id }),
      (context) => retireCustomer(context, { customerId: id, why: 'xxx' }),
      (context) => takeBackCustomer(context, { customerId: id, why: 'xxx' }),
      (context) => mergeCustomers(context, { stays: id, gone: world.customerId, why: '' }),
      (context) => undoMerge(context, { mergeId: id }),
    ];
    for (const work of works) expect(await refused(inTx(work, { actor: NOBODY }))).toMatchObject({ status: 403 });
  });
  // Read back by a CSV library; a cell that a spreadsheet would run is text.
  it('a table of all of them, safe against formulas', async () => {
    await make('=HYPERLINK("x")', { address: 'a, "b"\nc' });
    const { data } = Papa.parse<Record<string, string>>(await inTx(({ tx }) => customersCsv(tx)), { header: true });
    const row = data.find((one) => one.name!.includes('HYPERLINK'))!;
    expect(row.name).toBe('\'=HYPERLINK("x")');
    expect(row.address).toBe('a, "b"\nc');
    expect(data.find((one) => one.name === 'Grauwinkel Brewery')).toMatchObject({
      contacts: 'Ruben Tal, ruben@grauwinkel.example, calls',
    });
  });
});
