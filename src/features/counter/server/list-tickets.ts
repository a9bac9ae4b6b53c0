import { sql, type SQL } from 'drizzle-orm';
import Papa from 'papaparse';
import type { ServiceId } from '@/core/instrument/service';
import type { Transaction } from '@/data/connection';
import { assetsBegun, CUSTOMER_TEXT, plainLike } from '@/data/find-text';
import { beyond, inOrder, type Order } from '@/data/keyset';
import type { TicketEnd, TicketStatus } from '@/data/schema';
import { isId } from '@/platform/shape';
import type { TicketState } from '../ticket-states';

/** Orders of the list: by arrival, the newest first unless said otherwise, by promise and by customer. */
export const TICKET_SORTS = ['received', 'promised', 'customer'] as const;
export type TicketSort = (typeof TICKET_SORTS)[number];
const KEYS: Record<TicketSort, SQL[]> = {
  received: [sql`t.created_at`, sql`t.code`, sql`t.id`],
  promised: [sql`coalesce(t.promise_on, 'infinity'::date)`, sql`t.id`],
  customer: [sql`lower(c.name)`, sql`c.id`, sql`t.created_at`, sql`t.id`],
};
function inState(state: TicketState): SQL {
  if (state === 'here') return sql`t.status <> 'returned'`;
  return state === 'cancelled' || state === 'uncalibrated'
    ? sql`t.ended = ${state}`
    : sql`t.status = ${state} and t.ended is null`;
}

export interface TicketRow extends Record<string, unknown> {
  id: string;
  code: string;
  receiptId: string;
  receipt: string;
  instrument: string;
  serial: string;
  customer: string;
  service: ServiceId;
  status: TicketStatus;
  ended: TicketEnd | null;
  receivedAt: string;
  promiseOn: string | null;
  returnedAt: string | null;
}

const MOST_MATCHES = 500;
/** A ticket whose code begins so, whose instrument's serial or tag begins so, or whose customer's name has it. */
function about(typed: string): SQL {
  const [begins, low] = [`${plainLike(typed.toUpperCase())}%`, `%${plainLike(typed.toLowerCase())}%`];
  const named = sql`or t.customer_id in (select id from customer c where ${CUSTOMER_TEXT} like ${low} limit ${MOST_MATCHES})`;
  return sql`(upper(t.code) like ${begins} or t.asset_id in (${assetsBegun(typed, MOST_MATCHES)}) ${typed.length < 3 ? sql`` : named})`;
}

const TABLES = sql`ticket t join receipt e on e.id = t.receipt_id join asset a on a.id = t.asset_id join instrument_model m on m.id = a.model_id join customer c on c.id = t.customer_id`;

interface Asked {
  q?: string | undefined;
  /** The last ticket of the page before. */
  after?: string | undefined;
  sort?: TicketSort;
  down?: boolean;
  state?: TicketState | undefined;
  pageSize?: number;
}

/** Tickets of all years in one of three orders, paged by the keys of the order. */
export async function listTickets(
  tx: Transaction,
  { q, after, sort = 'received', down = true, state, pageSize = 40 }: Asked,
): Promise<{ rows: TicketRow[]; next: string | null }> {
  const order: Order = { keys: KEYS[sort], down };
  const wanted = [
    q?.trim() ? about(q.trim()) : undefined,
    state ? inState(state) : undefined,
    isId(after) ? await beyond(tx, order, sql`${TABLES} where t.id = ${after}::uuid`) : undefined,
  ].filter((one) => one !== undefined);
  const { rows } = await tx.execute<TicketRow>(sql`
    select t.id, t.code, t.receipt_id as "receiptId", e.number as receipt, m.maker || ' ' || m.name as instrument, a.serial, c.name as customer, t.service, t.status, t.ended,
      to_json(e.received_at)#>>'{}' as "receivedAt", t.promise_on::text as "promiseOn", to_json(t.returned_at)#>>'{}' as "returnedAt"
    from ${TABLES} ${wanted.length ? sql`where ${sql.join(wanted, sql` and `)}` : sql``}
    order by ${inOrder(order)} limit ${pageSize + 1}`);
  return { rows: rows.slice(0, pageSize), next: rows.length > pageSize ? rows[pageSize - 1]!.id : null };
}

/** Rows of the table at most. */
const MOST_ROWS = 50_000;
/** Tickets as a table, in the list's order and choice; times in UTC. */
export async function ticketsCsv(tx: Transaction, asked: Omit<Asked, 'after' | 'pageSize'>): Promise<string> {
  const { rows } = await listTickets(tx, { ...asked, pageSize: MOST_ROWS });
  return Papa.unparse(
    {
      fields: [
        'ticket',
        'receipt',
        'instrument',
        'serial',
        'customer',
        'wish',
        'state',
        'ended',
        'received',
        'promised',
        'returned',
      ],
      data: rows.map((row) => [
        row.code,
        row.receipt,
        row.instrument,
        row.serial,
        row.customer,
        row.service,
        row.status,
        row.ended ?? '',
        new Date(row.receivedAt).toISOString(),
        row.promiseOn ?? '',
        row.returnedAt ? new Date(row.returnedAt).toISOString() : '',
      ]),
    },
    { escapeFormulae: true },
  );
}
