import { sql, type SQL } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { CUSTOMER_TEXT, plainLike } from '@/data/find-text';
import { isId } from '@/platform/shape';

export interface CustomerRow extends Record<string, unknown> {
  id: string;
  name: string;
  contact: string;
  email: string;
  retired: boolean;
  instruments: number;
  inHouse: number;
  overdue: number;
  nextDue: string | null;
}

/** Names that share so much of their threes of letters are looked at as one misspelt. */
const ALIKE = 0.35;

/** What is looked for in a customer: each word somewhere in name, contact, mail, telephone or address, theirs or a contact's. */
function matches(text: string): SQL | null {
  const words = text.trim().toLowerCase().split(/\s+/).filter(Boolean).slice(0, 6);
  if (words.length === 0) return null;
  const each = words.map((word) => {
    const like = `%${plainLike(word)}%`;
    return sql`(${CUSTOMER_TEXT} like ${like} or c.id in (select k.customer_id from customer_contact k where lower(k.name || ' ' || k.email || ' ' || k.phone) like ${like}))`;
  });
  return sql.join(each, sql` and `);
}

interface Asked {
  q?: string | undefined;
  after?: string | undefined;
  retired?: boolean;
  /** Last name first. */
  down?: boolean;
  today: string;
  pageSize?: number;
  /** Whether names much alike are looked for where nothing has what was typed. */
  near?: boolean;
}

/** Customers by name, paged by key, with what stands at each. Where nothing has what was typed, those whose name is much like it, the likest first. */
export async function listCustomers(
  tx: Transaction,
  { q = '', after, retired = false, down = false, today, pageSize = 30, near: wantsNear = true }: Asked,
): Promise<{ rows: CustomerRow[]; next: string | null; alike: boolean }> {
  const wanted = sql`c.merged_into is null ${retired ? sql`` : sql`and c.retired_at is null`}`;
  const matching = matches(q);
  const way = sql.raw(down ? 'desc' : 'asc');
  const beyond = isId(after)
    ? sql`and (lower(c.name), c.id) ${sql.raw(down ? '<' : '>')} (select lower(name), id from customer where id = ${after})`
    : sql``;
  const rows = await withFacts(
    tx,
    sql`select c.* from customer c where ${wanted} ${matching ? sql`and ${matching}` : sql``} ${beyond} order by lower(c.name) ${way}, c.id ${way} limit ${pageSize + 1}`,
    sql`lower(page.name) ${way}, page.id ${way}`,
    today,
  );
  if (rows.length > 0 || !matching || after || !wantsNear)
    return {
      rows: rows.slice(0, pageSize),
      next: rows.length > pageSize ? rows[pageSize - 1]!.id : null,
      alike: false,
    };
  const typed = q.trim().toLowerCase();
  const near = await withFacts(
    tx,
    sql`select c.* from customer c where ${wanted} and lower(c.name) % ${typed} and similarity(lower(c.name), ${typed}) > ${ALIKE} order by similarity(lower(c.name), ${typed}) desc, c.id limit 8`,
    sql`similarity(lower(page.name), ${typed}) desc, page.id`,
    today,
  );
  return { rows: near, next: null, alike: near.length > 0 };
}

async function withFacts(tx: Transaction, page: SQL, order: SQL, today: string): Promise<CustomerRow[]> {
  const { rows } = await tx.execute<CustomerRow>(sql`
    with page as (${page})
    select page.id, page.name, page.contact, page.email, page.retired_at is not null as retired, a.instruments, t.in_house as "inHouse", a.overdue, a.next_due as "nextDue"
    from page
    left join lateral (
      select count(*)::int as instruments, count(*) filter (where status = 'inUse' and next_due < ${today}::date)::int as overdue, (min(next_due) filter (where status = 'inUse'))::text as next_due
      from asset where customer_id = page.id and status <> 'retired'
    ) a on true
    left join lateral (select count(*)::int as in_house from ticket where customer_id = page.id and status <> 'returned') t on true
    order by ${order}`);
  return rows;
}

/** Customers on record whose names are so much like one that is typed that they may be the same. */
export async function customersLike(
  tx: Transaction,
  { text, except }: { text: string; except?: string | undefined },
): Promise<{ id: string; name: string }[]> {
  const typed = text.trim().toLowerCase();
  if (typed.length < 4) return [];
  const { rows } = await tx.execute<{ id: string; name: string }>(sql`
    select id, name from customer where merged_into is null and lower(name) % ${typed} and similarity(lower(name), ${typed}) > ${ALIKE} ${isId(except) ? sql`and id <> ${except}` : sql``}
    order by similarity(lower(name), ${typed}) desc, id limit 3`);
  return rows;
}
