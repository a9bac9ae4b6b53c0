import { and, count, eq, gt, lt, max, ne } from 'drizzle-orm';
import { say } from '@/core/words/say';
import { database } from '@/data/connection';
import { signInFailure } from '@/data/schema';
import { gate } from '@/platform/gate';
import { Problem } from '@/platform/problem';
import { delayAfter } from './try-delay';

const WINDOW_MS = 15 * 60_000;
const KEPT_MS = 24 * 3_600_000;
/** A password takes a tenth of a second of one core to check: a few at once, and a queue that a workshop's morning fits into. */
const through = gate({ atOnce: 3, waiting: 60 });

/**
 * One try of a password. Failures are counted by mail address and by where they come from: a browser in which this person signed in before, or anywhere else (''). So a stranger who guesses delays strangers alone.
 * A try counts as failed before it is made: a burst can't slip past the count. No connection is held while the password is checked.
 * Errors: Problem (429) with the seconds to wait, or where too many wait; what `attempt` throws.
 */
export function guardedTry<T>(
  { email, device, now }: { email: string; device: string; now: Date },
  attempt: () => Promise<T>,
): Promise<{ value: T; failures: number }> {
  return through(async () => {
    const db = database();
    const here = and(eq(signInFailure.email, email), eq(signInFailure.device, device));
    await db.delete(signInFailure).where(lt(signInFailure.at, new Date(now.getTime() - KEPT_MS)));
    const [mine] = await db.insert(signInFailure).values({ email, device, at: now }).returning({ id: signInFailure.id });
    const [before] = await db
      .select({ failures: count(), last: max(signInFailure.at) })
      .from(signInFailure)
      .where(and(here, ne(signInFailure.id, mine!.id), gt(signInFailure.at, new Date(now.getTime() - WINDOW_MS))));
    const failures = before!.failures;
    const wait = Math.ceil(delayAfter(failures) - (now.getTime() - (before!.last?.getTime() ?? 0)) / 1000);
    if (failures > 0 && wait > 0) {
      // A try that was not made doesn't count: whoever keeps pressing waits no longer for it.
      await db.delete(signInFailure).where(eq(signInFailure.id, mine!.id));
      throw new Problem(say({ code: 'signIn.wait', numbers: { seconds: String(wait) } }), {}, 429);
    }
    const value = await attempt();
    await db.delete(signInFailure).where(here);
    return { value, failures };
  });
}
