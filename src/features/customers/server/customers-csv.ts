import { asc, isNull, sql } from 'drizzle-orm';
import Papa from 'papaparse';
import type { Transaction } from '@/data/connection';
import { asset, customer, customerContact } from '@/data/schema';

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

/** Every customer with contacts and wishes: a table for whoever wants it elsewhere. Dates as ISO 8601. */
export async function customersCsv(tx: Transaction): Promise<string> {
  const rows = await tx
    .select()
    .from(customer)
    .where(isNull(customer.mergedInto))
    .orderBy(sql`lower(${customer.name})`, customer.id);
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
