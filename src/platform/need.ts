import type { Actor } from '@/core/record/event';
import { say } from '@/core/words/say';
import { may, type Permission } from './permission';
import { Problem } from './problem';
import '@/core/words/en/door';

/**
 * What a use case asks first, whoever calls it: page, action, route, job or seed. More than one permission: any of them is enough.
 * Errors: Problem (403) in the catalogue's words.
 */
export function need(actor: Pick<Actor, 'role'>, ...permissions: Permission[]): void {
  if (permissions.some((permission) => may(actor.role, permission))) return;
  throw new Problem(say({ code: 'door.notAllowed', numbers: { role: actor.role } }), {}, 403);
}
