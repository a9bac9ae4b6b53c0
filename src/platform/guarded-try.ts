import { and, count, eq, gt, lt, max, ne, type SQL } from 'drizzle-orm';
import { say } from '@/core/words/say';
import { database } from '@/data/connection';
import { signInFailure } from '@/data/schema';
import { gate } from './gate';
import { Problem } from './problem';
import { delayAfter } from './try-delay';
import '@/core/words/en/answers';

const WINDOW_MS = 15 * 60_000;
/** One network is given the tries of five people before it waits. */
const MORE_FREE_TO_A_NETWORK = 20;
const KEPT_MS = 24 * 3_600_000;
/** A password takes a tenth of a second of one core to check: a few at once, and a queue that a workshop's morning fits into. */
const through = gate({ atOnce: 3, waiting: 60, waitingEach: 30 });

/**
 * One try of a password. Failures are counted by mail address and by where they come from: a browser in which this person signed in before, or anywhere else (''). So a stranger who guesses delays strangers alone.
 * From anywhere else they are counted by network as well, more of them free: a workshop stands behind one address. A try counts as failed before it is made: a burst can't slip past the count. No connection is held while
 * the password is checked. Errors: Problem (429) with the seconds to wait, or where too many wait; what `attempt` throws.
 */
export function guardedTry<T>(
  { email, device, network, now }: { email: string; device: string; network: string; now: Date },
  attempt: () => Promise<T>,
): Promise<{ value: T; failures: number }> {
  return through(async () => {
    const db = database();
    const here = and(eq(signInFailure.email, email), eq(signInFailure.device, device));
    await db.delete(signInFailure).where(lt(signInFailure.at, new Date(now.getTime() - KEPT_MS)));
    const [mine] = await db.insert(signInFailure).values({ email, device, network, at: now }).returning({ id: signInFailure.id });
    const before = (which: SQL | undefined) =>
      db
        .select({ failures: count(), last: max(signInFailure.at) })
        .from(signInFailure)
        .where(and(which, ne(signInFailure.id, mine!.id), gt(signInFailure.at, new Date(now.getTime() - WINDOW_MS))));
    const [account] = await before(here);
    const waits = [waitOf(account!, now)];
    if (!device && network) {
      const [all] = await before(and(eq(signInFailure.network, network), eq(signInFailure.device, '')));
      waits.push(waitOf({ ...all!, failures: all!.failures - MORE_FREE_TO_A_NETWORK }, now));
    }
    const wait = Math.max(...waits);
    if (wait > 0) {
      // A try that was not made doesn't count: whoever keeps pressing waits no longer for it.
      await db.delete(signInFailure).where(eq(signInFailure.id, mine!.id));
      throw new Problem(say({ code: 'signIn.wait', numbers: { seconds: String(wait) } }), {}, 429);
    }
    const value = await attempt();
    await db.delete(signInFailure).where(here);
    return { value, failures: account!.failures };
  }, network);
}

/** Seconds that are left of the delay after so many failures. Where nothing is delayed nobody waits, whatever the clocks say: two who come at the same moment see each other's try as a failure that lies ahead. */
function waitOf({ failures, last }: { failures: number; last: Date | null }, now: Date): number {
  const delay = failures > 0 ? delayAfter(failures) : 0;
  if (delay === 0 || !last) return 0;
  return Math.max(0, Math.ceil(delay - (now.getTime() - last.getTime()) / 1000));
}
