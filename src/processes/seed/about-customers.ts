import { and, asc, eq, inArray } from 'drizzle-orm';
import { format, subDays } from 'date-fns';
import type { Actor } from '@/core/record/event';
import type { Transaction } from '@/data/connection';
import { asset, customer, customerContact, instrumentModel } from '@/data/schema';
import { putAtSite } from '@/features/assets/server';
import {
  blankPerson,
  createCustomer,
  dropContact,
  keepContact,
  keepSite,
  keepTolerance,
  mergeCustomers,
  retireCustomer,
} from '@/features/customers/server';

const NEW = { address: '', contact: '', email: '', phone: '', notes: '', wantsReminders: true, agreesDue: false };

/** What happens with customers: reminders that go to somebody else than the papers, one that was entered twice, one that closed down. */
export async function aboutCustomers(tx: Transaction, actor: Actor, now: Date): Promise<void> {
  const at = (days: number) => ({ tx, actor, now: subDays(now, days) });
  const [brewery] = await tx.select({ id: customer.id }).from(customer).where(eq(customer.name, 'Grauwinkel Brewery'));
  if (brewery) {
    await keepContact(at(200), {
      customerId: brewery.id,
      name: 'Laurin Beck',
      email: 'safety-office@grauwinkel.example',
      phone: '+00 555 0142',
      purposes: ['reminders', 'calls'],
    });
    const twice = await createCustomer(at(9), {
      ...NEW,
      name: 'Grauwinckel Brewry',
      contact: 'Edda Rohmer',
      notes: 'taken down by telephone',
    });
    await mergeCustomers(at(0), { stays: brewery.id, gone: twice.id, why: 'entered twice' });
  }
  const closed = await createCustomer(at(500), {
    ...NEW,
    name: 'Old Lime Works',
    address: 'Kiln Road 1, Port Ambrel',
    email: 'kiln@lime.example',
  });
  await retireCustomer(at(60), { customerId: closed.id, why: 'works closed in the autumn' });
  await aboutTheYard(tx, at);
}

/** A yard with three places for its instruments, a contact who left and one who asked to be forgotten. */
async function aboutTheYard(tx: Transaction, at: (days: number) => { tx: Transaction; actor: Actor; now: Date }): Promise<void> {
  const [yard] = await tx.select({ id: customer.id }).from(customer).where(eq(customer.name, 'Ambrel Ship Repair Yard'));
  if (!yard) return;
  const sites: string[] = [];
  for (const [name, address] of [
    ['Dry dock', 'North quay, gate 2'],
    ['Slipway', 'North quay, gate 4'],
    ['Gate store', ''],
  ] as const)
    sites.push((await keepSite(at(120), { customerId: yard.id, name, address })).id);
  const theirs = await tx
    .select({ id: asset.id })
    .from(asset)
    .where(eq(asset.customerId, yard.id))
    .orderBy(asc(asset.serial), asc(asset.id));
  // The third has none yet, and some instruments are at none: so it is in life.
  for (const [index, { id: assetId }] of theirs.entries())
    if (index % 3 < 2) await putAtSite(at(100), { assetId, siteId: sites[index % 3]! });
  const contact = { customerId: yard.id, email: '', phone: '', purposes: [] };
  for (const name of ['Jorun Abt', 'Milo Sand']) await keepContact(at(300), { ...contact, name });
  const gone = await tx
    .select({ id: customerContact.id })
    .from(customerContact)
    .where(and(eq(customerContact.customerId, yard.id), inArray(customerContact.name, ['Jorun Abt', 'Milo Sand'])))
    .orderBy(asc(customerContact.name));
  await dropContact(at(30), { contactId: gone[0]!.id });
  await blankPerson(at(10), { customerId: yard.id, contactId: gone[1]!.id, why: 'asked for it when he left' });
}

/** Ponds need less than the maker states: agreed before anything of theirs was judged. */
export async function agreedEarly(tx: Transaction, actor: Actor, now: Date): Promise<void> {
  // One across the border, whose papers are German.
  await tx.update(customer).set({ language: 'de' }).where(eq(customer.name, 'Cold Lane Ice Rink'));
  const [found] = await tx
    .select({ customerId: asset.customerId, modelId: asset.modelId })
    .from(asset)
    .innerJoin(customer, eq(customer.id, asset.customerId))
    .innerJoin(instrumentModel, eq(instrumentModel.id, asset.modelId))
    .where(and(eq(customer.name, 'Saltmarsh Trout Hatchery'), eq(instrumentModel.name, 'SM-20')))
    .limit(1);
  if (!found) return;
  await keepTolerance(
    { tx, actor, now },
    {
      ...found,
      role: 'do',
      tolerance: { absolute: '0.5' },
      agreedOn: format(now, 'yyyy-MM-dd'),
      agreedWith: 'letter of the hatchery’s master, filed with the order',
    },
  );
}
