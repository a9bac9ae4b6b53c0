import { sql, type SQL } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { assetsBegun, assetsHaving, plainLike } from '@/data/find-text';
import type { FileSubject } from '@/data/schema';
import { listCustomers } from '@/features/customers/server';
import { dateIn } from '@/platform/clock';
import { mayRead } from '@/platform/permission';
import { readSettings } from '@/platform/settings';
import type { UseCaseContext } from '@/platform/use-case';
import { numbersMeant } from './short-code';

export const GROUPS = [
  'documents',
  'tickets',
  'receipts',
  'register',
  'bookings',
  'instruments',
  'customers',
  'contacts',
  'sites',
  'shelf',
  'models',
  'people',
  'mails',
  'spares',
  'devices',
  'files',
] as const;
export type Group = (typeof GROUPS)[number];
export interface Hit {
  href: string;
  label: string;
  about: string;
}
export interface Hits {
  group: Group;
  hits: Hit[];
  /** None has what was typed; these are much like it. */
  alike?: true;
}

const EACH = 5;
/** Trigrams need three letters; a shorter text is looked for as a beginning. */
const PART = 3;
const MISSPELT = 4;

/**
 * Everything that has what is typed: codes whole or short ("c-62"), beginnings and parts of serials and tags, names of customers, contacts, models, people, lots and suppliers' certificates, mails; where nothing has it, what is spelt much like it.
 * A few of each kind. Who may not read a room finds nothing of it. Every question is answered through an index, or looks at a table that stays small.
 */
export async function findAnything({ tx, actor, now }: UseCaseContext, { text }: { text: string }): Promise<Hits[]> {
  const typed = text.trim();
  if (!typed) return [];
  const meant = [typed.toUpperCase(), ...numbersMeant(typed, now.getFullYear(), (await readSettings(tx)).numbers)];
  const long = typed.length >= PART;
  const group = async (
    name: Group,
    wanted: boolean,
    look: (tx: Transaction, typed: string) => Promise<Hit[]>,
  ): Promise<Hits> => ({
    group: name,
    hits: wanted ? await look(tx, typed) : [],
  });
  const code = (name: Group, look: (tx: Transaction, meant: string[]) => Promise<Hit[]>) =>
    group(name, true, () => look(tx, meant));
  // Asked together: none waits for another's answer but the customers, who are looked for more widely where nothing else has it.
  const [first, rest] = await Promise.all([
    Promise.all([
      code('documents', documents),
      code('tickets', tickets),
      code('receipts', receipts),
      code('register', register),
      instruments(tx, typed),
    ]),
    Promise.all([
      group('bookings', long, bookings),
      group('contacts', long, contacts),
      group('sites', long, sites),
      group('models', long, models),
      group('people', long && mayRead(actor.role, 'office'), people),
      group('mails', long && mayRead(actor.role, 'receive'), mails),
      group('shelf', true, shelf),
      group('spares', long, spares),
      group('devices', long, devices),
      group('files', long, files),
    ]),
  ]);
  const has = first.some((one) => one.hits.length > 0 && !one.alike);
  const found = [...first, await customers(tx, typed, now, { alike: !has }), ...rest];
  return found.filter((one) => one.hits.length > 0);
}

async function hits(tx: Transaction, query: SQL): Promise<Hit[]> {
  return (await tx.execute<Hit & Record<string, unknown>>(query)).rows.map(({ href, label, about }) => ({ href, label, about }));
}
/** A list for the database, whatever is in it. */
const list = (values: string[]) => sql`array(select jsonb_array_elements_text(${JSON.stringify(values)}::jsonb))`;

const documents = (tx: Transaction, meant: string[]) =>
  hits(
    tx,
    sql`select '/certificates/' || c.id as href, c.number || case when c.revision > 0 then ', revision ' || c.revision else '' end as label, coalesce(a.serial || ', ' || k.name, '') as about
      from certificate c join asset a on a.id = c.asset_id join customer k on k.id = c.customer_id
      where c.number = any(${list(meant)}) order by c.number desc, c.revision desc limit ${EACH}`,
  );
