import { sql } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';

/** What a row says of its bottle, and not of one gas in it: all rows of a lot say the same, or nothing. */
const OF_THE_BOTTLE = ['name', 'supplier', 'certificate', 'issuer', 'traceability', 'expires', 'waterVolume', 'pressure'];

/** A lot that stands on the shelf is left as it is; one whose rows contradict each other, or of which a row is bad, is not taken at all: half a bottle is none. */
export async function findBottles(tx: Transaction, batchId: string): Promise<void> {
  await tx.execute(sql`update import_row r set verdict = 'there' from reference f
    where r.batch_id = ${batchId} and f.kind = 'gas' and upper(f.lot) = upper(r.given->>'lot')`);
  for (const field of OF_THE_BOTTLE)
    await tx.execute(sql`update import_row r set problems = problems || jsonb_build_array(jsonb_build_object('code', 'lotDiffers', 'field', ${field}::text, 'numbers', jsonb_build_object('line', d.first)))
      from (select line, given->>${field}::text as text, first_value(line) over lot as first, first_value(given->>${field}::text) over lot as said
        from import_row where batch_id = ${batchId} and given->>'lot' is not null and given->>${field}::text is not null window lot as (partition by upper(given->>'lot') order by line)) d
      where r.batch_id = ${batchId} and r.line = d.line and d.text <> d.said`);
  await tx.execute(sql`update import_row r set problems = jsonb_build_array(jsonb_build_object('code', 'lotBad', 'field', 'lot'))
    from (select upper(given->>'lot') as lot from import_row where batch_id = ${batchId} group by 1 having count(*) filter (where jsonb_array_length(problems) > 0) > 0) d
    where r.batch_id = ${batchId} and upper(r.given->>'lot') = d.lot and jsonb_array_length(r.problems) = 0`);
}
