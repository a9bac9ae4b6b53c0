import type { Actor, Role } from '@/core/record/event';

/** Whoever comes in by a public door: without a name, and with a role that is none of the list, so that no use case does anything for them that asks a permission. */
export const NOBODY: Actor = Object.freeze({ id: '', name: '', role: 'public' as Role });