const tickets = (tx: Transaction, meant: string[]) =>
  hits(
    tx,
    sql`select '/tickets/' || t.id as href, t.code as label, a.serial || ', ' || k.name as about
      from ticket t join asset a on a.id = t.asset_id join customer k on k.id = t.customer_id
      where t.code = any(${list(meant)}) or upper(t.ended_number) = any(${list(meant)}) order by t.created_at desc limit ${EACH}`,
  );
const receipts = (tx: Transaction, meant: string[]) =>
  hits(
    tx,
    sql`select '/receipts/' || r.id as href, r.number as label, k.name as about
      from receipt r join customer k on k.id = r.customer_id
      where r.number = any(${list(meant)}) and exists (select 1 from ticket t where t.receipt_id = r.id) order by r.number desc limit ${EACH}`,
  );

const register = (tx: Transaction, meant: string[]) =>
  hits(
    tx,
    sql`select '/register/' || n.id as href, n.number as label, left(n.what, 80) as about from nonconformity n where n.number = any(${list(meant)}) order by n.number desc limit ${EACH}`,
  );
/** What is announced, by its customer or a serial in it: few are open at a time. */
const bookings = (tx: Transaction, typed: string) =>
  hits(
    tx,
    sql`select '/bookings/' || b.id as href, k.name || ', ' || b.arrives_on as label, (select count(*) from booking_item i where i.booking_id = b.id)::text || ' ×' as about
      from booking b join customer k on k.id = b.customer_id
      where b.state = 'announced' and (lower(k.name) like ${`%${plainLike(typed.toLowerCase())}%`} or exists (select 1 from booking_item i join asset a on a.id = i.asset_id where i.booking_id = b.id and upper(a.serial) = ${typed.toUpperCase()}))
      order by b.arrives_on, b.id limit ${EACH}`,
  );

/** By the beginning of serial or tag; then by a part; then much like it. Each step only where the one before found too little. */
async function instruments(tx: Transaction, typed: string): Promise<Hits> {
  const select = (which: SQL, order: SQL) =>
    hits(
      tx,
      sql`select '/assets/' || a.id as href, a.serial || case when a.tag <> '' then ' (' || a.tag || ')' else '' end as label, a.maker || ' ' || m.name || ', ' || k.name as about
        from (${which}) w join asset a on a.id = w.id join instrument_model m on m.id = a.model_id join customer k on k.id = a.customer_id order by ${order} limit ${EACH}`,
    );
  const first = await select(
    assetsBegun(typed, EACH),
    sql`upper(a.serial) <> ${typed.toUpperCase()} and upper(a.tag) <> ${typed.toUpperCase()}, a.serial`,
  );
  if (first.length >= EACH || typed.length < PART) return { group: 'instruments', hits: first };
  const some = await select(assetsHaving(typed, EACH), sql`a.serial`);
  const both = [...first, ...some.filter((one) => !first.some((other) => other.href === one.href))].slice(0, EACH);
  if (both.length > 0 || typed.length < MISSPELT || !/\d/.test(typed)) return { group: 'instruments', hits: both };
  const near = await select(
    sql`select id from asset where serial % ${typed} limit 200`,
    sql`similarity(a.serial, ${typed}) desc, a.serial`,
  );
  return { group: 'instruments', hits: near, alike: true };
}

/** Much alike is looked for where nothing has what was typed: a serial that is there is no misspelt name. */
async function customers(tx: Transaction, typed: string, now: Date, { alike: wanted }: { alike: boolean }): Promise<Hits> {
  if (typed.length < PART) return { group: 'customers', hits: [] };
  const today = dateIn('UTC', now);
  const { rows, alike } = await listCustomers(tx, { q: typed, retired: true, today, pageSize: EACH, near: wanted });
  return {
    group: 'customers',
    hits: rows.map((row) => ({ href: `/customers/${row.id}`, label: row.name, about: row.contact })),
    ...(alike ? { alike: true as const } : {}),
  };
}
const contacts = (tx: Transaction, typed: string) =>
  hits(
    tx,
    sql`select '/customers/' || c.customer_id as href, c.name as label, k.name || ' ' || c.email as about from customer_contact c join customer k on k.id = c.customer_id
      where lower(c.name || ' ' || c.email || ' ' || c.phone) like ${`%${plainLike(typed.toLowerCase())}%`} order by c.name limit ${EACH}`,
  );
