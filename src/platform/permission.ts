import type { Role } from '@/core/record/event';

export type Permission = 'public' | 'signedIn' | 'receive' | 'bench' | 'approve' | 'office';

const GRANTED: Record<Role, Permission[]> = {
  counter: ['signedIn', 'receive'],
  technician: ['signedIn', 'receive', 'bench'],
  signatory: ['signedIn', 'receive', 'bench', 'approve'],
  administrator: ['signedIn', 'receive', 'bench', 'approve', 'office'],
};

export function may(role: Role | null, permission: Permission): boolean {
  return permission === 'public' || (role !== null && GRANTED[role].includes(permission));
}
