import { addDays, subHours } from 'date-fns';
import { asc, eq, sql } from 'drizzle-orm';
import { mondayOf } from '@/core/booking/week-load';
import type { Actor } from '@/core/record/event';
import type { Database, Transaction } from '@/data/connection';
import { asset, customer, customerContact, windowLink } from '@/data/schema';
import { announce, bookable } from '@/features/bookings/server';
import { keepContact } from '@/features/customers/server';
import { doWindowRequest } from '@/features/window/server';
import { dateIn } from '@/platform/clock';
import { digestOf, newSecret } from '@/platform/secret';
import { readSettings } from '@/platform/settings';
import { atWindow } from '@/platform/window-door';

type As = <T>(actor: Actor, work: (tx: Transaction) => Promise<T>) => Promise<T>;
/** Customers who announce instruments, by how many and in how many days. */
const ANNOUNCED: [days: number, week: boolean, many: number][] = [
  [0, false, 2],
  [1, false, 4],
  [7, true, 9],
  [8, false, 5],
  [16, false, 3],
];

/** Customers announce instruments; the largest has people at its window, one who books and reports and one who only looks, and two reports that wait for the counter. */
export async function atTheWindow(db: Database, as: As, counter: Actor, now: Date): Promise<void> {
  const owners = await db
    .select({ id: customer.id, name: customer.name })
    .from(customer)
    .where(sql`${customer.retiredAt} is null`)
    .orderBy(sql`(select count(*) from ${asset} a where a.customer_id = ${customer.id}) desc`, asc(customer.name))
    .limit(ANNOUNCED.length + 1);
  const [largest, ...others] = owners;
  await as(counter, async (tx) => {
    const context = { tx, actor: counter, now };
    const { zone } = await readSettings(tx);
    for (const [index, [days, week, many]] of ANNOUNCED.entries()) {
      const owner = others[index] ?? largest!;
      // A day of the workshop's: an hour before midnight by UTC it is tomorrow there.
      const day = dateIn(zone, addDays(now, days));
      const assetIds = (await bookable(tx, owner.id))
        .filter((one) => !one.booked)
        .slice(0, many)
        .map((one) => one.id);
      if (assetIds.length)
        await announce(context, {
          customerId: owner.id,
          arrivesOn: week ? mondayOf(day) : day,
          wholeWeek: week,
          contact: '',
          note: '',
          assetIds,
          over: true,
        });
    }
    const person = (name: string, email: string, purposes: ('window' | 'windowActs')[]) =>
      keepContact(context, { customerId: largest!.id, name, email, phone: '', purposes });
    await person('Ilka Thorn', 'ilka.thorn@window.example', ['windowActs']);
    await person('Piet Loos', 'piet.loos@window.example', ['window']);
  });
  const [acts] = await db.select().from(customerContact).where(eq(customerContact.email, 'ilka.thorn@window.example'));
  const [link, secret] = [newSecret(), newSecret()];
  await as(counter, (tx) =>
    tx
      .insert(windowLink)
      .values({ digest: digestOf(link), contactId: acts!.id, madeAt: subHours(now, 2), until: addDays(now, 1) }),
  );
  await db.execute(sql`select window_enter(${link}, ${secret})`);
  const send = async (kind: string, what: object) => {
    const id = await atWindow(
      secret,
      async (tx) =>
        (await tx.execute<{ id: string }>(sql`select window_send(${kind}, ${JSON.stringify(what)}::jsonb) as id`)).rows[0]!.id,
    );
    await doWindowRequest(db, id!, now);
  };
  const mine = await db
    .select({ id: asset.id })
    .from(asset)
    .where(sql`${asset.customerId} = ${largest!.id} and ${asset.status} = 'inUse' and ${asset.part} = 'body'`)
    .orderBy(asc(asset.serial))
    .limit(5);
  const [bumped, faulty, sold, failed] = mine;
  await send('bump', { assetId: bumped!.id, passed: true, outputs: ['sound', 'light', 'vibration'], note: '' });
  if (failed) await send('bump', { assetId: failed.id, passed: false, outputs: ['light'], note: 'The horn is silent' });
  if (faulty) await send('fault', { assetId: faulty.id, text: 'The display goes dark when the pump starts.' });
  if (sold) await send('gone', { assetId: sold.id, what: 'sold', text: 'To the tug company next door.' });
  await atWindow(secret, (tx) => tx.execute(sql`select window_leave()`));
}
