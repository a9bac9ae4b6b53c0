import { asc, isNull, sql } from 'drizzle-orm';
import Papa from 'papaparse';
import type { Transaction } from '@/data/connection';
import { asset, customer, customerContact } from '@/data/schema';
import { listCustomers } from './list-customers';

const FIELDS = [
  'name',
  'address',
  'contact',
  'email',
  'phone',
  'wants_reminders',
  'due_agreed',
  'decision_rule',
  'annexes',
  'instruments',
  'retired',
  'why',
  'contacts',
  'notes',
  'since',
];

/** Rows of the table at most. */
const MOST_ROWS = 200_000;

/** Customers with contacts and wishes, those who ended too: all of them, or whom the list finds, in its order. Dates as ISO 8601. */
export async function customersCsv(tx: Transaction, { q, down = false }: { q?: string; down?: boolean } = {}): Promise<string> {
  const found = q?.trim()
    ? new Set((await listCustomers(tx, { q, retired: true, today: 'infinity', pageSize: MOST_ROWS })).rows.map((row) => row.id))
    : null;
  const all = await tx
    .select()
    .from(customer)
    .where(isNull(customer.mergedInto))
    .orderBy(sql`lower(${customer.name})`, customer.id);
  const rows = all.filter((row) => !found || found.has(row.id));
  if (down) rows.reverse();
  const counts = new Map(
    (
      await tx
        .select({ id: asset.customerId, n: sql<number>`count(*)::int` })
        .from(asset)
        .groupBy(asset.customerId)
    ).map(({ id, n }) => [id, n]),
  );
  const contacts = new Map<string, (typeof customerContact.$inferSelect)[]>();
  for (const one of await tx.select().from(customerContact).orderBy(asc(customerContact.createdAt), asc(customerContact.id)))
    contacts.set(one.customerId, [...(contacts.get(one.customerId) ?? []), one]);
  const line = ({ name, email, phone, purposes }: typeof customerContact.$inferSelect) =>
    [name, email, phone, purposes.join('+')].filter(Boolean).join(', ');
  return Papa.unparse(
    {
      fields: FIELDS,
      data: rows.map((one) => [
        one.name,
        one.address,
        one.contact,
        one.email,
        one.phone,
        one.wantsReminders ? 'yes' : 'no',
        one.agreesDue ? 'yes' : 'no',
        one.rule,
        [one.annexBudgets && 'budgets', one.annexTraces && 'traces'].filter(Boolean).join('+'),
        counts.get(one.id) ?? 0,
        one.retiredAt?.toISOString() ?? '',
        one.retiredWhy,
        (contacts.get(one.id) ?? []).map(line).join('; '),
        one.notes,
        one.createdAt.toISOString(),
      ]),
    },
    // A cell that begins like a formula is no formula in anybody's spreadsheet.
    { escapeFormulae: true },
  );
}
