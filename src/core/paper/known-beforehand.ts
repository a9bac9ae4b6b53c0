import type { Traits } from '../instrument/traits';
import type { ServiceId } from '../instrument/service';
import type { Condition } from '../procedure/condition';
import { propertyHolds } from '../procedure/property-holds';

/** What is known of a run before it is begun. */
export interface Beforehand {
  roles: readonly string[];
  traits: Traits;
  schools: Record<string, string>;
  service: ServiceId;
}

/**
 * Whether a condition is true of every run on such an instrument, of none (false), or only seen on the day (null).
 *
 * @example
 * knownBeforehand({ is: 'channel', role: 'co' }, { roles: ['o2'], traits: {}, schools: {}, service: 'calibrate' }) // false
 */
export function knownBeforehand(condition: Condition, known: Beforehand): boolean | null {
  if ('not' in condition) {
    const inner = knownBeforehand(condition.not, known);
    return inner === null ? null : !inner;
  }
  if ('all' in condition) return every(condition.all.map((one) => knownBeforehand(one, known)));
  if ('any' in condition) {
    const none = every(condition.any.map((one) => knownBeforehand({ not: one }, known)));
    return none === null ? null : !none;
  }
  switch (condition.is) {
    case 'channel':
      return known.roles.includes(condition.role);
    case 'school':
      return known.schools[condition.school] === undefined ? null : known.schools[condition.school] === condition.option;
    case 'property':
      return propertyHolds(condition.property, known.traits, known.service);
    default:
      return null;
  }
}

function every(parts: (boolean | null)[]): boolean | null {
  if (parts.includes(false)) return false;
  return parts.includes(null) ? null : true;
}
