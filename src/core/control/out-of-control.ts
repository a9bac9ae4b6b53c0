import type { ControlLimits } from './control-limits';
import { ewma } from './ewma';

/** Why a value is out of control. Closed. */
export const CONTROL_RULES = ['beyond', 'twoOfThree', 'run', 'creep'] as const;
export type ControlRule = (typeof CONTROL_RULES)[number];

/** So many values in a row on one side of the centre. */
const RUN = 8;

/**
 * What stands out of a chart, value by value: beyond three standard deviations; two of three beyond two on one side; eight in a row on one side; the moving average beyond its limit. Each value has the first rule that it breaks, or null. What lies within
 * half a step of the display from the centre is on neither side: a coarse display would run there by itself.
 * Errors: none. Source: Shewhart (1931); Western Electric (1956) for the runs, as in NIST/SEMATECH e-Handbook, 6.3.2; ISO 7870-2 for eight in a row.
 *
 * @example
 * outOfControl({ values: [50, 62], limits: { centre: 50, sigma: 2, n: 20 } }) // [null, 'beyond']
 */
export function outOfControl({
  values,
  limits,
  resolution = 0,
}: {
  values: readonly number[];
  limits: ControlLimits;
  resolution?: number;
}): (ControlRule | null)[] {
  const { centre, sigma } = limits;
  const { means, lower, upper } = ewma({ values, limits });
  const z = values.map((value) => (sigma > 0 ? (value - centre) / sigma : Math.sign(value - centre) * Infinity || 0));
  return z.map((own, index) => {
    if (Math.abs(own) > 3) return 'beyond';
    const side = Math.sign(own);
    const three = z.slice(Math.max(0, index - 2), index + 1);
    if (Math.abs(own) > 2 && three.filter((one) => one * side > 2).length >= 2) return 'twoOfThree';
    const row = z.slice(Math.max(0, index - RUN + 1), index + 1);
    if (row.length === RUN && side !== 0 && row.every((one) => one * side > 0 && Math.abs(one) * sigma > resolution / 2))
      return 'run';
    // Without any scatter the average differs from the centre by rounding alone.
    if (sigma === 0) return null;
    return means[index]! < lower || means[index]! > upper ? 'creep' : null;
  });
}
