import type { Actor } from '@/core/record/event';
import { say } from '@/core/words/say';
import { database } from '@/data/connection';
import { recordAudit } from './audit';
import { may, mayRead, type Permission } from './permission';
import { currentStanding, keepSeen } from './session';
import '@/core/words/en/door';

/** What a door asks of whoever comes in. */
export interface Door {
  name: string;
  permission: Permission;
  /** It stays open while the screen is locked: what keeps the bench safe, and the way back in. */
  whileLocked?: true;
  /** It stays open to somebody who has to set up a second factor, or a password of their own, first. */
  withoutFactor?: true;
}

export type Turned = 'signedOut' | 'locked' | 'ownPassword' | 'secondFactor' | 'notAllowed';
export type Admission = { actor: Actor | null; turned?: undefined } | { turned: Turned; message: string; status: number };

/**
 * Asks at a door who comes: signed in, not locked, with the second factor that the workshop asks of the role, and with the permission. One place for pages, actions and routes. Whoever lacks the permission is on record.
 * `hand`: somebody pressed something, which keeps the screen from locking. `reads`: nothing is changed behind it, so that who audits may look.
 */
export async function admit(
  door: Door,
  { now, hand, reads = false }: { now: Date; hand: boolean; reads?: boolean },
): Promise<Admission> {
  if (door.permission === 'public') return { actor: null };
  const standing = await currentStanding();
  if (!standing) return { turned: 'signedOut', message: say({ code: 'door.signedOut' }), status: 401 };
  const { actor } = standing;
  if (standing.locked && !door.whileLocked) return { turned: 'locked', message: say({ code: 'door.locked' }), status: 423 };
  if (standing.lacksOwnPassword && !door.withoutFactor)
    return { turned: 'ownPassword', message: say({ code: 'door.ownPassword' }), status: 403 };
  if (standing.lacksFactor && !door.withoutFactor)
    return { turned: 'secondFactor', message: say({ code: 'door.secondFactor' }), status: 403 };
  if (!(reads ? mayRead : may)(actor.role, door.permission)) {
    await database().transaction((tx) => recordAudit({ tx, actor, now }, 'refused', door.name, { needs: door.permission }));
    return { turned: 'notAllowed', message: say({ code: 'door.notAllowed', numbers: { role: actor.role } }), status: 403 };
  }
  if (hand && !standing.locked) await keepSeen(standing);
  return { actor };
}