/** A site leads to its customer. */
const sites = (tx: Transaction, typed: string) =>
  hits(
    tx,
    sql`select '/customers/' || s.customer_id as href, s.name as label, k.name as about from customer_site s join customer k on k.id = s.customer_id
      where s.ended_at is null and lower(s.name) like ${`%${plainLike(typed.toLowerCase())}%`} order by s.name limit ${EACH}`,
  );
const models = (tx: Transaction, typed: string) =>
  hits(
    tx,
    sql`select '/models/' || id as href, maker || ' ' || name as label, kind as about from instrument_model
      where lower(maker || ' ' || name || ' ' || kind) like ${`%${plainLike(typed.toLowerCase())}%`} order by retired_at is not null, maker, name limit ${EACH}`,
  );
/** Lot, name, or the supplier's certificate: the shelf stays small. */
const shelf = (tx: Transaction, typed: string) =>
  hits(
    tx,
    sql`select '/shelf/' || id as href, name as label, lot || case when certificate <> '' then ', ' || certificate else '' end as about from reference
      where lot ilike ${`${plainLike(typed)}%`} or certificate ilike ${`%${plainLike(typed)}%`} or name ilike ${`%${plainLike(typed)}%`} order by state = 'good' desc, upper(lot) <> ${typed.toUpperCase()}, lot limit ${EACH}`,
  );
const people = (tx: Transaction, typed: string) =>
  hits(
    tx,
    sql`select '/office/audit?person=' || id as href, name as label, email as about from "user" where name ilike ${`%${plainLike(typed)}%`} or email ilike ${`${plainLike(typed)}%`} order by name limit ${EACH}`,
  );
const mails = (tx: Transaction, typed: string) =>
  hits(
    tx,
    sql`select '/due/outbox' as href, m.subject as label, m.recipient as about from (select * from mail where lower(recipient || ' ' || subject) like ${`%${plainLike(typed.toLowerCase())}%`} limit 200) m order by m.created_at desc limit 3`,
  );
const spares = (tx: Transaction, typed: string) =>
  hits(
    tx,
    sql`select '/stock' as href, name as label, kind || case when serial <> '' then ', ' || serial else '' end || ', ' || quantity || ' left' as about from stock_item
      where ended_at is null and (name ilike ${`%${plainLike(typed)}%`} or serial ilike ${`${plainLike(typed)}%`} or part_number ilike ${`${plainLike(typed)}%`}) order by quantity = 0, name limit ${EACH}`,
  );
const devices = (tx: Transaction, typed: string) =>
  hits(
    tx,
    sql`select '/devices' as href, name as label, host || ':' || port || ' ' || serial as about from device_line
      where name ilike ${`%${plainLike(typed)}%`} or host ilike ${`${plainLike(typed)}%`} or serial ilike ${`${plainLike(typed)}%`} order by name limit ${EACH}`,
  );
const PAGE_OF: Record<FileSubject, string> = {
  asset: 'assets',
  reference: 'shelf',
  ticket: 'tickets',
  customer: 'customers',
  model: 'models',
};
const files = (tx: Transaction, typed: string) =>
  hits(
    tx,
    sql`select '/' || (${JSON.stringify(PAGE_OF)}::jsonb ->> about) || '/' || about_id as href, name as label, kept_by as about
      from kept_file where taken_away_at is null and lower(name) like ${`%${plainLike(typed.toLowerCase())}%`} order by kept_at desc limit ${EACH}`,
  );
