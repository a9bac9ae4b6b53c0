import { cache } from 'react';
import { and, eq, sql } from 'drizzle-orm';
import { headers } from 'next/headers';
import type { Actor, Role } from '@/core/record/event';
import { database } from '@/data/connection';
import { passkey, session as sessionTable } from '@/data/schema';
import { sessionReader } from './auth';
import { isIdle } from './idle';
import { doorRules } from './settings';

/** A session as it stands: whose, and whether something is asked before it goes on. */
export interface Standing {
  actor: Actor;
  sessionId: string;
  signedInAt: Date;
  seenAt: Date;
  /** Nobody was at this computer for a while, or somebody locked it: first somebody says who goes on. */
  locked: boolean;
  /** The workshop asks a second factor of this role, and this person has none yet. */
  lacksFactor: boolean;
  /** Came in with a password that somebody else gave. */
  lacksOwnPassword: boolean;
}

interface Held {
  id: string;
  createdAt: Date;
  signedInAt?: Date | null;
  seenAt?: Date | null;
  lockedAt?: Date | null;
}
interface Person {
  id: string;
  name: string;
  role: Role;
  active?: boolean;
  twoFactorEnabled?: boolean;
  passwordOnceUntil?: Date | null;
}

/** Who is signed in, from the session's row; null for nobody. Asked once a request. */
export const currentStanding = cache(async (): Promise<Standing | null> => {
  const found = await sessionReader().api.getSession({ headers: await headers() });
  if (!found) return null;
  const [held, person] = [found.session as Held, found.user as unknown as Person];
  const signedInAt = new Date(held.signedInAt ?? held.createdAt);
  if (person.active === false || isOver(signedInAt)) return null;
  const rules = await doorRules(database());
  const seenAt = new Date(held.seenAt ?? held.createdAt);
  return {
    actor: { id: person.id, name: person.name, role: person.role },
    sessionId: held.id,
    signedInAt,
    seenAt,
    locked: Boolean(held.lockedAt) || isIdle(seenAt, rules.lockAfterMinutes),
    lacksOwnPassword: Boolean(person.passwordOnceUntil),
    lacksFactor: rules.secondFactorRoles.includes(person.role) && !person.twoFactorEnabled && !(await hasPasskey(person.id)),
  };
});

export const currentActor = async (): Promise<Actor | null> => (await currentStanding())?.actor ?? null;

const hasPasskey = async (person: string): Promise<boolean> =>
  (await database().select({ id: passkey.id }).from(passkey).where(eq(passkey.userId, person)).limit(1)).length > 0;

/** However busy somebody is: once in so many hours they say anew who they are (NIST SP 800-63B, 4.2.3 asks for 12 hours, or sooner). */
export const LONGEST_HOURS = 12;
const isOver = (since: Date): boolean => Date.now() - since.getTime() > LONGEST_HOURS * 3_600_000;

/** A hand is kept to the minute: a press doesn't write a session each time. */
const KEPT_TO_MS = 60_000;
/** Somebody pressed something, so they are there. A locked session stays locked. */
export async function keepSeen({ sessionId, seenAt }: Standing): Promise<void> {
  if (Date.now() - seenAt.getTime() < KEPT_TO_MS) return;
  await database()
    .update(sessionTable)
    .set({ seenAt: new Date() })
    .where(and(eq(sessionTable.id, sessionId), sql`${sessionTable.lockedAt} is null`));
}
