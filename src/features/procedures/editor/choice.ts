/** What of a draft is being worked on. */
export type Choice =
  { kind: 'head' } | { kind: 'channel' | 'point' | 'slot' | 'school'; id: string } | { kind: 'step'; path: readonly string[] };

export const sameChoice = (one: Choice, other: Choice): boolean => JSON.stringify(one) === JSON.stringify(other);
