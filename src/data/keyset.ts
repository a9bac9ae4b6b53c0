import { sql, type SQL } from 'drizzle-orm';
import type { Transaction } from './connection';

/** An order of a list: its keys, the last of them different in every row, so that a page begins where the one before ended. */
export interface Order {
  keys: readonly SQL[];
  down: boolean;
}

/** `order by` of an order. */
export const inOrder = ({ keys, down }: Order): SQL =>
  sql.join(
    keys.map((key) => (down ? sql`${key} desc` : key)),
    sql`, `,
  );

/**
 * The rows beyond one of them: its keys are read first and then compared as values, so that an index in this order is entered at the right place.
 * Nothing, if that row is no longer there: then the list begins anew.
 *
 * @param from the tables that the keys speak of, with the condition that finds the one row
 */
export async function beyond(tx: Transaction, { keys, down }: Order, from: SQL): Promise<SQL | undefined> {
  // As text: a time of day would else lose its millionths of a second on the way.
  const read = sql.join(
    keys.map(
      (key, index) =>
        sql`(${key})::text as ${sql.identifier(`k${index}`)}, pg_typeof(${key})::text as ${sql.identifier(`t${index}`)}`,
    ),
    sql`, `,
  );
  const { rows } = await tx.execute<Record<string, string>>(sql`select ${read} from ${from}`);
  const [row] = rows;
  if (!row) return undefined;
  const values = keys.map((_key, index) => sql`${row[`k${index}`]}::${sql.raw(row[`t${index}`]!)}`);
  return sql`(${sql.join([...keys], sql`, `)}) ${sql.raw(down ? '<' : '>')} (${sql.join(values, sql`, `)})`;
}
