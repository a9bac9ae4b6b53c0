import { sql, type SQL } from 'drizzle-orm';
import Papa from 'papaparse';
import type { VerdictState } from '@/core/record/judgement';
import type { Transaction } from '@/data/connection';
import { assetsBegun, CUSTOMER_TEXT, plainLike } from '@/data/find-text';
import { beyond, inOrder, type Order } from '@/data/keyset';
import type { certificate } from '@/data/schema';
import { isId } from '@/platform/shape';

/** Orders of the list: by the time of issue, the newest first unless said otherwise, by number and by customer. */
export const CERTIFICATE_SORTS = ['issued', 'number', 'customer'] as const;
export type CertificateSort = (typeof CERTIFICATE_SORTS)[number];
const KEYS: Record<CertificateSort, SQL[]> = {
  issued: [sql`d.issued_at`, sql`d.id`],
  number: [sql`d.number`, sql`d.revision`, sql`d.id`],
  customer: [sql`lower(c.name)`, sql`c.id`, sql`d.issued_at`, sql`d.id`],
};

type Kind = (typeof certificate.$inferSelect)['kind'];
export interface CertificateRow extends Record<string, unknown> {
  id: string;
  number: string;
  revision: number;
  kind: Kind;
  issuedAt: string;
  serial: string;
  maker: string;
  model: string;
  customer: string;
  asFound: VerdictState;
  asLeft: VerdictState;
  replacedBy: string | null;
}

/** As many instruments or customers are looked at for what is typed; whoever finds more types more. */
const MOST_MATCHES = 500;
/** A document whose number begins so, whose instrument's serial or tag begins so, or whose customer's name has it. */
function about(typed: string): SQL {
  const [begins, low] = [`${plainLike(typed.toUpperCase())}%`, `%${plainLike(typed.toLowerCase())}%`];
  const named = sql`or d.customer_id in (select id from customer c where ${CUSTOMER_TEXT} like ${low} limit ${MOST_MATCHES})`;
  return sql`(d.number like ${begins} or d.asset_id in (${assetsBegun(typed, MOST_MATCHES)}) ${typed.length < 3 ? sql`` : named})`;
}

const TABLES = sql`certificate d join asset a on a.id = d.asset_id join instrument_model m on m.id = a.model_id join customer c on c.id = d.customer_id join run_summary r on r.run_id = d.run_id`;

interface Asked {
  q?: string | undefined;
  /** The last document of the page before. */
  after?: string | undefined;
  sort?: CertificateSort;
  down?: boolean;
  kind?: Kind | undefined;
  /** Only documents of instruments that were outside as they came. */
  outside?: boolean;
  pageSize?: number;
}

/** What of the list is asked for, the page left out. */
export type CertificateAsked = Omit<Asked, 'after' | 'pageSize'>;

/** Issued documents, in one of three orders, paged by the keys of the order. */
export async function listCertificates(
  tx: Transaction,
  { q, after, sort = 'issued', down = true, kind, outside = false, pageSize = 30 }: Asked,
): Promise<{ rows: CertificateRow[]; next: string | null }> {
  const order: Order = { keys: KEYS[sort], down };
  const wanted = [
    q?.trim() ? about(q.trim()) : undefined,
    kind ? sql`d.kind = ${kind}` : undefined,
    outside ? sql`r.as_found = 'outside'` : undefined,
    isId(after) ? await beyond(tx, order, sql`${TABLES} where d.id = ${after}::uuid`) : undefined,
  ].filter((one) => one !== undefined);
  const { rows } = await tx.execute<CertificateRow>(sql`
    select d.id, d.number, d.revision, d.kind, to_json(d.issued_at)#>>'{}' as "issuedAt", a.serial, a.maker, m.name as model, c.name as customer,
      r.as_found as "asFound", r.as_left as "asLeft", (select n.id from certificate n where n.replaces = d.id) as "replacedBy"
    from ${TABLES} ${wanted.length ? sql`where ${sql.join(wanted, sql` and `)}` : sql``}
    order by ${inOrder(order)} limit ${pageSize + 1}`);
  return { rows: rows.slice(0, pageSize), next: rows.length > pageSize ? rows[pageSize - 1]!.id : null };
}

/** Rows of the table at most. */
const MOST_ROWS = 50_000;
/** Documents as a table, in the list's order and choice; times in UTC. */
export async function certificatesCsv(tx: Transaction, asked: CertificateAsked = {}): Promise<string> {
  const { rows } = await listCertificates(tx, { ...asked, pageSize: MOST_ROWS });
  return Papa.unparse(
    {
      fields: ['number', 'revision', 'kind', 'issued', 'maker', 'model', 'serial', 'customer', 'as_found', 'as_left', 'replaced'],
      data: rows.map((row) => [
        row.number,
        row.revision,
        row.kind,
        new Date(row.issuedAt).toISOString(),
        row.maker,
        row.model,
        row.serial,
        row.customer,
        row.asFound,
        row.asLeft,
        row.replacedBy ? 'yes' : 'no',
      ]),
    },
    { escapeFormulae: true },
  );
}
