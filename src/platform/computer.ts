import { createHash, randomBytes } from 'node:crypto';
import { and, eq, gt, lt } from 'drizzle-orm';
import { cookies } from 'next/headers';
import { database } from '@/data/connection';
import { computerPerson, user } from '@/data/schema';
import { hostCookie, isHttps } from './session-cookie';
import { LONGEST_HOURS } from './session';

/** The bench computer's own mark: says only that it is the same browser as this morning. */
const COMPUTER_COOKIE = 'werkbank_computer';
const digestOf = (mark: string) => createHash('sha256').update(`computer ${mark}`).digest('hex');

/** Who came in here with all that is asked may come back here by PIN or badge until their day is over. */
export async function keepComputerPerson(userId: string, signedInAt: Date): Promise<void> {
  const jar = await cookies();
  const name = hostCookie(COMPUTER_COOKIE);
  const mark = jar.get(name)?.value ?? randomBytes(24).toString('base64url');
  jar.set(name, mark, { httpOnly: true, sameSite: 'lax', secure: isHttps(), maxAge: 365 * 86_400, path: '/' });
  const until = new Date(signedInAt.getTime() + LONGEST_HOURS * 3_600_000);
  await database().delete(computerPerson).where(lt(computerPerson.until, new Date()));
  await database()
    .insert(computerPerson)
    .values({ computer: digestOf(mark), userId, until })
    .onConflictDoUpdate({ target: [computerPerson.computer, computerPerson.userId], set: { until } });
}

export interface AtComputer {
  id: string;
  name: string;
  /** When all that is asked was last asked of them here. */
  since: Date;
}

/** Who may come back at this computer by PIN, badge or passkey. */
export async function peopleAtComputer(): Promise<AtComputer[]> {
  const mark = (await cookies()).get(hostCookie(COMPUTER_COOKIE))?.value;
  if (!mark) return [];
  const rows = await database()
    .select({ id: user.id, name: user.name, until: computerPerson.until })
    .from(computerPerson)
    .innerJoin(user, eq(user.id, computerPerson.userId))
    .where(and(eq(computerPerson.computer, digestOf(mark)), gt(computerPerson.until, new Date()), eq(user.active, true)))
    .orderBy(user.name);
  return rows.map(({ until, ...one }) => ({ ...one, since: new Date(until.getTime() - LONGEST_HOURS * 3_600_000) }));
}
