import type { Procedure } from '../procedure/procedure';
import type { RunChannel } from '../record/event';
import type { ReferenceSnapshot } from '../record/reference-snapshot';
import { walkShelf } from '../walk/walk-shelf';
import { SPARE } from './practice-instrument';

const EXPIRED = ':expired';
const EMPTY = ':nearly-empty';
/** What is left in a bottle that is nearly empty, L. */
const LEFT_L = '0.3';

/** Whether it is none of those that a careful hand takes. */
export const isWrongBottle = (id: string): boolean => id.endsWith(EXPIRED) || id.endsWith(EMPTY);

/**
 * The shelf of an exercise: what fits each place, beside it one that expired, and of gases a nearly empty one and a second full one.
 * Errors: none.
 *
 * @example
 * practiceShelf(procedure, channels, schools).map((one) => one.id) // ['cal-gas', 'cal-gas:spare', 'cal-gas:expired', …]
 */
export function practiceShelf(
  procedure: Procedure,
  channels: readonly RunChannel[],
  schools: Record<string, string> = {},
): ReferenceSnapshot[] {
  return walkShelf(procedure, channels, schools).flatMap((one): ReferenceSnapshot[] => {
    const twin = (end: string, change: Partial<ReferenceSnapshot>): ReferenceSnapshot => ({
      ...one,
      id: one.id + end,
      lot: one.lot + end.replace(':', '-'),
      ...change,
    });
    if (one.kind === 'gas')
      return [one, twin(SPARE, {}), twin(EXPIRED, { expires: '2020-01-31' }), twin(EMPTY, { availableL: LEFT_L })];
    return one.kind === 'buffer' || one.kind === 'standard' ? [one, twin(EXPIRED, { expires: '2020-01-31' })] : [one];
  });
}
