import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { changeLog, customerContact, mail } from '@/data/schema';
import {
  blankPerson,
  correctCustomer,
  createCustomer,
  customerCard,
  dropContact,
  formerContacts,
  keepContact,
  personData,
  type CustomerInput,
} from '@/features/customers/server';
import { listChanges, verifyRecords } from '@/features/office/server';
import { asActor } from '@/platform/as-actor';
import { putMails } from '@/platform/put-mail';
import type { UseCaseContext } from '@/platform/use-case';
import { refused } from './refused';
import { openWorld, type World } from './world';

let world: World;
const now = new Date();
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());

const inTx = <T>(work: (context: UseCaseContext) => Promise<T>) =>
  world.db.transaction(async (tx) => {
    await asActor(tx, world.technician, 'test');
    return work({ tx, actor: world.technician, now });
  });
const PERSON = { name: 'Ottoline Vey', email: 'o.vey@blank.example', phone: '0551 90' };
const INPUT: CustomerInput = {
  name: '',
  address: '',
  contact: '',
  email: '',
  phone: '',
  notes: '',
  wantsReminders: true,
  agreesDue: false,
};

/** A customer with one further contact, who was corrected once and was written to. */
async function contacted(name: string) {
  const { id: customerId } = await inTx((context) => createCustomer(context, { ...INPUT, name }));
  const contact = { customerId, ...PERSON, purposes: ['calls' as const] };
  await inTx((context) => keepContact(context, { ...contact, phone: '1' }));
  const [kept] = await world.db.select().from(customerContact).where(eq(customerContact.customerId, customerId));
  const contactId = kept!.id;
  await inTx((context) => keepContact(context, { ...contact, contactId }));
  return { customerId, contactId };
}
/** Everything that the house holds, as the database itself would print it. */
const heldAnywhere = async (text: string) => {
  const { rows: tables } = await world.superuser.query<{ name: string }>(
    "select table_name as name from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE'",
  );
  const found: string[] = [];
  for (const { name } of tables) {
    const { rowCount } = await world.superuser.query(`select 1 from "${name}" t where t::text ilike $1 limit 1`, [`%${text}%`]);
    if (rowCount) found.push(name);
  }
  return found;
};
const faults = () => inTx(({ tx }) => verifyRecords(tx)).then((report) => report.faults);
const blank = (given: Parameters<typeof blankPerson>[1]) => inTx((context) => blankPerson(context, given));

describe('a person who is blanked', () => {
  it('stands sealed in the log and can be read there by who audits; blanked, nothing in the house names them, and every hash holds', async () => {
    const { customerId, contactId } = await contacted('Blank Harbour');
    const sealed = await world.db.select().from(changeLog).where(eq(changeLog.rowKey, contactId));
    expect(JSON.stringify(sealed)).not.toContain('Ottoline');
    const read = async () =>
      (await inTx(({ tx }) => listChanges(tx, { table: 'customer_contact' }))).rows.filter((row) => row.rowKey === contactId);
    expect((await read()).map((row) => [row.before?.phone, row.after?.phone])).toEqual([
      ['1', '0551 90'],
      [undefined, '1'],
    ]);
    expect((await inTx((context) => personData(context, { customerId, contactId }))).changes[0]).toMatchObject({
      after: { name: PERSON.name },
    });
    await inTx(({ tx }) =>
      putMails(tx, [{ customerId, recipient: PERSON.email, subject: `For ${PERSON.name}`, body: `Dear ${PERSON.name}, …` }], {
        now,
        kind: 'test',
        host: 'blank.example',
      }),
    );
    // A letter that waits would go out to nobody.
    expect(await refused(blank({ customerId, contactId, why: 'asked for it' }))).toMatchObject({ status: 409 });
    await world.db.update(mail).set({ state: 'sent' }).where(eq(mail.recipient, PERSON.email));
    expect(await heldAnywhere('ottoline')).toEqual(expect.arrayContaining(['customer_contact', 'mail']));
    expect(await blank({ customerId, contactId, why: 'asked for it' })).toEqual({ mails: 1 });
    expect([await heldAnywhere('ottoline'), await heldAnywhere(PERSON.email), await heldAnywhere('0551 90')]).toEqual([
      [],
      [],
      [],
    ]);
    // That something was changed, by whom and when, is still read; what it was is not.
    expect((await read()).map((row) => [row.kind, row.before?.phone, row.after?.phone])).toEqual([
      ['taken', '█', undefined],
      ['changed', '█', '█'],
      ['made', undefined, '█'],
    ]);
    expect(await faults()).toEqual([]);
    expect(await refused(blank({ customerId, contactId, why: 'again' }))).toMatchObject({ status: 404 });
  });
  it('may have been taken away before: the log still has them, is asked for them, and loses them', async () => {
    const { customerId, contactId } = await contacted('Former Works');
    await inTx((context) => dropContact(context, { contactId }));
    expect(await inTx(({ tx }) => formerContacts(tx, customerId))).toEqual([{ id: contactId, name: PERSON.name }]);
    await blank({ customerId, contactId, why: 'asked for it' });
    expect(await inTx(({ tx }) => formerContacts(tx, customerId))).toEqual([]);
    expect(await faults()).toEqual([]);
  });
  it('may be the contact of the customer itself; another one who comes after is kept and sealed anew', async () => {
    const { id: customerId } = await inTx((context) =>
      createCustomer(context, { ...INPUT, name: 'Own Contact', contact: 'Perpetua Lin', email: 'p.lin@blank.example' }),
    );
    await blank({ customerId, why: 'left' });
    expect(await heldAnywhere('perpetua')).toEqual([]);
    const { customer } = (await inTx(({ tx }) => customerCard(tx, customerId, now)))!;
    expect(customer).toMatchObject({ name: 'Own Contact', contact: '', email: '', version: 2 });
    await inTx((context) =>
      correctCustomer(context, { ...INPUT, customerId, version: 2, name: 'Own Contact', contact: 'Nuno Ferr' }),
    );
    const [newest, ...older] = (await inTx(({ tx }) => customerCard(tx, customerId, now)))!.history;
    expect([newest!.after?.contact, ...older.map((row) => row.after?.contact)]).toEqual(['Nuno Ferr', '', '█']);
    expect(await faults()).toEqual([]);
  });
  it('what is changed behind the log’s back is named, in a row that stands under a key as in any other', async () => {
    const { contactId } = await contacted('Forged Pier');
    await world.superuser.query('alter table customer_contact disable trigger user');
    await world.superuser.query("update customer_contact set email = 'else@blank.example' where id = $1", [contactId]);
    await world.superuser.query('alter table customer_contact enable trigger user');
    expect(JSON.stringify(await faults())).toContain(`customer_contact ${contactId}`);
  });
});
