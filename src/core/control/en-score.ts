import { requireAbove, requireRange } from '../range-error';

/**
 * Eₙ score of a comparison with another laboratory: the difference over both expanded uncertainties; up to 1 the two agree.
 * Arguments: values in one unit; expanded uncertainties (k = 2) above 0. Errors: RangeError. Source: ISO 13528:2022, 9.7; ISO/IEC 17043.
 *
 * @example
 * enScore({ value: 50.2, expanded: 0.3, reference: 50, referenceExpanded: 0.4 }) // { score: 0.4, agrees: true }
 */
export function enScore({
  value,
  expanded,
  reference,
  referenceExpanded,
}: {
  value: number;
  expanded: number;
  reference: number;
  referenceExpanded: number;
}): { score: number; agrees: boolean } {
  requireRange('value', value, -1e12, 1e12);
  requireRange('reference', reference, -1e12, 1e12);
  requireAbove('expanded', expanded, 0, 1e12);
  requireAbove('referenceExpanded', referenceExpanded, 0, 1e12);
  const score = (value - reference) / Math.hypot(expanded, referenceExpanded);
  return { score, agrees: Math.abs(score) <= 1 };
}
