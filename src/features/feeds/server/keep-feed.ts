import { and, desc, eq, isNull } from 'drizzle-orm';
import { say } from '@/core/words/say';
import type { Transaction } from '@/data/connection';
import { calendarFeed, customer, user } from '@/data/schema';
import { checkOrigin } from '@/platform/check-origin';
import { digestOf, newSecret } from '@/platform/secret';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import { readSettings } from '@/platform/settings';
import type { UseCaseContext } from '@/platform/use-case';
import '@/core/words/en/feeds';

/** Where a calendar program finds a feed. */
export const feedAddress = (secret: string): string => `${checkOrigin()}/feed/${secret}.ics`;

export interface NewFeed {
  kind: 'workshop' | 'technician' | 'customer';
  /** The customer's id, or the technician's. */
  who: string;
}

/** Makes an address. It is given back once and stands nowhere. Errors: Problem (403); (400) beside the field. */
export async function makeFeed(context: UseCaseContext, { kind, who }: NewFeed): Promise<{ address: string }> {
  need(context.actor, 'receive');
  const { tx, actor, now } = context;
  const secret = newSecret();
  const digest = digestOf(secret);
  const about = await subject(tx, { kind, who });
  await tx.insert(calendarFeed).values({ kind, ...about, digest, madeAt: now, madeBy: actor.name });
  return { address: feedAddress(secret) };
}

async function subject(tx: Transaction, { kind, who }: NewFeed) {
  if (kind === 'workshop') return { name: (await readSettings(tx)).name };
  const needed = () => new Problem(say({ code: 'feed.needsWho' }), { who: say({ code: 'feed.needsWho' }) }, 400);
  if (kind === 'technician') {
    const [row] = await tx.select({ name: user.name }).from(user).where(eq(user.id, who));
    if (!row) throw needed();
    return { name: row.name, person: row.name };
  }
  const [row] = /^[0-9a-f-]{36}$/.test(who)
    ? await tx.select({ name: customer.name }).from(customer).where(eq(customer.id, who))
    : [];
  if (!row) throw needed();
  return { name: row.name, customerId: who };
}

/** Ends an address: whoever asks for it finds nothing from now on. Errors: Problem (403), (404). */
export async function endFeed({ tx, actor, now }: UseCaseContext, { feedId }: { feedId: string }): Promise<void> {
  need(actor, 'receive');
  const rows = await tx
    .update(calendarFeed)
    .set({ endedAt: now, endedBy: actor.name })
    .where(and(eq(calendarFeed.id, feedId), isNull(calendarFeed.endedAt)))
    .returning({ id: calendarFeed.id });
  if (rows.length === 0) throw new Problem(say({ code: 'feed.unknown' }), {}, 404);
}

/** All addresses that were made, the newest first. */
export const allFeeds = (tx: Transaction) =>
  tx
    .select({
      id: calendarFeed.id,
      kind: calendarFeed.kind,
      name: calendarFeed.name,
      madeAt: calendarFeed.madeAt,
      madeBy: calendarFeed.madeBy,
      readAt: calendarFeed.readAt,
      endedAt: calendarFeed.endedAt,
    })
    .from(calendarFeed)
    .orderBy(desc(calendarFeed.madeAt))
    .limit(200);
