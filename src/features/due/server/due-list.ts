import { addDays, addMonths, endOfMonth, format, parseISO, startOfMonth } from 'date-fns';
import { and, desc, eq, gte, isNotNull, lte, sql } from 'drizzle-orm';
import type { Database, Transaction } from '@/data/connection';
import { plainLike } from '@/data/find-text';
import { asset, customer, instrumentModel } from '@/data/schema';
import { isId } from '@/platform/shape';

export type DueWindow = 'overdue' | 'thisMonth' | 'nextMonth' | 'all';
/** A window as an address names it; what is overdue where it names none. */
export const windowOf = (text: string | undefined): DueWindow =>
  (['overdue', 'thisMonth', 'nextMonth', 'all'] as const).find((one) => one === text) ?? 'overdue';

export interface DueQuery {
  window: DueWindow;
  today: string;
  customerId?: string | undefined;
  after?: string | undefined;
  /** The latest first. */
  down?: boolean;
  pageSize?: number;
}

const iso = (date: Date) => format(date, 'yyyy-MM-dd');

/** First and last due date of a window, both included. */
export function dueRange(window: DueWindow, today: string): { from: string | null; to: string | null } {
  const now = parseISO(today);
  if (window === 'overdue') return { from: null, to: iso(addDays(now, -1)) };
  if (window === 'thisMonth') return { from: today, to: iso(endOfMonth(now)) };
  if (window === 'nextMonth') return { from: iso(startOfMonth(addMonths(now, 1))), to: iso(endOfMonth(addMonths(now, 1))) };
  return { from: null, to: null };
}

/** One page of what is due, by date, paged by key: the cost grows with the page, not with the table. */
export async function dueList(
  tx: Transaction | Database,
  { window, today, customerId, after, down = false, pageSize = 40 }: DueQuery,
) {
  const { from, to } = dueRange(window, today);
  const [date, id] = (after ?? '').split('~');
  const key =
    /^\d{4}-\d{2}-\d{2}$/.test(date ?? '') && isId(id)
      ? sql`(${asset.nextDue}, ${asset.id}) ${sql.raw(down ? '<' : '>')} (${date}::date, ${id}::uuid)`
      : undefined;
  // A statement a shape, planned once a connection: planning two joins costs as much as reading a page.
  const shape = [from, to, customerId, key, down].map((part) => (part ? '1' : '0')).join('');
  const rows = await tx
    .select({
      id: asset.id,
      nextDue: asset.nextDue,
      basis: asset.dueBasis,
      maker: asset.maker,
      model: instrumentModel.name,
      serial: asset.serial,
      tag: asset.tag,
      customerId: customer.id,
      customer: customer.name,
      wantsReminders: customer.wantsReminders,
    })
    .from(asset)
    .innerJoin(instrumentModel, eq(asset.modelId, instrumentModel.id))
    .innerJoin(customer, eq(asset.customerId, customer.id))
    .where(
      and(
        isNotNull(asset.nextDue),
        eq(asset.status, 'inUse'),
        from ? gte(asset.nextDue, from) : undefined,
        to ? lte(asset.nextDue, to) : undefined,
        customerId ? eq(asset.customerId, customerId) : undefined,
        key,
      ),
    )
    .orderBy(...(down ? [desc(asset.nextDue), desc(asset.id)] : [asset.nextDue, asset.id]))
    .limit(pageSize + 1)
    .prepare(`due_list_${shape}`)
    .execute();
  const page = rows.slice(0, pageSize);
  const last = page.at(-1);
  return { rows: page, next: rows.length > pageSize && last ? `${last.nextDue}~${last.id}` : null };
}

/** Counted no further than this: more is "more", and costs no more. */
const MOST_COUNTED = 1000;

/** How many stand in each window, up to one more than are counted: for the tabs. */
export async function dueCounts(tx: Transaction, today: string, customerId?: string): Promise<Record<DueWindow, number>> {
  const count = async (window: DueWindow) => {
    const { from, to } = dueRange(window, today);
    const some = tx
      .select({ one: sql`1` })
      .from(asset)
      .where(
        and(
          isNotNull(asset.nextDue),
          eq(asset.status, 'inUse'),
          from ? gte(asset.nextDue, from) : undefined,
          to ? lte(asset.nextDue, to) : undefined,
          customerId ? eq(asset.customerId, customerId) : undefined,
        ),
      )
      .limit(MOST_COUNTED + 1)
      .as('some');
    const [row] = await tx.select({ n: sql<number>`count(*)::int` }).from(some);
    return row!.n;
  };
  return {
    overdue: await count('overdue'),
    thisMonth: await count('thisMonth'),
    nextMonth: await count('nextMonth'),
    all: await count('all'),
  };
}

/** Whose list it is. */
export async function nameOfCustomer(tx: Transaction, id: string): Promise<string | null> {
  const [row] = await tx.select({ name: customer.name }).from(customer).where(eq(customer.id, id));
  return row?.name ?? null;
}

/** Customers with anything due, by what is typed of their name: one look into the index for each that matches. */
export async function customersWithDue(tx: Transaction, typed: string) {
  return tx
    .select({ id: customer.id, name: customer.name })
    .from(customer)
    .where(
      sql`lower(${customer.name}) like ${`%${plainLike(typed.trim().toLowerCase())}%`} and ${customer.mergedInto} is null
        and exists (select from asset a where a.customer_id = ${customer.id} and a.next_due is not null and a.status = 'inUse')`,
    )
    .orderBy(sql`lower(${customer.name})`, customer.id)
    .limit(8);
}
