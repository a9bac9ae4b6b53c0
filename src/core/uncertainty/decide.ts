import { Dec } from '../quantity/decimal';
import { requireRange } from '../range-error';

export const DECISION_RULES = ['simple', 'guarded'] as const;
export type DecisionRule = (typeof DECISION_RULES)[number];
export type Decision = 'pass' | 'fail' | 'undecided';

/**
 * Statement of conformity of an error against its limits, limits included, in decimals as displayed.
 * Quantity: error, limits and expanded uncertainty in one unit; range: lower <= upper, expanded >= 0. Strings keep the display's digits exactly.
 * 'simple' compares the error alone; 'guarded' uses a guard band w, by default w = U: pass inside limit - w, fail beyond limit + w, undecided between.
 * Errors: RangeError. Source: ILAC-G8:09/2019, 4.2.1 (simple acceptance), 4.2.2 and 4.2.3 (guard band w = U or stated, non-binary).
 *
 * @example
 * decide({ error: 4, lower: -5, upper: 5, expanded: 2, rule: 'guarded' }) // 'undecided'
 */
export function decide({
  error,
  lower,
  upper,
  expanded,
  rule,
  guardBand,
}: {
  error: number | string;
  lower: number | string;
  upper: number | string;
  expanded: number;
  rule: DecisionRule;
  guardBand?: number;
}): Decision {
  requireRange('error', Number(error), -Infinity, Infinity);
  requireRange('lower', Number(lower), -Infinity, Infinity);
  requireRange('upper', Number(upper), Number(lower), Infinity);
  requireRange('expanded', expanded, 0, Infinity);
  const e = new Dec(error);
  const within = e.gte(lower) && e.lte(upper);
  if (rule === 'simple') return within ? 'pass' : 'fail';
  if (rule !== 'guarded') throw new RangeError(`rule must be 'simple' or 'guarded', got ${String(rule)}`);
  const width = requireRange('guardBand', guardBand ?? expanded, 0, Infinity);
  if (e.gte(new Dec(lower).plus(width)) && e.lte(new Dec(upper).minus(width))) return 'pass';
  if (e.lt(new Dec(lower).minus(width)) || e.gt(new Dec(upper).plus(width))) return 'fail';
  return 'undecided';
}
