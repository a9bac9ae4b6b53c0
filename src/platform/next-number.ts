import { sql } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';

/** The next number of a kind and year, without gaps: the counter's row stays locked until the transaction ends, and a rollback gives it back. */
export async function nextNumber(
  tx: Transaction,
  kind: 'receipt' | 'ticket' | 'certificate' | 'notCalibrated' | 'withdrawal' | 'issue' | 'handedBack' | 'offer',
  year: number,
): Promise<number> {
  const result = await tx.execute<{ last: number }>(sql`
    insert into number_counter (kind, year, last) values (${kind}, ${year}, 1)
    on conflict (kind, year) do update set last = number_counter.last + 1 returning last`);
  return result.rows[0]!.last;
}
