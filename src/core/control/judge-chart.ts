import { controlLimits, type ControlLimits } from './control-limits';
import { ewma } from './ewma';
import { outOfControl, type ControlRule } from './out-of-control';

/** So many values draw the limits; what comes after is held against them, and before nothing is said. */
export const BASELINE = 12;

export interface JudgedChart {
  /** Null while too few values are there. */
  limits: ControlLimits | null;
  /** How many values drew them; the first of them. */
  baseline: number;
  /** Value by value the rule that it breaks; those that drew the limits break none. */
  rules: (ControlRule | null)[];
  means: (number | null)[];
  meanLimits: { lower: number; upper: number } | null;
}

/**
 * A chart judged: limits from its first twelve values, and each later value held against them.
 * Arguments: values in their order, without those that were struck; resolution in their unit. Errors: RangeError. Source: NIST/SEMATECH e-Handbook, 6.3.2; ISO/IEC 17025:2017, 7.7.1.
 *
 * @example
 * judgeChart({ values: [...], resolution: 0.01 }).rules.at(-1) // 'beyond'
 */
export function judgeChart({ values, resolution }: { values: readonly number[]; resolution: number }): JudgedChart {
  const baseline = BASELINE;
  const limits = values.length < BASELINE ? null : controlLimits({ values: values.slice(0, baseline), resolution });
  if (!limits)
    return {
      limits: null,
      baseline: values.length,
      rules: values.map(() => null),
      means: values.map(() => null),
      meanLimits: null,
    };
  const later = values.slice(baseline);
  const { means, lower, upper } = ewma({ values: later, limits });
  const none = Array<null>(Math.min(baseline, values.length)).fill(null);
  return {
    limits,
    baseline,
    rules: [...none, ...outOfControl({ values: later, limits, resolution })],
    means: [...none, ...means],
    meanLimits: { lower, upper },
  };
}
