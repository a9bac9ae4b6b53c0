import { sql } from 'drizzle-orm';
import { numberBy, type NumberSeries } from '@/core/paper/number-pattern';
import type { Transaction } from '@/data/connection';
import { dateIn } from './clock';
import { readSettings } from './settings';

/** The next count of a kind and year, without gaps: the counter's row stays locked until the transaction ends, and a rollback gives it back. */
export async function nextCount(tx: Transaction, kind: NumberSeries | 'issue', year: number): Promise<number> {
  const result = await tx.execute<{ last: number }>(sql`
    insert into number_counter (kind, year, last) values (${kind}, ${year}, 1)
    on conflict (kind, year) do update set last = number_counter.last + 1 returning last`);
  return result.rows[0]!.last;
}

export interface Numbered {
  year: number;
  count: number;
  number: string;
}

/** The next number of a series, as the workshop's pattern prints it, in the year that it is at the workshop. A pattern that is changed changes no number that was given, and the count goes on. */
export async function nextNumber({ tx, now }: { tx: Transaction; now: Date }, series: NumberSeries): Promise<Numbered> {
  const { zone, numbers } = await readSettings(tx);
  const year = Number(dateIn(zone, now).slice(0, 4));
  const count = await nextCount(tx, series, year);
  return { year, count, number: numberBy(numbers[series], { year, n: count }) };
}
