import { sql, type SQL } from 'drizzle-orm';
import type { StatusId } from '@/core/results/instrument-status';
import type { Transaction } from '@/data/connection';
import { assetsBegun, assetsHaving, CUSTOMER_TEXT, plainLike } from '@/data/find-text';
import { beyond, inOrder, type Order } from '@/data/keyset';
import { isId } from '@/platform/shape';

/** Orders of the list, the usual one first. Without a due date, or a tag, stands after all that have one. */
export const ASSET_SORTS = ['serial', 'tag', 'instrument', 'kind', 'customer', 'due'] as const;
export type AssetSort = (typeof ASSET_SORTS)[number];
const KEYS: Record<AssetSort, SQL[]> = {
  serial: [sql`a.serial`, sql`a.id`],
  instrument: [sql`lower(m.maker)`, sql`lower(m.name)`, sql`m.id`, sql`a.serial`, sql`a.id`],
  tag: [sql`(a.tag = '')`, sql`a.tag`, sql`a.id`],
  kind: [sql`lower(m.kind)`, sql`m.id`, sql`a.serial`, sql`a.id`],
  customer: [sql`lower(c.name)`, sql`c.id`, sql`a.serial`, sql`a.id`],
  due: [sql`coalesce(a.next_due, 'infinity'::date)`, sql`a.id`],
};

export interface AssetRow extends Record<string, unknown> {
  id: string;
  serial: string;
  tag: string;
  maker: string;
  model: string;
  kind: string;
  customer: string;
  site: string | null;
  nextDue: string | null;
  status: StatusId;
  statusSince: string | null;
  bumpedAt: string | null;
  bumpPassed: boolean | null;
}

/** As many are looked at by each way of matching; whoever finds more types more. */
const MOST_MATCHES = 2000;
/** Instruments whose serial, tag, model, site or customer has the text in it: each by an index of its own, so that what is rare is found as fast in a large house. */
const matching = (typed: string) => {
  const low = `%${plainLike(typed.toLowerCase())}%`;
  const codes = assetsBegun(typed, MOST_MATCHES);
  // Trigrams need three letters: with fewer only a beginning is looked for.
  if (typed.length < 3) return codes;
  return sql`${codes}
  union ${assetsHaving(typed, MOST_MATCHES)}
  union (select a.id from instrument_model m join asset a on a.model_id = m.id where lower(m.maker || ' ' || m.name || ' ' || m.kind) like ${low} limit ${MOST_MATCHES})
  union (select a.id from customer_site s join asset a on a.site_id = s.id where lower(s.name) like ${low} limit ${MOST_MATCHES})
  union (select a.id from customer c join asset a on a.customer_id = c.id where ${CUSTOMER_TEXT} like ${low} limit ${MOST_MATCHES})`;
};

interface Asked {
  q?: string | undefined;
  /** The last instrument of the page before. */
  after?: string | undefined;
  sort?: AssetSort;
  down?: boolean;
  status?: StatusId | undefined;
  pageSize?: number;
}

/** What of the list is asked for, the page left out. */
export type AssetAsked = Omit<Asked, 'after' | 'pageSize'>;

const TABLES = sql`asset a join instrument_model m on m.id = a.model_id join customer c on c.id = a.customer_id left join customer_site s on s.id = a.site_id`;

/** Instruments by serial, tag, maker, model or customer, in one of six orders; paged by the keys of the order. */
export async function listAssets(
  tx: Transaction,
  { q, after, sort = 'serial', down = false, status, pageSize = 40 }: Asked,
): Promise<{ rows: AssetRow[]; next: string | null }> {
  const order: Order = { keys: KEYS[sort], down };
  const wanted = [
    // As an array: the planner would else take so many for most of the table, and read all of it.
    q?.trim() ? sql`a.id = any(array(${matching(q.trim())}))` : undefined,
    status ? sql`a.status = ${status}` : undefined,
    isId(after) ? await beyond(tx, order, sql`${TABLES} where a.id = ${after}::uuid`) : undefined,
  ].filter((one) => one !== undefined);
  const { rows } = await tx.execute<AssetRow>(sql`
    select a.id, a.serial, a.tag, a.maker, m.name as model, m.kind, c.name as customer, s.name as site, a.next_due::text as "nextDue", a.status,
      a.status_since as "statusSince", a.bumped_at as "bumpedAt", a.bump_passed as "bumpPassed"
    from ${TABLES} ${wanted.length ? sql`where ${sql.join(wanted, sql` and `)}` : sql``}
    order by ${inOrder(order)} limit ${pageSize + 1}`);
  return { rows: rows.slice(0, pageSize), next: rows.length > pageSize ? rows[pageSize - 1]!.id : null };
}
