/** How an instrument leaves its owner, as the owner says it. */
export const GONE = ['sold', 'scrapped', 'lost'] as const;
export type Gone = (typeof GONE)[number];
