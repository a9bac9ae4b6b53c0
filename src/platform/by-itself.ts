import type { Actor } from '@/core/record/event';

/** Who did it, where nobody pressed anything. */
export const BY_ITSELF: Actor = { id: 'house', name: 'the house by itself', role: 'counter' };
