import { addMinutes, subHours } from 'date-fns';
import { and, count, eq, gt, isNull, sql } from 'drizzle-orm';
import type { Database } from '@/data/connection';
import { customer, customerContact, windowLink } from '@/data/schema';
import { asActor } from '@/platform/as-actor';
import { BY_ITSELF } from '@/platform/by-itself';
import { digestOf, newSecret } from '@/platform/secret';
import { checkOrigin } from '@/platform/check-origin';
import { greet, letterWriter, signedBy } from '@/platform/letter-text';
import { hostOf, putMails } from '@/platform/put-mail';
import { readSettings } from '@/platform/settings';
import { dayTime } from '@/ui/format';

/** A link is good for so long; so many in an hour for one person, whoever asks. */
const MINUTES = 30;
const MOST_AN_HOUR = 5;

/** Mails a link to whoever of our customers' people has this address and may look: one for each customer. Nobody is told whether there was one. */
export async function sendWindowLinks(db: Database, email: string, now: Date): Promise<number> {
  return db.transaction(async (tx) => {
    await asActor(tx, BY_ITSELF, 'job');
    const people = await tx
      .select({
        id: customerContact.id,
        name: customerContact.name,
        email: customerContact.email,
        customerId: customer.id,
        customer: customer.name,
        language: customer.language,
      })
      .from(customerContact)
      .innerJoin(customer, eq(customer.id, customerContact.customerId))
      .where(
        and(
          sql`lower(${customerContact.email}) = ${email.toLowerCase()}`,
          sql`${customerContact.purposes} && array['window', 'windowActs']`,
          isNull(customer.retiredAt),
        ),
      )
      .limit(10);
    const settings = await readSettings(tx);
    const write = await letterWriter(tx, 'windowLink');
    let sent = 0;
    for (const person of people) {
      const [lately] = await tx
        .select({ n: count() })
        .from(windowLink)
        .where(and(eq(windowLink.contactId, person.id), gt(windowLink.madeAt, subHours(now, 1))));
      if (lately!.n >= MOST_AN_HOUR) continue;
      const secret = newSecret();
      const until = addMinutes(now, MINUTES);
      await tx.insert(windowLink).values({ digest: digestOf(secret), contactId: person.id, madeAt: now, until });
      const letter = write(person.language, {
        greeting: greet(person.name, person.language),
        house: settings.name,
        customer: person.customer,
        until: dayTime(until, settings.zone),
        link: `${checkOrigin()}/window/enter/${secret}`,
        workshop: signedBy(settings),
      });
      await putMails(tx, [{ customerId: person.customerId, recipient: person.email, ...letter }], {
        now,
        kind: 'window',
        host: hostOf(settings.mailFrom),
      });
      sent += 1;
    }
    return sent;
  });
}
