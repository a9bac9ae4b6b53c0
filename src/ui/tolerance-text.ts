import type { Tolerance } from '@/core/record/tolerance';

/**
 * A tolerance in one line.
 *
 * @example
 * toleranceText({ absolute: '2', percentOfTarget: '10' }, 'ppm') // '± 2 ppm or ± 10 %'
 */
export const toleranceText = ({ absolute, percentOfTarget, zero }: Tolerance, unit: string): string =>
  [
    [absolute && `± ${absolute} ${unit}`, percentOfTarget && `± ${percentOfTarget} %`].filter(Boolean).join(' or '),
    zero && `at zero ± ${zero} ${unit}`,
  ]
    .filter(Boolean)
    .join('; ');
