/**
 * How often something drawn at random is tried: a fifth on an ordinary day, in full by `npm run test:long -- draws`.
 *
 * @example
 * often(10_000) // 2000 in npm test
 */
export const often = (inFull: number): number =>
  process.env.WERKBANK_IN_FULL === 'yes' ? inFull : Math.max(1, Math.round(inFull / 5));
