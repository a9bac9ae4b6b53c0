/** What a due date rests on: the certificate and the policy, or the customer's word when an instrument was taken over. */
export interface DueBasis {
  certificate?: string;
  from: string;
  reason: string;
}

const DAY = /^\d{4}-\d{2}-\d{2}$/;
const PARTS: readonly string[] = ['certificate', 'from', 'reason'];

function wrong(stored: unknown): string | null {
  if (typeof stored !== 'object' || stored === null || Array.isArray(stored)) return 'an object';
  const { certificate, from, reason } = stored as Record<string, unknown>;
  if (typeof from !== 'string' || !DAY.test(from)) return 'from: a date';
  if (typeof reason !== 'string' || reason === '') return 'reason: a text';
  if (certificate !== undefined && typeof certificate !== 'string') return 'certificate: a text';
  const more = Object.keys(stored).find((key) => !PARTS.includes(key));
  return more === undefined ? null : `nothing called ${more}`;
}

/**
 * What a due date rests on, as it was stored, checked. By hand: a page of what is due reads forty of them, and a schema took half as long as the whole query.
 * Errors: RangeError naming what it has to hold.
 *
 * @example
 * readDueBasis({ from: '2026-02-03', reason: 'policy' }).from // '2026-02-03'
 */
export function readDueBasis(stored: unknown): DueBasis {
  const needed = wrong(stored);
  if (needed) throw new RangeError(`stored basis of a due date must be as its type says: ${needed}`);
  return stored as DueBasis;
}
