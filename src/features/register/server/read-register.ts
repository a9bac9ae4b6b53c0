import { eq, sql, type SQL } from 'drizzle-orm';
import Papa from 'papaparse';
import { NONCONFORMITY_KINDS, stepsMissing, type NonconformityKind } from '@/core/record/nonconformity';
import type { Transaction } from '@/data/connection';
import { plainLike } from '@/data/find-text';
import { beyond, inOrder, type Order } from '@/data/keyset';
import { asset, customer, instrumentModel, nonconformity, reference } from '@/data/schema';
import { isId } from '@/platform/shape';
import { readList, type ListAddress } from '@/ui/list/list-address';
import { stepsOf } from './keep-register';

export interface RegisterRow extends Record<string, unknown> {
  id: string;
  number: string;
  kind: NonconformityKind;
  what: string;
  openedAt: string;
  openedBy: string;
  about: string | null;
  customer: string | null;
  cause: string | null;
  lookAgainOn: string | null;
  closedAt: string | null;
}

export interface RegisterAsked {
  q?: string | undefined;
  kind?: NonconformityKind | undefined;
  open?: boolean;
  down?: boolean;
}
const KEYS: SQL[] = [sql`n.opened_at`, sql`n.number`, sql`n.id`];
const TABLES = sql`nonconformity n left join asset a on a.id = n.asset_id left join customer c on c.id = n.customer_id left join reference f on f.id = n.reference_id`;
const CAUSE = sql`(select s.choice from nonconformity_step s where s.nonconformity_id = n.id and s.step = 'cause' order by s.id desc limit 1)`;

/** The register as an address says it, and what of it the database is asked: what is open, unless somebody wants all. */
export function registerAddress(search: Record<string, string>): { list: ListAddress; asked: RegisterAsked } {
  const list = readList('/register', search, {
    sorts: ['opened'],
    filters: { kind: NONCONFORMITY_KINDS, state: ['all'] },
    down: true,
  });
  const kind = NONCONFORMITY_KINDS.find((one) => one === list.filters.kind);
  return { list, asked: { q: list.q, kind, open: list.filters.state !== 'all', down: list.down } };
}

/** Entries by their opening, paged by key. */
export async function listRegister(
  tx: Transaction,
  { q, kind, open = true, down = true, after, pageSize = 40 }: RegisterAsked & { after?: string | undefined; pageSize?: number },
): Promise<{ rows: RegisterRow[]; next: string | null }> {
  const order: Order = { keys: KEYS, down };
  const like = `%${plainLike((q ?? '').trim().toLowerCase())}%`;
  const wanted = [
    q?.trim() ? sql`lower(concat_ws(' ', n.number, n.what, a.serial, a.tag, c.name, f.name, f.lot)) like ${like}` : undefined,
    kind ? sql`n.kind = ${kind}` : undefined,
    open && !q?.trim() ? sql`n.closed_at is null` : undefined,
    isId(after) ? await beyond(tx, order, sql`${TABLES} where n.id = ${after}::uuid`) : undefined,
  ].filter((one) => one !== undefined);
  const { rows } = await tx.execute<RegisterRow>(sql`
    select n.id, n.number, n.kind, n.what, to_json(n.opened_at)#>>'{}' as "openedAt", n.opened_by as "openedBy", coalesce(a.serial, f.name || ', ' || f.lot) as about, c.name as customer,
      ${CAUSE} as cause, n.look_again_on::text as "lookAgainOn", to_json(n.closed_at)#>>'{}' as "closedAt"
    from ${TABLES} ${wanted.length ? sql`where ${sql.join(wanted, sql` and `)}` : sql``} order by ${inOrder(order)} limit ${pageSize + 1}`);
  return { rows: rows.slice(0, pageSize), next: rows.length > pageSize ? rows[pageSize - 1]!.id : null };
}

/** Rows of the table at most. */
const MOST_ROWS = 50_000;
export async function registerCsv(tx: Transaction, asked: RegisterAsked): Promise<string> {
  const { rows } = await listRegister(tx, { ...asked, pageSize: MOST_ROWS });
  return Papa.unparse(
    {
      fields: ['number', 'kind', 'what', 'about', 'customer', 'opened_at', 'opened_by', 'cause', 'look_again_on', 'closed_at'],
      data: rows.map((row) => [
        row.number,
        row.kind,
        row.what,
        row.about ?? '',
        row.customer ?? '',
        row.openedAt,
        row.openedBy,
        row.cause ?? '',
        row.lookAgainOn ?? '',
        row.closedAt ?? '',
      ]),
    },
    { escapeFormulae: true },
  );
}

/** One entry with all that was done about it. Null where there is none. */
export async function registerPage(tx: Transaction, id: string) {
  if (!isId(id)) return null;
  const [row] = await tx
    .select({
      entry: nonconformity,
      serial: asset.serial,
      maker: asset.maker,
      model: instrumentModel.name,
      customer: customer.name,
      reference: reference.name,
      lot: reference.lot,
    })
    .from(nonconformity)
    .leftJoin(asset, eq(asset.id, nonconformity.assetId))
    .leftJoin(instrumentModel, eq(instrumentModel.id, asset.modelId))
    .leftJoin(customer, eq(customer.id, nonconformity.customerId))
    .leftJoin(reference, eq(reference.id, nonconformity.referenceId))
    .where(eq(nonconformity.id, id));
  if (!row) return null;
  const steps = await stepsOf({ tx }, id);
  const taken = steps.flatMap(({ step, choice, text }) => (step === 'reopened' ? [] : [{ step, choice, text }]));
  return { ...row, steps, missing: stepsMissing(row.entry.kind, taken) };
}

export interface RegisterCount extends Record<string, unknown> {
  model: string;
  cause: string;
  n: number;
}
/** Models in the chart. */
const MOST_MODELS = 8;

/** How many entries of instruments each model has, by cause, since a day; the models with most of them. */
export async function registerCounts(tx: Transaction, since: string): Promise<RegisterCount[]> {
  const { rows } = await tx.execute<RegisterCount>(sql`
    with all_of as (
      select m.maker || ' ' || m.name as model, coalesce(${CAUSE}, '') as cause from nonconformity n join asset a on a.id = n.asset_id join instrument_model m on m.id = a.model_id where n.opened_at >= ${since}::date
    ), most as (select model, count(*) as n from all_of group by 1 order by 2 desc, 1 limit ${MOST_MODELS})
    select a.model, a.cause, count(*)::int as n from all_of a join most o on o.model = a.model group by a.model, a.cause, o.n order by o.n desc, a.model, a.cause`);
  return rows;
}
