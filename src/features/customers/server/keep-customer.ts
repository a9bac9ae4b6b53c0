import { and, eq } from 'drizzle-orm';
import { say } from '@/core/words/say';
import { violatedUnique } from '@/data/database-problem';
import { customer, customerContact } from '@/data/schema';
import { may } from '@/platform/permission';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import type { ContactInput, CorrectInput, CustomerInput } from '../customer-schema';
import '@/core/words/en/customers';

/** Who receives instruments keeps customers. Errors: Problem (403). */
export function requireKeeper({ actor }: UseCaseContext): void {
  if (!may(actor.role, 'receive')) throw new Problem(say({ code: 'customer.forbidden' }), {}, 403);
}

/** The customer's row, held until the transaction ends. Errors: Problem (404); (409) for one that was merged into another. */
export async function heldCustomer({ tx }: UseCaseContext, id: string) {
  const [row] = await tx.select().from(customer).where(eq(customer.id, id)).for('update');
  if (!row) throw new Problem(say({ code: 'customer.unknown' }), {}, 404);
  if (row.mergedInto) throw new Problem(say({ code: 'merge.gone' }), {}, 409);
  return row;
}

async function taken<T>(name: string, write: () => Promise<T>): Promise<T> {
  try {
    return await write();
  } catch (error) {
    if (violatedUnique(error) !== 'customer_name') throw error;
    throw new Problem(`${name} is a customer already: search for the name.`, { name: say({ code: 'customer.taken' }) }, 409);
  }
}

/** A new customer. Errors: Problem (403), (409) for a name that is taken. */
export async function createCustomer(context: UseCaseContext, input: CustomerInput): Promise<{ id: string; name: string }> {
  requireKeeper(context);
  const { tx, now } = context;
  const [row] = await taken(input.name, () =>
    tx
      .insert(customer)
      .values({ ...input, createdAt: now })
      .returning({ id: customer.id, name: customer.name }),
  );
  return row!;
}

const CORRECTED = [
  'name',
  'address',
  'contact',
  'email',
  'phone',
  'notes',
  'wantsReminders',
  'agreesDue',
  'rule',
  'annexBudgets',
  'annexTraces',
  'wantsCertificates',
  'language',
  'bumpEveryDays',
] as const;

/**
 * Corrects a customer. Issued documents keep what they were issued with.
 * Errors: Problem (403), (404); (409) for a name that is taken, and where somebody else corrected it since: then `fields` says of each that differs what is on record now.
 */
export async function correctCustomer(
  context: UseCaseContext,
  { customerId, version, ...input }: CorrectInput,
): Promise<{ version: number }> {
  requireKeeper(context);
  const row = await heldCustomer(context, customerId);
  if (row.version !== version) {
    const differs = CORRECTED.filter((name) => input[name] !== undefined && row[name] !== input[name]);
    if (differs.length > 0)
      throw new Problem(
        say({ code: 'customer.meanwhile' }),
        Object.fromEntries(
          differs.map((name) => [
            name,
            row[name] === ''
              ? say({ code: 'customer.isNowEmpty' })
              : say({ code: 'customer.isNow', numbers: { text: String(row[name]) } }),
          ]),
        ),
        409,
        { code: 'changedMeanwhile' },
      );
  }
  const next = row.version + 1;
  await taken(input.name, () =>
    context.tx
      .update(customer)
      .set({ ...input, version: next })
      .where(eq(customer.id, customerId)),
  );
  return { version: next };
}

/** Makes or corrects a contact. Errors: Problem (403), (404). */
export async function keepContact(context: UseCaseContext, { contactId, ...input }: ContactInput): Promise<void> {
  requireKeeper(context);
  await heldCustomer(context, input.customerId);
  const { tx, now } = context;
  if (!contactId) {
    await tx.insert(customerContact).values({ ...input, createdAt: now });
    return;
  }
  const rows = await tx
    .update(customerContact)
    .set(input)
    .where(and(eq(customerContact.id, contactId), eq(customerContact.customerId, input.customerId)))
    .returning({ id: customerContact.id });
  if (rows.length === 0) throw new Problem(say({ code: 'contact.unknown' }), {}, 404);
}

/** Takes a contact away. Errors: Problem (403), (404). */
export async function dropContact(context: UseCaseContext, { contactId }: { contactId: string }): Promise<void> {
  requireKeeper(context);
  const rows = await context.tx
    .delete(customerContact)
    .where(eq(customerContact.id, contactId))
    .returning({ id: customerContact.id });
  if (rows.length === 0) throw new Problem(say({ code: 'contact.unknown' }), {}, 404);
}
