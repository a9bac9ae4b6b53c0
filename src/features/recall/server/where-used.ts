import { sql, type SQL } from 'drizzle-orm';
import Papa from 'papaparse';
import type { VerdictState } from '@/core/record/judgement';
import type { Transaction } from '@/data/connection';
import { beyond, inOrder, type Order } from '@/data/keyset';
import { isId } from '@/platform/shape';
import { readList, type ListAddress } from '@/ui/list/list-address';

export const TRACE_KINDS = ['reference', 'lot', 'procedure', 'technician', 'firmware'] as const;
export type TraceKind = (typeof TRACE_KINDS)[number];

/** What is followed forward, and between which days (in the workshop's zone, both counted). */
export interface TraceAsked {
  what: TraceKind;
  of: string;
  from?: string | undefined;
  to?: string | undefined;
  down?: boolean;
}

export interface TraceRow extends Record<string, unknown> {
  runId: string;
  at: string;
  technician: string;
  assetId: string;
  serial: string;
  item: string;
  customerId: string;
  customer: string;
  asFound: VerdictState;
  asLeft: VerdictState;
  certificateId: string | null;
  number: string | null;
  withdrawn: boolean;
}

const DAY = /^\d{4}-\d{2}-\d{2}$/;
const dayOf = (text: string | undefined) => (text && DAY.test(text) ? text : undefined);

/** A forward trace as its address says it. */
export function traceAddress(search: Record<string, string>): { list: ListAddress; asked: TraceAsked | null } {
  const list = readList('/trace', search, { sorts: ['used'], down: true });
  const what = TRACE_KINDS.find((one) => one === search.what);
  const [of, from, to] = [(search.of ?? '').trim(), dayOf(search.from), dayOf(search.to)];
  const asked = what && of ? { what, of, from, to, down: list.down } : null;
  return { list: { ...list, filters: asked ? { what: asked.what, of, from: from ?? '', to: to ?? '' } : {} }, asked };
}

/** Runs that rest on it: their ids and when, by the index that has both. */
function runsOf({ what, of, from, to }: TraceAsked, zone: string): SQL {
  const between = (at: SQL) =>
    sql`${from ? sql` and ${at} >= (${from}::date)::timestamp at time zone ${zone}` : sql``}${
      to ? sql` and ${at} < (${to}::date + 1)::timestamp at time zone ${zone}` : sql``
    }`;
  switch (what) {
    case 'reference':
      return isId(of)
        ? sql`select u.run_id, u.at from run_reference u where u.reference_id = ${of}::uuid${between(sql`u.at`)}`
        : sql`select null::uuid as run_id, null::timestamptz as at where false`;
    case 'lot':
      return sql`select u.run_id, min(u.at) as at from run_reference u join reference f on f.id = u.reference_id where upper(f.lot) = upper(${of})${between(sql`u.at`)} group by u.run_id`;
    case 'procedure': {
      const [, id, version] = /^(.+)\/(\d{1,6})$/.exec(of) ?? [null, of, null];
      return sql`select r.id as run_id, r.created_at as at from run r where r.procedure_id = ${id}${version ? sql` and r.procedure_version = ${Number(version)}` : sql``}${between(sql`r.created_at`)}`;
    }
    case 'firmware':
      return sql`select t.run_id, min(t.from_at) as at from run_trace t where upper(t.firmware) = upper(${of}) and t.firmware <> ''${between(sql`t.from_at`)} group by t.run_id`;
    case 'technician':
      return sql`select s.run_id, s.started_at as at from run_summary s where s.technician = ${of}${between(sql`s.started_at`)}`;
  }
}

/** What is followed, as people call it. */
export async function nameOfTraced(tx: Transaction, { what, of }: TraceAsked): Promise<string> {
  if (what !== 'reference' || !isId(of)) return of;
  const { rows } = await tx.execute<{ name: string }>(
    sql`select name || ', ' || lot as name from reference where id = ${of}::uuid`,
  );
  return rows[0]?.name ?? of;
}

const KEYS: SQL[] = [sql`u.at`, sql`u.run_id`];
const tables = (asked: TraceAsked, zone: string) =>
  sql`(${runsOf(asked, zone)}) u join run_summary s on s.run_id = u.run_id and not s.practice`;
/** The newest document of a run; withdrawals are documents of their own. */
const NEWEST = sql`lateral (select d.id, d.number, d.customer_id, exists (select 1 from certificate w where w.withdraws = d.id) as withdrawn from certificate d where d.run_id = u.run_id and d.withdraws is null order by d.revision desc limit 1) d on true`;

/** Runs that rest on something, paged by when they used it. Practice is left out. */
export async function whereUsed(
  tx: Transaction,
  asked: TraceAsked & { zone: string; after?: string | undefined; pageSize?: number },
): Promise<{ rows: TraceRow[]; next: string | null }> {
  const { zone, after, pageSize = 40, down = true } = asked;
  const order: Order = { keys: KEYS, down };
  const from = isId(after) ? await beyond(tx, order, sql`${tables(asked, zone)} where u.run_id = ${after}::uuid`) : undefined;
  const { rows } = await tx.execute<TraceRow>(sql`
    select u.run_id as "runId", to_json(u.at)#>>'{}' as at, s.technician, a.id as "assetId", a.serial, a.maker || ' ' || m.name as item, k.id as "customerId", k.name as customer,
      s.as_found as "asFound", s.as_left as "asLeft", d.id as "certificateId", d.number, coalesce(d.withdrawn, false) as withdrawn
    from (select u.at, u.run_id, s.technician, s.asset_id, s.customer_id, s.as_found, s.as_left from ${tables(asked, zone)} ${from ? sql`where ${from}` : sql``} order by ${inOrder(order)} limit ${pageSize + 1}) s(at, run_id, technician, asset_id, customer_id, as_found, as_left)
    cross join lateral (select s.at, s.run_id) u
    join asset a on a.id = s.asset_id join instrument_model m on m.id = a.model_id join customer k on k.id = s.customer_id left join ${NEWEST}
    order by ${inOrder(order)}`);
  return { rows: rows.slice(0, pageSize), next: rows.length > pageSize ? rows[pageSize - 1]!.runId : null };
}

export interface TraceCounts extends Record<string, unknown> {
  runs: number;
  instruments: number;
  customers: number;
  documents: number;
}

/** How much rests on it. */
export async function countUsed(tx: Transaction, asked: TraceAsked & { zone: string }): Promise<TraceCounts> {
  const { rows } = await tx.execute<TraceCounts>(sql`
    select count(*)::int as runs, count(distinct s.asset_id)::int as instruments, count(distinct s.customer_id)::int as customers,
      (count(*) filter (where exists (select 1 from certificate d where d.run_id = u.run_id)))::int as documents from ${tables(asked, asked.zone)}`);
  return rows[0]!;
}

/** Rows of the table at most. */
const MOST_ROWS = 100_000;
export async function whereUsedCsv(tx: Transaction, asked: TraceAsked & { zone: string }): Promise<string> {
  const { rows } = await whereUsed(tx, { ...asked, pageSize: MOST_ROWS });
  return Papa.unparse(
    {
      fields: ['used', 'maker_model', 'serial', 'customer', 'technician', 'as_found', 'as_left', 'document', 'withdrawn'],
      data: rows.map((row) => [
        row.at,
        row.item,
        row.serial,
        row.customer,
        row.technician,
        row.asFound,
        row.asLeft,
        row.number ?? '',
        row.withdrawn ? 'yes' : 'no',
      ]),
    },
    { escapeFormulae: true },
  );
}
