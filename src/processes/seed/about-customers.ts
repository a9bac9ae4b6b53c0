import { eq } from 'drizzle-orm';
import { subDays } from 'date-fns';
import type { Actor } from '@/core/record/event';
import type { Transaction } from '@/data/connection';
import { customer } from '@/data/schema';
import { createCustomer, keepContact, mergeCustomers, retireCustomer } from '@/features/customers/server';

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
}
