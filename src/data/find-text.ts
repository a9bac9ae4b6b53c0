import { sql, type SQL } from 'drizzle-orm';

/**
 * A text as it is typed, for LIKE: its own wildcards stand for themselves.
 *
 * @example
 * plainLike('50%') // '50\\%'
 */
export const plainLike = (text: string): string => text.replace(/[\\%_]/g, (sign) => `\\${sign}`);

/** What a customer (alias c) is found by, as the index customer_text has it. */
export const CUSTOMER_TEXT = sql`lower(c.name || ' ' || c.contact || ' ' || c.email || ' ' || c.phone || ' ' || c.address)`;

/** Ids of instruments whose serial or tag begins so, the first of each by their order: one step into an index each, however many there are. */
export function assetsBegun(typed: string, limit: number): SQL {
  const begins = `${plainLike(typed.toUpperCase())}%`;
  return sql`(select id from asset where upper(serial) like ${begins} order by upper(serial) using ~<~ limit ${limit}) union (select id from asset where tag <> '' and upper(tag) like ${begins} order by upper(tag) using ~<~ limit ${limit})`;
}

/** Ids of instruments whose serial or tag has it somewhere; trigrams need three letters of it. */
export function assetsHaving(typed: string, limit: number): SQL {
  const part = `%${plainLike(typed)}%`;
  return sql`(select id from asset where serial ilike ${part} limit ${limit}) union (select id from asset where tag ilike ${part} limit ${limit})`;
}
