import type { Role } from '@/core/record/event';

export type Permission = 'public' | 'signedIn' | 'receive' | 'bench' | 'approve' | 'office';

const GRANTED: Record<Role, Permission[]> = {
  counter: ['signedIn', 'receive'],
  technician: ['signedIn', 'receive', 'bench'],
  signatory: ['signedIn', 'receive', 'bench', 'approve'],
  administrator: ['signedIn', 'receive', 'bench', 'approve', 'office'],
  auditor: ['signedIn'],
};

/** Whether a role may. One that isn't of the list, as a row behind the application's back could have it, may nothing. */
export function may(role: Role | null, permission: Permission): boolean {
  return permission === 'public' || (role !== null && Object.hasOwn(GRANTED, role) && GRANTED[role].includes(permission));
}

/** Whether a role may look: who audits reads everything and changes nothing. */
export const mayRead = (role: Role | null, permission: Permission): boolean => may(role, permission) || role === 'auditor';
